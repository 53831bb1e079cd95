<?php

declare(strict_types=1);

namespace YellowProbe\Safety;

use YellowProbe\Installation\House;
use YellowProbe\Installation\Part;
use YellowProbe\Installation\Protection;
use YellowProbe\Installation\State;
use YellowProbe\Procedure\States;

/** The levers of a house's boards and outlets: mains, residual devices, breakers, outlets with a device in them. */
final class Levers
{
    /** Kinds that a person opens and closes by a lever or a button, and that may open by themselves. */
    private const KINDS = ['main-switch', 'changeover', 'residual-device', 'rcbo', 'breaker', 'two-pole-breaker', 'residual-outlet'];

    /** Kinds that open by themselves. */
    private const TRIPPING = ['residual-device', 'rcbo', 'breaker', 'two-pole-breaker', 'residual-outlet'];

    /** Kinds that open on overcurrent alone. */
    private const OVERCURRENT = ['breaker', 'two-pole-breaker'];

    /** @return list<Part> from the supply to the circuits */
    public static function all(House $house): array
    {
        $levers = [];
        foreach ($house->partsOfKind(...self::KINDS) as $part) {
            $levers[$part->id] = $part;
        }
        $order = [];
        foreach (States::circuits($house) as $circuit) {
            foreach (array_reverse(Protection::devices($house, $circuit)) as $device) {
                $order[$device->id] = true;
            }
        }

        $sorted = [];
        foreach ([...array_keys($order), ...array_keys($levers)] as $id) {
            if (isset($levers[$id])) {
                $sorted[$id] = $levers[$id];
            }
        }

        return array_values($sorted);
    }

    public static function isLever(House $house, string $part): bool
    {
        return \in_array($house->parts[$part]->kind ?? '', self::KINDS, true);
    }

    /** Whether it can open by itself. */
    public static function trips(Part $part): bool
    {
        return \in_array($part->kind, self::TRIPPING, true);
    }

    /**
     * Whether a device can have done what was told of it: what sees no residual current opens on no residual current.
     *
     * @param string $symptom such as residual-trip or overcurrent-trip
     */
    public static function canShow(Part $part, string $symptom): bool
    {
        return match ($symptom) {
            'residual-trip' => Protection::isResidual($part),
            'overcurrent-trip' => \in_array($part->kind, [...self::OVERCURRENT, 'rcbo'], true),
            default => self::trips($part),
        };
    }

    /** @return list<string> circuits that are fed through a lever, by id */
    public static function behind(House $house, string $lever): array
    {
        return array_values(array_filter(States::circuits($house), static fn (string $circuit): bool => \in_array($lever, array_map(static fn (Part $device): string => $device->id, Protection::devices($house, $circuit)), true)));
    }

    /** @return list<string> circuits that have no lever open before them, by id */
    public static function supplied(House $house, State $state): array
    {
        return array_values(array_filter(States::circuits($house), static fn (string $circuit): bool => [] === array_filter(Protection::devices($house, $circuit), static fn (Part $device): bool => 'off' === $state->position($device->id, 'on'))));
    }
}
