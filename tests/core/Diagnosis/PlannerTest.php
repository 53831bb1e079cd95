<?php

declare(strict_types=1);

namespace YellowProbe\Tests\Diagnosis;

use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;
use YellowProbe\Diagnosis\Beliefs;
use YellowProbe\Diagnosis\Candidate;
use YellowProbe\Diagnosis\Display;
use YellowProbe\Diagnosis\Forecast;
use YellowProbe\Diagnosis\Hypothesis;
use YellowProbe\Diagnosis\Outcomes;
use YellowProbe\Diagnosis\Planner;
use YellowProbe\Diagnosis\PredictionTable;
use YellowProbe\Diagnosis\Predictor;
use YellowProbe\Diagnosis\Ranker;
use YellowProbe\Diagnosis\Standing;
use YellowProbe\Fault\Fault;
use YellowProbe\Installation\State;
use YellowProbe\Installation\StateChange;
use YellowProbe\Instrument\Clamp;
use YellowProbe\Instrument\Connection;
use YellowProbe\Instrument\Instrument;
use YellowProbe\Instrument\Instruments;
use YellowProbe\Instrument\Measurement;
use YellowProbe\Procedure\Kit;
use YellowProbe\Procedure\Opened;
use YellowProbe\Procedure\Practice;
use YellowProbe\Procedure\TestCatalogue;

final class PlannerTest extends Asked
{
    public function testTheBestTestIsTheOneThatTellsMostAMinuteAndNoneIsOfferedTwice(): void
    {
        $ranking = self::ranked(null, [], ['residual-trip']);
        $candidates = Planner::sketching(self::$house)->next($ranking, State::resting(self::$house));
        self::assertNotEmpty($candidates);
        $rates = array_map(static fn (Candidate $candidate): float => $candidate->rate, $candidates);
        $sorted = $rates;
        rsort($sorted);
        self::assertSame($sorted, $rates);
        $best = $candidates[0]->plan->id;
        $again = Planner::sketching(self::$house)->next(self::ranked(null, [$best], ['residual-trip']), State::resting(self::$house));
        self::assertNotContains($best, array_map(static fn (Candidate $candidate): string => $candidate->plan->id, $again));
    }

    public function testAPersonsOwnTestIsWorthWhatThePlannerWouldSay(): void
    {
        $ranking = self::ranked(null, [], ['residual-trip']);
        $candidates = Planner::sketching(self::$house)->next($ranking, State::resting(self::$house));
        foreach (\array_slice($candidates, 0, 3) as $candidate) {
            self::assertEqualsWithDelta($candidate->bits, Planner::worth(self::$house, $ranking, $candidate->plan->measurement), 1e-5, 'but for what is too unlikely to count');
        }
        $off = new Measurement(State::resting(self::$house)->after(new StateChange('set', 'main', 'off')), Instruments::get('plug-in-tester'), Connection::leads('a.front-L', 'a.front-N', 'a.front-E'));
        $causes = array_values(array_filter(array_map(static fn (Standing $standing): Hypothesis => $standing->hypothesis, $ranking->standings), static fn (Hypothesis $one): bool => Hypothesis::ELSE !== $one->id));
        \assert([] !== $causes);
        $listed = Ranker::rank($causes, []);
        self::assertLessThan(0.001, Planner::worth(self::$house, $listed, $off), 'with the main switch off a plug-in tester is dark whatever the listed cause');
        self::assertGreaterThan(0.02, Planner::worth(self::$house, $listed, new Measurement(State::resting(self::$house), $off->instrument, $off->connection)));
    }

    public function testOnlyWhatIsToHandIsProposedAndNothingDeadWithoutAnIndicator(): void
    {
        $ranking = self::ranked(null, [], ['residual-trip']);
        $kinds = static fn (?Kit $kit): array => array_map(static fn (Candidate $candidate): string => $candidate->plan->measurement->instrument->slug(), Planner::sketching(self::$house, null === $kit ? null : new Practice($kit))->next($ranking, State::resting(self::$house)));
        $all = $kinds(null);
        self::assertContains('insulation-tester', $all);
        $clamps = array_keys(array_filter(Instruments::all(), static fn (Instrument $instrument): bool => $instrument instanceof Clamp));
        self::assertNotEmpty(array_intersect($clamps, $all));
        $left = $kinds(Kit::without($clamps));
        self::assertNotEmpty($left);
        self::assertEmpty(array_intersect($clamps, $left));
        $blind = $kinds(Kit::without(['two-pole-indicator', 'two-pole-indicator-load']));
        self::assertNotEmpty($blind, 'a plug-in check and the clamp are left');
        foreach ($blind as $slug) {
            self::assertFalse(Instruments::get($slug)->deadOnly(), $slug);
        }
        self::assertContains('insulation-tester', $kinds(Kit::without(['two-pole-indicator-load'])), 'one of the two proves dead');
        self::assertSame($all, $kinds(Kit::without(['device-watch', 'lamp'])), 'eyes are not left at home');
        $this->expectExceptionMessage('No tester is called "divining-rod"');
        Kit::without(['divining-rod']);
    }

    public function testWhatIsOpenAndSwitchedAlreadyIsNotPaidAgain(): void
    {
        $ranking = self::ranked(null, [], ['residual-trip']);
        $planner = Planner::sketching(self::$house);
        $plans = TestCatalogue::plans(self::$house);
        $dead = $plans['insulation:low:N–E']->measurement->state;
        $minutes = static function (array $candidates): array {
            $found = [];
            foreach ($candidates as $candidate) {
                \assert($candidate instanceof Candidate);
                $found[$candidate->plan->id] = $candidate->minutes;
            }

            return $found;
        };
        $closed = $minutes($planner->next($ranking, State::resting(self::$house)));
        $open = $minutes($planner->next($ranking, $dead, Opened::of('board')));
        foreach (['insulation:low:N–E', 'insulation:low:L–E'] as $id) {
            self::assertTrue(!isset($closed[$id], $open[$id]) || $open[$id] < $closed[$id] - 10.0, $id);
        }
        self::assertNotSame([], array_filter(array_keys($open), static fn (string $id): bool => str_starts_with($id, 'insulation')), 'with the house dead and open, insulation is worth asking for');
    }

