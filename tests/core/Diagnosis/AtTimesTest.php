<?php

declare(strict_types=1);

namespace YellowProbe\Tests\Diagnosis;

use PHPUnit\Framework\TestCase;
use YellowProbe\Diagnosis\Evidence;
use YellowProbe\Diagnosis\Exposure;
use YellowProbe\Diagnosis\Hypothesis;
use YellowProbe\Diagnosis\HypothesisSpace;
use YellowProbe\Diagnosis\Planner;
use YellowProbe\Diagnosis\PredictionTable;
use YellowProbe\Diagnosis\Predictor;
use YellowProbe\Diagnosis\Presence;
use YellowProbe\Diagnosis\Ranker;
use YellowProbe\Diagnosis\Ranking;
use YellowProbe\Diagnosis\Standing;
use YellowProbe\Diagnosis\Stop;
use YellowProbe\Diagnosis\StopAdvice;
use YellowProbe\Diagnosis\Story;
use YellowProbe\Fault\Change;
use YellowProbe\Fault\Condition;
use YellowProbe\Fault\Fault;
use YellowProbe\Installation\House;
use YellowProbe\Installation\State;
use YellowProbe\Instrument\Bench;
use YellowProbe\Instrument\ReadingFormat;
use YellowProbe\Instrument\ReadingParser;
use YellowProbe\Procedure\TestCatalogue;
use YellowProbe\Tests\Houses;

/** Faults that come and go: there for a whole episode or not at all, and brought out or not by what was done. */
final class AtTimesTest extends TestCase
{
    private const LEAK = 'line-earth-leak|d';
    private static House $house;

    public static function setUpBeforeClass(): void
    {
        self::$house = Houses::ringAndLights();
    }

    public function testOneEpisodeIsThereWithItsChanceOrNotAtAll(): void
    {
        // P(readings) = 0.3 · P(there) + 0.7 · P(sound), by hand from the same causes ranked alone.
        $evidence = self::evidence(null, ['insulation:ring:L–E', 'zs:a.front:L-E'], new Exposure());
        $logs = self::logs($evidence);
        $there = $logs[self::LEAK];
        $sound = $logs[Hypothesis::SOUND];
        self::assertLessThan($sound - 3.0, $there, 'a leak would have shown');
        // Where the rows are as unlikely as that, the one is fitted and the other only glanced at.
        self::assertEqualsWithDelta(log(0.3 * exp($there - $sound) + 0.7), $logs[self::LEAK.'|at-times'] - $sound, 1e-4);
    }

    public function testWettingItAndReadingSoundSpeaksAgainstWhatRainBringsOut(): void
    {
        $dry = self::logs(self::evidence(null, ['insulation:ring:L–E'], new Exposure()));
        $wet = self::logs(self::evidence(null, ['insulation:ring:L–E'], new Exposure(0, [Condition::Rain])));
        self::assertEqualsWithDelta(log(0.7), $dry[self::LEAK.'|at-times'] - $dry[Hypothesis::SOUND], 0.02);
        self::assertEqualsWithDelta(log(0.2), $wet[self::LEAK.'|at-times'] - $wet[Hypothesis::SOUND], 0.02);
        // What tapping brings out is not judged by a wet house.
        $open = 'open-cpc|ring-r2/E@1|at-times';
        self::assertEqualsWithDelta($dry['open-cpc|low-r2/E@1|at-times'] - $dry[Hypothesis::SOUND], $wet['open-cpc|low-r2/E@1|at-times'] - $wet[Hypothesis::SOUND], 1e-9, $open);
    }

