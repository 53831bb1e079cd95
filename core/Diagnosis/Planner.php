<?php

declare(strict_types=1);

namespace YellowProbe\Diagnosis;

use YellowProbe\Fault\Condition;
use YellowProbe\Installation\House;
use YellowProbe\Installation\State;
use YellowProbe\Instrument\Measurement;
use YellowProbe\Procedure\Opened;
use YellowProbe\Procedure\Practice;
use YellowProbe\Procedure\Price;
use YellowProbe\Procedure\TestCatalogue;
use YellowProbe\Procedure\TestPlan;

/** The tests worth most per minute, from what is known and the state that the house is in now. */
final class Planner
{
    private const LEAST_BITS = 0.01;

    /** Of what the best test tells, so that one that tells next to nothing still is one to be proposed. */
    private const OF_MOST = 0.25;

    /** Kinds of which more tests are weighed, and how many. */
    private const MORE_KINDS = 4;
    private const MORE = 24;
    /** How likely a reading has to be a slip to be asked for once more. */
    private const DOUBTED = 0.5;

    /** Tests that are weighed at first where each has to be worked out for it. */
    public const SKETCHED = 60;

    /** @var array<string, TestPlan> */
    private readonly array $plans;

    private readonly Price $price;

    /** @var array<string, list<string>> test => circuits it is on */
    private array $circuitsOf = [];

    /** @var array<string, string> test => hash of its measurement */
    private array $hashes = [];

    /**
     * @param \Closure(Measurement, non-empty-list<Hypothesis>): PredictionTable $tables what a test would show, sketched or kept
     * @param Practice|null                                                   $practice  how this person works; anything goes when left out
     * @param int                                                             $mostTests that are weighed at first, of each kind in turn; then some more of the kinds that tell most
     */
    public function __construct(private readonly House $house, private readonly \Closure $tables, ?Practice $practice = null, private readonly int $mostTests = 300)
    {
        $practice ??= Practice::any();
        $this->plans = array_filter(TestCatalogue::plans($house), static fn (TestPlan $plan): bool => $practice->allows($house, $plan));
        $this->price = new Price($house);
    }

    /** With every table worked out when it is asked for, of fewer tests therefore. */
    public static function sketching(House $house, ?Practice $practice = null): self
    {
        return new self($house, static fn (Measurement $measurement, array $hypotheses): PredictionTable => Predictor::sketch($house, $measurement, $hypotheses), $practice, self::SKETCHED);
    }

    /**
     * What any test would tell now, in bits: planned here, or a person's own.
     *
     * @param list<Condition> $forced what is done meanwhile to bring out what comes and goes
     */
    public static function worth(House $house, Ranking $ranking, Measurement $measurement, array $forced = []): float
    {
        $standings = Mattering::of($ranking);
        $by = (new Exposure(0, $forced))->in($measurement->state)->conditions;
        $beliefs = Beliefs::of($standings, $by);

        return Forecast::of($beliefs, Predictor::sketch($house, $measurement, Mattering::compared($standings))->after($ranking->repaired), new Display($measurement->instrument), [] !== $by, $ranking->spread, disturbed: Unnamed::disturbs($beliefs->unnamed, $measurement->circuits($house)))->bits($beliefs);
    }

    /** @return list<Candidate> best first */
    public function next(Ranking $ranking, State $now, ?Opened $opened = null): array
    {
        $opened ??= Opened::none();
        $standings = Mattering::of($ranking);
        $beliefs = Beliefs::of($standings);
        $hypotheses = Mattering::compared($standings);
        $plans = $forecasts = $minutes = $bits = $told = [];
        $read = self::again($ranking);
        $circuits = Mattering::circuits($this->house, $standings);
        $holding = new Holding($this->house, $ranking, $beliefs, $circuits, fn (Measurement $watched): PredictionTable => ($this->tables)($watched, $hypotheses)->after($ranking->repaired));
        $weigh = function (array $candidates) use (&$plans, &$forecasts, &$minutes, &$bits, &$told, $ranking, $beliefs, $hypotheses, $read, $holding): void {
            /** @var list<array{TestPlan, float}> $candidates */
            foreach ($candidates as [$plan, $price]) {
                $forecast = Forecast::of($beliefs, ($this->tables)($plan->measurement, $hypotheses)->after($ranking->repaired), new Display($plan->measurement->instrument), $plan->measurement->state->isLoaded(), $ranking->spread, $read[$this->hashes[$plan->id]] ?? null, Unnamed::disturbs($beliefs->unnamed, $this->circuitsOf[$plan->id]), $holding->found($plan));
                $own = $forecast->bits($beliefs);
                $told[$plan->procedure->slug()] = max($told[$plan->procedure->slug()] ?? 0.0, $own);
                if ($own > self::LEAST_BITS) {
                    [$plans[], $forecasts[], $minutes[], $bits[]] = [$plan, $forecast, $price, $own];
                }
            }
        };
        [$again, $possible] = $this->possible($ranking, $standings, $circuits, $holding, $now, $opened);
        $first = InTurn::of($possible, $this->mostTests);
        $weigh([...$again, ...$first]);
        // Of the kinds that tell most there may be better ones: where a circuit is parted decides what that is worth.
        $weigh(self::alike($possible, $first, $told));
        $ahead = Lookahead::of($beliefs, Loss::of($beliefs), $forecasts, $minutes, $bits, fn (int $one, int $other): float => $this->price->minutes($plans[$one]->measurement->state, $plans[$other], $opened->after($this->house, $plans[$one])));
        $scored = [];
        foreach ($plans as $at => $plan) {
            $scored[] = new Candidate($plan, $bits[$at], $minutes[$at], $ahead->rates[$at], $ahead->saves[$at]);
        }
        // What leaves nearly everything as open as it is, is no next test, however quick, where another tells much more.
        $open = $beliefs->openBits();
        $most = max([0.0, ...$bits]);
        $scored = array_values(array_filter($scored, static fn (Candidate $candidate): bool => $candidate->bits > self::OF_MOST * $most || Worth::Nothing !== Worth::among($candidate->bits, $open)));
        usort($scored, static fn (Candidate $a, Candidate $b): int => [$b->rate, $a->plan->id] <=> [$a->rate, $b->plan->id]);

        return $scored;
    }

