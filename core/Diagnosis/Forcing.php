<?php

declare(strict_types=1);

namespace YellowProbe\Diagnosis;

use YellowProbe\Fault\Condition;
use YellowProbe\Installation\House;
use YellowProbe\Installation\State;
use YellowProbe\Instrument\Measurement;
use YellowProbe\Instrument\ResidualTester;
use YellowProbe\Procedure\Access;
use YellowProbe\Procedure\Opened;
use YellowProbe\Procedure\Practice;
use YellowProbe\Procedure\Price;
use YellowProbe\Procedure\TestCatalogue;
use YellowProbe\Procedure\TestPlan;

/**
 * A test while something is done that brings out what comes and goes: tapped, wetted, warmed. A load needs none of this, since a
 * heater is part of a test. What was read before is read again: it was another stretch of time.
 */
final readonly class Forcing
{
    /** What is done, the caution that goes with it, and its minutes (estimates; warm for ten: handbook, section 7). */
    private const WAYS = [
        Condition::Vibration->value => ['tap the points of its circuit and move cables and plugs with an insulated tool', 'Covers stay on: nothing is undone or touched by hand while it is live.', 1.0],
        Condition::Rain->value => ['wet what is outdoors from outside, as rain would', 'Water only on what is closed and made for it, hands and testers dry, nobody near it while it is live.', 5.0],
        Condition::Heat->value => ['let it carry its usual load until it is warm', 'Stay with it. No flame and no hot air on cables.', 10.0],
    ];

    /** How likely what it brings out has to be, and what the test has to tell, altogether and a minute. */
    private const LEAST_SHARE = 0.1;
    private const LEAST_BITS = 0.01;
    private const LEAST_BITS_PER_MINUTE = 0.002;

    /** Tests that are weighed for each: many, since it may be the last point of a circuit where something shows. */
    private const MOST_TESTS = 120;

    /**
     * @param float $bits    what it tells about what has to be repaired while that is done
     * @param float $minutes of the test with its price, and of what is done
     */
    public function __construct(public Condition $by, public TestPlan $plan, public float $bits, public float $minutes)
    {
    }

    public function words(): string
    {
        return self::way($this->by)[0];
    }

    public function caution(): string
    {
        return self::way($this->by)[1];
    }

    /**
     * The test that tells most a minute for each way of bringing something out that is worth it.
     *
     * @param \Closure(Measurement, non-empty-list<Hypothesis>): PredictionTable $tables
     *
     * @return list<self> best first
     */
    public static function best(House $house, Ranking $ranking, State $now, Opened $opened, Practice $practice, \Closure $tables): array
    {
        $standings = Mattering::of($ranking);
        $hypotheses = Mattering::compared($standings);
        $holding = new Holding($house, $ranking, Beliefs::of($standings), Mattering::circuits($house, $standings), static fn (Measurement $watched): PredictionTable => $tables($watched, $hypotheses)->after($ranking->repaired));
        $price = new Price($house);
        $priced = [];
        foreach (TestCatalogue::plans($house) as $plan) {
            // What a device will not let stand is not brought out either.
            if ($practice->allows($house, $plan) && $holding->standing($plan) === $plan) {
                $priced[] = [$plan, $price->minutes($now, $plan, $opened)];
            }
        }
        $found = [];
        foreach (array_keys(self::WAYS) as $way) {
            $by = Condition::from($way);
            $brought = array_values(array_filter($standings, static fn (Standing $standing): bool => !$standing->hypothesis->isRepaired && \in_array($by, $standing->hypothesis->conditions(), true)));
            if (array_sum(array_map(static fn (Standing $standing): float => $standing->probability * $standing->quiet(), $brought)) < self::LEAST_SHARE) {
                continue;
            }
            $beliefs = Beliefs::of($standings, [$by]);
            $forcings = [];
            foreach (InTurn::of(self::candidates($house, $by, $brought, $priced), self::MOST_TESTS) as [$plan, $minutes]) {
                $bits = Forecast::of($beliefs, $tables($plan->measurement, $hypotheses)->after($ranking->repaired), new Display($plan->measurement->instrument), true, $ranking->spread, disturbed: Unnamed::disturbs($beliefs->unnamed, $plan->measurement->circuits($house)))->bits($beliefs);
                if ($bits >= self::LEAST_BITS && $bits >= self::LEAST_BITS_PER_MINUTE * $minutes) {
                    $forcings[] = new self($by, $plan, $bits, $minutes);
                }
            }
            usort($forcings, self::byRate(...));
            array_push($found, ...\array_slice($forcings, 0, 1));
        }
        usort($found, self::byRate(...));

        return $found;
    }

    /**
     * @param list<Standing>               $brought
     * @param list<array{TestPlan, float}> $priced  minutes of the test alone
     *
     * @return list<array{TestPlan, float}> with what is done, on the circuits of what it brings out, the cheap and near ones first
     */
    private static function candidates(House $house, Condition $by, array $brought, array $priced): array
    {
        $circuits = Mattering::circuits($house, $brought);
        $near = self::near($house, $brought);
        $candidates = $dear = [];
        foreach ($priced as [$plan, $price]) {
            $likely = array_sum(array_intersect_key($circuits, array_flip($plan->measurement->circuits($house))));
            if ($likely > 0.0 && self::suits($by, $house, $plan)) {
                $minutes = self::way($by)[2] + $price;
                $candidates[] = [$plan, $minutes];
                $dear[$plan->id] = $minutes / ($likely + array_sum(array_intersect_key($near, array_flip($plan->measurement->connection->terminals))));
            }
        }
        usort($candidates, static fn (array $a, array $b): int => [$dear[$a[0]->id], $a[0]->id] <=> [$dear[$b[0]->id], $b[0]->id]);

        return $candidates;
    }

    /**
     * @param list<Standing> $brought
     *
     * @return array<string, float> terminal => how likely what is brought out is at its place
     */
    private static function near(House $house, array $brought): array
    {
        $places = Mattering::places($brought);
        $near = [];
        foreach ($house->terminals as $id => $_) {
            $near[$id] = $places[$house->partOf($id)->place] ?? 0.0;
        }

        return $near;
    }

    /** @return array{string, string, float} */
    private static function way(Condition $by): array
    {
        return self::WAYS[$by->value] ?? throw new \LogicException("$by->value is not done by hand.");
    }

    /** Whether the fault that is complained of may still only be away. */
    public static function isAsked(StopAdvice $advice): bool
    {
        return \in_array($advice, [StopAdvice::Test, StopAdvice::Open, StopAdvice::Swap, StopAdvice::Leave, StopAdvice::LookAgain], true);
    }

    /**
     * Those that are worth offering: where no test pays any more all of them, before that what tells more a minute than any test does.
     *
     * @param list<self>      $forcings
     * @param list<Candidate> $candidates
     *
     * @return list<self>
     */
    public static function worthwhile(array $forcings, StopAdvice $advice, array $candidates): array
    {
        $most = max([0.0, ...array_map(static fn (Candidate $candidate): float => $candidate->bits / $candidate->minutes, $candidates)]);

        return StopAdvice::Test === $advice ? array_values(array_filter($forcings, static fn (self $forcing): bool => $forcing->bits > $most * $forcing->minutes)) : $forcings;
    }

    private static function byRate(self $one, self $other): int
    {
        return [$other->bits / $other->minutes, $one->plan->id] <=> [$one->bits / $one->minutes, $other->plan->id];
    }

    /** Nobody taps what is open and live, nor makes a device trip meanwhile, and water goes with dead tests or a jaw at the board only. */
    private static function suits(Condition $by, House $house, TestPlan $plan): bool
    {
        $measurement = $plan->measurement;
        $isDry = $measurement->instrument->deadOnly() || [] === $measurement->connection->terminals;

        return !$measurement->instrument instanceof ResidualTester && !$measurement->state->isLoaded() && !Access::opensLive($house, $measurement) && (Condition::Rain !== $by || $isDry);
    }
}
