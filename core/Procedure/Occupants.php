<?php

declare(strict_types=1);

namespace YellowProbe\Procedure;

use YellowProbe\Installation\House;
use YellowProbe\Installation\Part;
use YellowProbe\Installation\Protection;
use YellowProbe\Installation\State;

/**
 * What a power cut costs the people who live here, in minutes: to ask, to arrange, to look after. An appliance says with
 * "keepOn" what it is to them. The minutes are estimates; handbook, section 14: medical equipment, freezer, alarm and
 * computers come first.
 */
final class Occupants
{
    public const KEEP_ON = ['freezer' => 1.0, 'router' => 2.0, 'aquarium' => 2.0, 'alarm' => 4.0, 'stair-lift' => 5.0, 'medical' => 20.0];

    /** Tests that open the device they are done on. */
    private const OPENING = ['rcd-times', 'rcd-ramp', 'rcd-isolated', 'rcd-test-button'];

    /** Minutes for what has power now and has none during the test. */
    public static function minutes(House $house, State $now, TestPlan $plan): float
    {
        return array_sum(array_map(static fn (Part $appliance): float => self::KEEP_ON[$appliance->attributes->string('keepOn')], self::losing($house, $now, $plan)));
    }

    /** @return list<Part> appliances that should stay on and lose their power, for the caution beside the test */
    public static function losing(House $house, State $now, TestPlan $plan): array
    {
        return array_values(array_filter($house->partsOfKind('appliance'), static fn (Part $appliance): bool => isset(self::KEEP_ON[$appliance->attributes->string('keepOn', '')])
            && self::isSupplied($house, $appliance, $now)
            && (!self::isSupplied($house, $appliance, $plan->measurement->state) || self::isOpened($house, $appliance, $plan))));
    }

    private static function isSupplied(House $house, Part $appliance, State $state): bool
    {
        $circuit = $house->circuitOfPart($appliance->id);
        if (null === $circuit || 'out' === $state->load($appliance->id)) {
            return false;
        }
        foreach (Protection::devices($house, $circuit) as $device) {
            if ('off' === ($state->positions[$device->id] ?? 'on')) {
                return false;
            }
        }

        return true;
    }

    private static function isOpened(House $house, Part $appliance, TestPlan $plan): bool
    {
        $circuit = $house->circuitOfPart($appliance->id);
        if (null === $circuit || !\in_array($plan->procedure->slug(), self::OPENING, true)) {
            return false;
        }
        $own = array_map(static fn (Part $device): string => $device->id, Protection::residualDevices($house, $circuit));
        foreach ($plan->measurement->connection->terminals as $terminal) {
            if ($house->hasTerminal($terminal)) {
                $tested = $house->partOf($terminal)->id;
                $fed = $house->circuitOfPart($tested);
                $devices = null === $fed ? [$tested] : array_map(static fn (Part $device): string => $device->id, Protection::residualDevices($house, $fed));
                if ([] !== array_intersect($own, $devices)) {
                    return true;
                }
            }
        }

        return false;
    }
}