    public function testALeakOnARingIsHalvedWhereItTellsMost(): void
    {
        // 20 kΩ from line to earth, between two severities of the kind, at one of the points of the ring: five points, a spur and the cables between are alike so far.
        $truth = Fault::at(self::$house, 'line-earth-leak', 'b', 2e4)->change(self::$house);
        $ranking = self::ranked($truth, ['insulation:ring:L–E', 'insulation:ring:N–E', 'cpc-current:ring', 'residual-clamp:ring'], ['residual-trip']);
        $state = TestCatalogue::plans(self::$house)['insulation:ring:L–E']->measurement->state;
        $halves = array_values(array_filter(Planner::sketching(self::$house)->next($ranking, $state), static fn (Candidate $candidate): bool => 'insulation-halves' === $candidate->plan->procedure->slug()));
        $bits = array_map(static fn (Candidate $candidate): float => $candidate->bits, $halves);
        self::assertGreaterThan(0.75, max([0.0, ...$bits]), 'the best of all partings is among the few that are weighed');
        $best = $halves[(int) array_search(max([0.0, ...$bits]), $bits, true)]->plan;
        self::assertStringContainsString('L–E', $best->id);
        // Read there, it leaves one side.
        $then = self::ranked($truth, ['insulation:ring:L–E', 'insulation:ring:N–E', 'cpc-current:ring', 'residual-clamp:ring', $best->id], ['residual-trip']);
        self::assertGreaterThan(1.6 * $ranking->probability('line-earth-leak|b'), $then->probability('line-earth-leak|b'));
    }

    public function testInformationIsInvariantToACauseSplitInTwo(): void
    {
        $space = self::space(['residual-trip']);
        $standings = \array_slice(Ranker::rank($space, [])->standings, 0, 30);
        $measurement = TestCatalogue::plans(self::$house)['residual-pair:stair:low']->measurement;
        $table = Predictor::table(self::$house, $measurement, $space);
        $display = new Display($measurement->instrument);
        $whole = self::bits($standings, $table, $display);
        $halves = [];
        foreach ($standings as $standing) {
            foreach ([0.3, 0.7] as $share) {
                $half = new Standing($standing->hypothesis, $standing->log, $standing->each, $standing->severities);
                $half->probability = $share * $standing->probability;
                $halves[] = $half;
            }
        }
        self::assertEqualsWithDelta($whole, self::bits($halves, $table, $display), 1e-9);
        self::assertGreaterThan(0.01, $whole);
    }

    public function testInformationAgreesWithACountOfDrawnOutcomes(): void
    {
        // I = H(Y) − H(Y | cause), both counted from outcomes drawn by the same cells.
        $space = self::space(['residual-trip']);
        $standings = array_values(array_filter(\array_slice(Ranker::rank($space, [])->standings, 0, 40), static fn (Standing $standing): bool => Hypothesis::ELSE !== $standing->hypothesis->id));
        $measurement = TestCatalogue::plans(self::$house)['residual-clamp:rcd-a']->measurement;
        $table = Predictor::table(self::$house, $measurement, $space);
        $rows = array_merge(...array_map(static fn (Standing $standing): array => $table->rows($standing->hypothesis), $standings));
        $outcomes = new Outcomes(new Display($measurement->instrument), $rows, []);
        $random = new Randomizer(new Xoshiro256StarStar(77));
        $draw = static function (array $weights) use ($random): int {
            $at = $random->getInt(0, 1 << 40) / (1 << 40) * array_sum($weights);
            foreach ($weights as $key => $weight) {
                \assert(\is_float($weight));
                if (($at -= $weight) <= 0.0) {
                    return (int) $key;
                }
            }

            return (int) array_key_last($weights);
        };
        $total = array_sum(array_map(static fn (Standing $standing): float => $standing->probability, $standings));
        $joint = [];
        $draws = 40000;
        for ($i = 0; $i < $draws; ++$i) {
            $cause = $draw(array_map(static fn (Standing $standing): float => $standing->probability / $total, $standings));
            $own = $table->rows($standings[$cause]->hypothesis);
            $cell = $draw($outcomes->of($own[$draw($standings[$cause]->severities)]));
            $repair = $standings[$cause]->hypothesis->stem;
            $joint[$repair][$cell] = ($joint[$repair][$cell] ?? 0) + 1;
        }
        $entropy = static fn (array $counts): float => array_sum(array_map(static fn (int|float $count): float => -$count / array_sum($counts) * log($count / array_sum($counts), 2), $counts));
        $cells = [];
        $conditional = 0.0;
        foreach ($joint as $counts) {
            $conditional += array_sum($counts) / $draws * $entropy($counts);
            foreach ($counts as $cell => $count) {
                $cells[$cell] = ($cells[$cell] ?? 0) + $count;
            }
        }
        // Counting few draws a cause makes it look a little more certain than it is.
        self::assertEqualsWithDelta($entropy($cells) - $conditional, self::bits($standings, $table, new Display($measurement->instrument)), 0.03);
    }

    /** @param list<Standing> $standings */
    private static function bits(array $standings, PredictionTable $table, Display $display): float
    {
        $beliefs = Beliefs::of($standings);

        return Forecast::of($beliefs, $table, $display, false)->bits($beliefs);
    }
}