    public function testTwoEpisodesMayDifferAndOneMayNot(): void
    {
        // Wet in the morning, dry in the afternoon: a leak that stays cannot read both, one that comes and goes can.
        $truth = Fault::at(self::$house, 'line-earth-leak', 'd', 1e4)->change(self::$house);
        $morning = self::evidence($truth, ['insulation:ring:L–E'], new Exposure(0));
        $noon = static fn (int $episode): array => self::evidence(null, ['insulation-joined:ring'], new Exposure($episode), 'b');
        $apart = self::ranked([...$morning, ...$noon(1)]);
        $together = self::ranked([...$morning, ...$noon(0)]);
        self::assertGreaterThan($apart->probability(self::LEAK), $apart->probability(self::LEAK.'|at-times'));
        self::assertGreaterThan($together->probability(self::LEAK.'|at-times') / max(1e-12, $together->probability(self::LEAK)), $apart->probability(self::LEAK.'|at-times') / max(1e-12, $apart->probability(self::LEAK)));
        $standing = array_values(array_filter($apart->standings, static fn (Standing $standing): bool => self::LEAK.'|at-times' === $standing->hypothesis->id))[0];
        self::assertGreaterThan(0.9, $standing->quiet(), 'by the last episode it is not there');
        self::assertEqualsWithDelta(1.0, array_sum($standing->severities), 1e-9);
        // Both forms want one repair: they are one line of the list.
        foreach ($apart->suspects() as $suspect) {
            if (\in_array(self::LEAK, $ids = array_map(static fn (Standing $each): string => $each->hypothesis->id, $suspect->standings), true)) {
                self::assertContains(self::LEAK.'|at-times', $ids);
                self::assertGreaterThan(0.5, $suspect->atTimes());
            }
        }
    }

    public function testWhichEpisodesItWasThereInIsSummedOver(): void
    {
        // 0.7² · P(sound) + 0.3 · 0.7 · (P(in the first only) + P(in the second only)) + 0.3² · P(in both): a reading after the repair is one that the leak is away from.
        $truth = Fault::at(self::$house, 'line-earth-leak', 'd', 1e6)->change(self::$house);
        $one = static fn (bool $isAway): array => self::evidence($truth, ['insulation:ring:L–E'], new Exposure(0), 'a', $isAway ? [self::LEAK] : []);
        $other = static fn (bool $isAway): array => self::evidence($truth, ['insulation-joined:ring', 'insulation:ring:L–E'], new Exposure(1), 'b', $isAway ? [self::LEAK] : []);
        $gain = static fn (bool $first, bool $second): float => ($logs = self::logs([...$one(!$first), ...$other(!$second)]))[self::LEAK] - $logs[Hypothesis::SOUND];
        $logs = self::logs([...$one(false), ...$other(false)]);
        $sum = 0.49 + 0.21 * (exp($gain(true, false)) + exp($gain(false, true))) + 0.09 * exp($gain(true, true));
        self::assertGreaterThan(2.0, $gain(true, true), 'it shows, and both times the same leak explains it');
        self::assertEqualsWithDelta(log($sum), $logs[self::LEAK.'|at-times'] - $logs[Hypothesis::SOUND], 0.05);
    }

    public function testAHeaterPluggedInForATestIsALoadByItself(): void
    {
        $state = State::resting(self::$house)->after(new \YellowProbe\Installation\StateChange('load', 'a.front', State::HEATER));
        self::assertSame([Condition::Load], (new Exposure())->in($state)->conditions);
        self::assertSame(Exposure::FORCED, (new Exposure())->in($state)->presence([Condition::Heat, Condition::Load]));
        self::assertSame(Exposure::UNKNOWN, (new Exposure())->in($state)->presence([Condition::Rain]));
        self::assertNotSame((new Exposure())->key(), (new Exposure())->in($state)->key(), 'another episode');
        self::assertSame((new Exposure(2, [Condition::Heat, Condition::Rain]))->key(), (new Exposure(2, [Condition::Rain, Condition::Heat]))->key());
    }

