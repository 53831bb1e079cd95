<?php

declare(strict_types=1);

namespace YellowProbe\Procedure;

use YellowProbe\Installation\House;
use YellowProbe\Installation\Part;
use YellowProbe\Installation\Protection;
use YellowProbe\Installation\State;
use YellowProbe\Installation\StateChange;
use YellowProbe\Instrument\Measurement;

/**
 * One reading in two states, first as the house rests and then as a test of the catalogue asks for: the difference is the
 * evidence (handbook, section 10).
 */
final class TwoStates
{
    public const PREFIX = 'two-states:';

    /** More changes than this are no pair that a person keeps in mind. */
    private const MOST = 4;

    /** @return array<string, Series> by id */
    public static function all(House $house): array
    {
        $pairs = [];
        $resting = State::resting($house);
        foreach ([...TestCatalogue::plans($house), ...self::breakersOff($house, $resting)] as $plan) {
            $instrument = $plan->measurement->instrument;
            $changes = $resting->changesTo($plan->measurement->state);
            // As the house rests it is live: no tester for dead conductors.
            if ([] === $changes || \count($changes) > self::MOST || !self::isSwitching($changes) || $instrument->deadOnly()) {
                continue;
            }
            $measurement = new Measurement($resting, $instrument, $plan->measurement->connection);
            $words = implode(', ', array_map(static fn (StateChange $change): string => $change->words($house), $changes));
            $first = new TestPlan("$plan->id:rest", $plan->procedure, "{$plan->words}: first as the house rests", $measurement, $plan->minutes);
            $second = new TestPlan("$plan->id:then", $plan->procedure, "{$plan->words}: $words", $plan->measurement, $plan->minutes);
            $pairs[self::PREFIX.$plan->id] = Series::pair(self::PREFIX.$plan->id, "In two states: $plan->words", $first, $second);
        }

        return $pairs;
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
                    $plans[] = new TestPlan("$plan->id:$circuit", $plan->procedure, "Clamp around line and neutral of {$house->parts[$device]->name}, {$house->circuits[$circuit]->name} on and off", new Measurement($off, $plan->measurement->instrument, $plan->measurement->connection), $plan->minutes);
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