    /**
     * Tests that come off, as far as one knows, not done yet in that state or done with a reading that may be a slip, of the circuits that a cause worth asking about is on.
     *
     * @param list<Standing>       $standings
     * @param array<string, float> $circuits  circuit => how likely the cause is on it
     *
     * @return array{list<array{TestPlan, float}>, list<array{TestPlan, float}>} with their minutes: those done before, and the others, first what is cheap for how likely a cause is where it looks
     */
    private function possible(Ranking $ranking, array $standings, array $circuits, Holding $holding, State $now, Opened $opened): array
    {
        $likely = static fn (array $own): float => [] === $own ? 1.0 : array_sum(array_intersect_key($circuits, array_flip($own)));
        $evenness = new Evenness($standings);
        $veto = new Veto($this->house, $standings);
        $read = array_fill_keys(array_map(static fn (Evidence $piece): string => $piece->measurement->hash(), $ranking->evidence), true);
        $done = array_fill_keys(self::done($ranking), true);
        $again = $possible = $dear = [];
        foreach ($this->plans as $planned) {
            $plan = $holding->standing($planned);
            if (null === $plan || !$veto->allows($plan)) {
                continue;
            }
            $id = $plan->id;
            $hash = $this->hashes[$id] ??= $plan->measurement->hash();
            $own = $this->circuitsOf[$id] ??= $plan->measurement->circuits($this->house);
            if (isset($done[$hash])) {
                continue;
            }
            // What may be a slip, or was read before a repair, is weighed whatever else is.
            if (isset($read[$hash])) {
                $again[] = [$plan, $this->price->minutes($now, $plan, $opened)];
            } elseif ($likely($own) > 0.0) {
                $price = $this->price->minutes($now, $plan, $opened);
                $possible[] = [$plan, $price];
                $dear[$id] = $price / ($likely($own) * $evenness->of($plan));
            }
        }
        usort($possible, static fn (array $a, array $b): int => [$dear[$a[0]->id], $a[0]->id] <=> [$dear[$b[0]->id], $b[0]->id]);

        return [$again, $possible];
    }

    /** @return array<string, array{Row, float}> what was read, by the hash of the measurement, and how likely that is what has no name, if that is the cause */
    private static function again(Ranking $ranking): array
    {
        $again = [];
        foreach ($ranking->standings as $standing) {
            foreach (Hypothesis::ELSE === $standing->hypothesis->id ? $ranking->evidence : [] as $at => $piece) {
                $row = Repeated::row($piece);
                if (null !== $row && $piece->repaired === $ranking->repaired) {
                    $again[$piece->measurement->hash()] ??= [$row, min(1.0, Unnamed::TOUCHED * $piece->display->broad($piece->reading) / exp($standing->each[$at]))];
                }
            }
        }

        return $again;
    }

    /**
     * What need not be read again: not what was read before a repair, nor what was read once and is likelier a slip than not.
     *
     * @return list<string> hashes of the measurements
     */
    private static function done(Ranking $ranking): array
    {
        $done = $once = [];
        foreach ($ranking->evidence as $at => $piece) {
            if ($piece->repaired === $ranking->repaired) {
                $hash = $piece->measurement->hash();
                if (isset($once[$hash]) || $ranking->doubt($at) < self::DOUBTED) {
                    $done[] = $hash;
                }
                $once[$hash] = true;
            }
        }

        return $done;
    }

    /**
     * Others of the kinds that told most.
     *
     * @param list<array{TestPlan, float}> $possible
     * @param list<array{TestPlan, float}> $weighed
     * @param array<string, float>         $told     kind => the most that one of it tells, in bits
     *
     * @return list<array{TestPlan, float}>
     */
    private static function alike(array $possible, array $weighed, array $told): array
    {
        arsort($told);
        $kinds = \array_slice(array_filter($told, static fn (float $bits): bool => $bits > self::LEAST_BITS), 0, self::MORE_KINDS);
        $done = array_fill_keys(array_map(static fn (array $candidate): string => $candidate[0]->id, $weighed), true);
        $alike = array_filter($possible, static fn (array $candidate): bool => isset($kinds[$candidate[0]->procedure->slug()]) && !isset($done[$candidate[0]->id]));

        return \array_slice(array_values($alike), 0, self::MORE);
    }
}