    public function testALoadBringsOutWhatItReachesAndNothingElse(): void
    {
        $quiet = static function (Ranking $ranking, string $cause): float {
            return array_values(array_filter($ranking->standings, static fn (Standing $standing): bool => "$cause|at-times" === $standing->hypothesis->id))[0]->quiet();
        };
        $loaded = self::ranked(self::evidence(null, ['volt-drop:a.front:L-N', 'zs:a.front:L-E'], new Exposure()));
        self::assertEqualsWithDelta(1.0 - Exposure::UNKNOWN, $quiet($loaded, 'high-resistance-joint|low-r1/L@1'), 0.02, 'a heater on the ring says nothing of the other circuits');
        // The joint in front of the heater drops 13 V under its load, and nothing without it.
        $joint = 'high-resistance-joint|ring-s-spur/L@1';
        $truth = Fault::at(self::$house, 'high-resistance-joint', 'ring-s-spur/L@1', 2.5)->change(self::$house);
        $found = self::ranked([...self::evidence($truth, ['volt-drop:spur.front:L-N'], new Exposure()), ...self::evidence(null, ['zs:spur.front:L-N', 'zs:spur.front:L-E'], new Exposure(), 'b')]);
        self::assertLessThan(0.2, $quiet($found, $joint), 'what a load has shown is there to be repaired');
    }

    public function testWhenItIsThereIsToldByStretchesByHand(): void
    {
        // At rest 0.3, loaded 0.8, each by itself: 0.3 · 0.2, 0.7 · 0.8, 0.3 · 0.8.
        $apart = Presence::shares(0.3, 0.8, 0.0, true);
        self::assertEqualsWithDelta([Presence::Never->value => 0.0, Presence::AtRest->value => 0.06, Presence::Forced->value => 0.56, Presence::Always->value => 0.24], $apart, 1e-12);
        // What no load brings out is there under it when it is there without it.
        self::assertSame(0.3, Presence::shares(0.3, 0.8, 0.0, false)[Presence::Always->value]);
        self::assertSame(0.0, Presence::shares(0.3, 0.8, 0.0, false)[Presence::Forced->value]);
        // Tapping has shown it: it is there to be repaired, and shows in neither.
        self::assertEqualsWithDelta(0.9 - 0.1, Presence::shares(0.1, 0.8, 0.9, false)[Presence::Never->value], 1e-12);
        self::assertSame([false, true, false, true], array_map(static fn (Presence $one): bool => $one->shows(false), Presence::cases()));
        self::assertSame([false, false, true, true], array_map(static fn (Presence $one): bool => $one->shows(true), Presence::cases()));
    }

    public function testATestIsHopedToShowOnlyWhatIsThereWhileItIsDone(): void
    {
        // The joint in front of the spur shows under the heater only: read at rest it was away.
        $joint = 'high-resistance-joint|ring-s-spur/L@1|at-times';
        $truth = Fault::at(self::$house, 'high-resistance-joint', 'ring-s-spur/L@1', 2.5)->change(self::$house);
        $ranking = self::ranked([...self::evidence($truth, ['volt-drop:spur.front:L-N'], new Exposure()), ...self::evidence(null, ['zs:spur.front:L-N', 'zs:spur.front:L-E'], new Exposure(), 'b')]);
        $standing = array_values(array_filter($ranking->standings, static fn (Standing $one): bool => $one->hypothesis->id === $joint))[0];
        $shares = self::shares($standing, Condition::Load);
        self::assertGreaterThan(0.8, $shares[Presence::Forced->value]);
        self::assertLessThan(0.05, $shares[Presence::AtRest->value] + $shares[Presence::Always->value]);
        self::assertEqualsWithDelta(1.0, array_sum(array_column($standing->atoms(), 1)), 1e-9);
        self::assertSame(\count($standing->stretches), $standing->severityShown([]), 'at rest it shows nothing');
        self::assertEqualsWithDelta(2.5, $standing->hypothesis->ohms()[$standing->severityShown([Condition::Load])], 2.0, 'under the heater it does');
        $plans = TestCatalogue::plans(self::$house);
        $standing->probability = 0.5;
        $sound = new Standing(Hypothesis::sound(1.0), 0.0, [], [1.0]);
        $sound->probability = 0.5;
        $worth = static fn (string $test): float => Planner::worth(self::$house, new Ranking([$standing, $sound], []), $plans[$test]->measurement);
        self::assertGreaterThan(0.3, $worth('volt-drop:spur.front:L-N'));
        self::assertLessThan(0.03, $worth('zs:spur.front:L-N'), 'it was read at rest, and sound');
        // Before anything was read a heater is the likelier to show it, by 0.8 to 0.3.
        $fresh = array_values(array_filter(self::ranked([])->standings, static fn (Standing $one): bool => $one->hypothesis->id === $joint))[0];
        self::assertEqualsWithDelta([0.14, 0.06, 0.56, 0.24], self::shares($fresh, Condition::Load), 1e-9);
        self::assertEqualsWithDelta([0.14, 0.06, 0.56, 0.24], self::shares($fresh, Condition::Vibration), 1e-9, 'a tap brings it out as well');
        self::assertEqualsWithDelta([0.7, 0.0, 0.0, 0.3], self::shares($fresh, Condition::Rain), 1e-9, 'water does not');
    }

