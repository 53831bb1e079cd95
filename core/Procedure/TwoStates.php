<?php

declare(strict_types=1);

namespace YellowProbe\Procedure;

use YellowProbe\Installation\House;
use YellowProbe\Installation\Part;
use YellowProbe\Installation\Protection;
use YellowProbe\Installation\State;
use YellowProbe\Installation\StateChange;
use YellowProbe\Instrument\Measurement;
use YellowProbe\Words\Message;

/**
 * One reading in two states, first as the house rests and then as a test of the catalogue asks for: the difference is the
 * evidence (handbook, section 10).
 */
final class TwoStates
{
    public const PREFIX = 'two-states:';

    private const FIRST = ':rest';
    private const THEN = ':then';

    /** More changes than this are no pair that a person keeps in mind. */
    private const MOST = 4;

    /** @return array<string, Series> by id */
    public static function all(House $house): array
    {
        $pairs = [];
        $resting = State::resting($house);
        foreach ([...TestCatalogue::plans($house), ...self::breakersOff($house, $resting)] as $plan) {
            $pair = self::pair($house, $resting, $plan);
            if (null !== $pair) {
                $pairs[$pair->id] = $pair;
            }
        }

        return $pairs;
    }

    /**
     * A test of the catalogue by its id, or one of the two readings of a pair.
     *
     * @throws \OutOfBoundsException when the house has no such test
     */
    public static function plan(House $house, string $id): TestPlan
    {
        $base = preg_replace('/('.self::FIRST.'|'.self::THEN.')$/', '', $id);
        if (null === $base || $base === $id) {
            return TestCatalogue::plan($house, $id);
        }
        $resting = State::resting($house);
        $breakers = array_column(array_map(static fn (TestPlan $plan): array => ['id' => $plan->id, 'plan' => $plan], self::breakersOff($house, $resting)), 'plan', 'id');
        foreach (self::pair($house, $resting, $breakers[$base] ?? TestCatalogue::plan($house, $base))->plans ?? [] as $plan) {
            if ($plan->id === $id) {
                return $plan;
            }
        }
        throw new \OutOfBoundsException("There is no pair of states \"$id\" in this house.");
    }

    /** @return Series|null null where the state of the test is no pair that a person keeps in mind */
    private static function pair(House $house, State $resting, TestPlan $plan): ?Series
    {
        $instrument = $plan->measurement->instrument;
        $changes = $resting->changesTo($plan->measurement->state);
        // As the house rests it is live: no tester for dead conductors.
        if ([] === $changes || \count($changes) > self::MOST || !self::isSwitching($changes) || $instrument->deadOnly()) {
            return null;
        }
        $measurement = new Measurement($resting, $instrument, $plan->measurement->connection);
        $words = implode(', ', array_map(static fn (StateChange $change): string => $change->words($house), $changes));
        $first = new TestPlan($plan->id.self::FIRST, $plan->procedure, "{$plan->words}: first as the house rests", $measurement, $plan->minutes);
        $second = new TestPlan($plan->id.self::THEN, $plan->procedure, "{$plan->words}: $words", $plan->measurement, $plan->minutes);

        return Series::pair(self::PREFIX.$plan->id, new Message('run.two-states', ['test' => TestName::of($house, $plan->measurement)]), $first, $second);
    }

    /**
     * At each residual device, with one breaker behind it off.
     *
     * @return list<TestPlan>
     */
    private static function breakersOff(House $house, State $resting): array
    {
        $plans = [];
        foreach (TestCatalogue::plans($house) as $plan) {
            $device = explode(':', $plan->id)[1];
            foreach ('residual-clamp' === $plan->procedure->slug() && isset($house->parts[$device]) ? States::circuits($house) : [] as $circuit) {
                $isBehind = \in_array($device, array_map(static fn (Part $each): string => $each->id, Protection::residualDevices($house, $circuit)), true);
                if ($isBehind && $house->circuits[$circuit]->way !== $device) {
                    $off = $resting->after(States::deviceOff($house, $circuit));
                    $plans[] = new TestPlan("$plan->id:$circuit", $plan->procedure, $plan->words, new Measurement($off, $plan->measurement->instrument, $plan->measurement->connection), $plan->minutes);
                }
            }
        }

        return $plans;
    }

    /**
     * Whether only switches and loads differ: what needs a conductor parted or a link is not read in both states.
     *
     * @param list<StateChange> $changes
     */
    private static function isSwitching(array $changes): bool
    {
        return [] === array_filter($changes, static fn (StateChange $change): bool => !\in_array($change->operation, ['set', 'load'], true));
    }
}