    /** @return list<float> by presence, over all severities; what is quiet in any case counts as never */
    private static function shares(Standing $standing, Condition $by): array
    {
        $shares = array_fill(0, \count(Presence::cases()), 0.0);
        foreach ($standing->atoms([$by]) as [$atom, $share]) {
            $shares[$atom->presence->value] += $share;
        }

        return $shares;
    }

    public function testWhenEverythingReadsSoundTheHouseIsLeftWithALogger(): void
    {
        $tests = [];
        foreach (TestCatalogue::plans(self::$house) as $id => $plan) {
            if (\in_array($plan->procedure->slug(), ['plug-in-check', 'polarity-live', 'zs', 'insulation', 'residual-clamp', 'r1-r2', 'rcd-ramp', 'neutral-to-neutral', 'residual-pair', 'ring-ends', 'function-check', 'joint-drop', 'volt-drop', 'ne-under-load', 'earthing-current', 'plug-by-plug', 'neutral-to-earth', 'insulation-joined', 'cpc-current', 'leakage-log', 'loop-ratio', 'neutral-of-off-circuit'], true)) {
                $tests[] = $id;
            }
        }
        $ranking = self::ranked(self::evidence(null, $tests, new Exposure()));
        $stop = Stop::advised($ranking, Planner::sketching(self::$house)->next($ranking, State::resting(self::$house)));
        self::assertContains($stop->advice, [StopAdvice::Leave, StopAdvice::LookAgain]);
        $quiet = array_sum(array_map(static fn (Standing $standing): float => $standing->probability * $standing->quiet(), $ranking->standings));
        self::assertGreaterThan(0.3, $quiet, 'nearly half of what trips comes and goes');
    }

    /**
     * @param list<Evidence> $evidence
     *
     * @return array<string, float> hypothesis => log of its likelihood, the prior taken off
     */
    private static function logs(array $evidence): array
    {
        $logs = [];
        foreach (self::ranked($evidence)->standings as $standing) {
            $logs[$standing->hypothesis->id] = $standing->log - log($standing->hypothesis->prior);
        }

        return $logs;
    }

    /** @param list<Evidence> $evidence */
    private static function ranked(array $evidence): Ranking
    {
        return Ranker::rank(self::space(), $evidence);
    }

    /** @return non-empty-list<Hypothesis> */
    private static function space(): array
    {
        static $space = null;

        return $space ??= HypothesisSpace::of(self::$house, Houses::rates(), new Story(['residual-trip']));
    }

    /**
     * @param list<string> $tests
     * @param list<string> $repaired
     *
     * @return list<Evidence>
     */
    private static function evidence(?Change $truth, array $tests, Exposure $exposure, string $prefix = 'a', array $repaired = []): array
    {
        $plans = TestCatalogue::plans(self::$house);
        $evidence = [];
        foreach ($tests as $at => $test) {
            $measurement = $plans[$test]->measurement;
            $shown = (new Bench(self::$house, $measurement->state, $measurement->instrument, $measurement->connection))->read($truth);
            $evidence[] = new Evidence(\sprintf('%s%03d', $prefix, $at), $measurement, ReadingParser::parse(ReadingFormat::displayed($shown, $measurement->instrument), $measurement->instrument), static fn (): PredictionTable => Predictor::table(self::$house, $measurement, self::space()), $test, $exposure, repaired: $repaired);
        }

        return $evidence;
    }
}
