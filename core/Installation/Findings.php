<?php

declare(strict_types=1);

namespace YellowProbe\Installation;

/** What the wiring of a house says against what its survey claims, and what hangs loose in it. */
final class Findings
{
    private const POINTS = ['socket', 'split-outlet', 'residual-outlet', 'light', 'switch', 'intermediate-switch', 'junction'];
    private const LINES = ['L', 'L1', 'L2'];

    /** @return list<Finding> in a fixed order */
    public static function of(House $house): array
    {
        $findings = [];
        foreach (BoardEnds::circuits($house) as $circuit) {
            array_push($findings, ...self::shape($house, $house->circuits[$circuit]), ...self::devices($house, $house->circuits[$circuit]));
        }

        if (!Size::isInteractive($house)) {
            $findings[] = new Finding('/parts', \sprintf('This house has %d points: causes are ranked and tests proposed up to %d. Readings, isolation and the record work as always.', Size::points($house), Size::INTERACTIVE_POINTS));
        }

        return [...$findings, ...self::loose($house)];
    }

    /** @return list<Finding> */
    private static function shape(House $house, Circuit $circuit): array
    {
        $map = LineMap::of($house, $circuit->id);
        $findings = [];
        if ($map['ring'] && 'ring' !== $circuit->claim) {
            $findings[] = new Finding("/circuits/$circuit->id/claim", "$circuit->name is down as $circuit->claim, and its wiring comes back to the board: a loop.");
        }
        if (!$map['ring'] && 'ring' === $circuit->claim) {
            $findings[] = new Finding("/circuits/$circuit->id/claim", "$circuit->name is down as a ring, and its wiring does not come back to the board.");
        }
        foreach ($map['returns'] as $return) {
            // Strappers and switched lines come back to their light; only a cable with a neutral makes a second way round.
            $neutrals = array_filter($house->cables[$return['cable']]->cores, static fn (Core $core): bool => Role::Neutral === $core->role);
            if (null !== $return['to'] && null !== $return['from'] && [] !== $neutrals) {
                $findings[] = new Finding("/cables/{$return['cable']}", \sprintf('A cable joins %s and %s of %s across: two ways round.', $house->parts[$return['from']]->name, $house->parts[$return['to']]->name, $circuit->name));
            }
        }

        return $findings;
    }

    /** @return list<Finding> */
    private static function devices(House $house, Circuit $circuit): array
    {
        $ways = [];
        foreach (self::LINES as $role) {
            foreach (self::landings($house, $circuit, $role) as $part) {
                $ways[$part->id] = $part->name;
            }
        }
        $findings = [];
        if (\count($ways) > 1) {
            $findings[] = new Finding("/circuits/$circuit->id/way", \sprintf('%s is on %s at once: with one of them off it stays live.', $circuit->name, implode(' and ', $ways)));
        }
        $device = Protection::residualDevice($house, $circuit->id);
        foreach (self::landings($house, $circuit, 'N') as $landed) {
            $other = self::neutralDevice($house, $landed);
            if (($device->id ?? '') !== ($other->id ?? '')) {
                $findings[] = new Finding("/circuits/$circuit->id", \sprintf('The line of %s passes %s, its neutral %s: every load of it unbalances them.', $circuit->name, $device->name ?? 'no residual device', $other->name ?? 'none'));
                break;
            }
        }

        return $findings;
    }

    /** @return list<Part> what the cores of a role land on in a board */
    private static function landings(House $house, Circuit $circuit, string $role): array
    {
        $parts = [];
        foreach (BoardEnds::joints($house, $circuit->id, $role) as $joint) {
            [$core, $end] = $house->joint($joint) ?? throw new \LogicException("There is no joint $joint.");
            $part = $house->partOf((string) $core->ends[$end - 1]);
            // A board that this circuit feeds is its load, and the residual device in it no device of its own.
            if (!str_ends_with((string) $core->ends[$end - 1], 'in')) {
                $parts[$part->id] = $part;
            }
        }

        return array_values($parts);
    }

    /** The residual device that a neutral passes from where it is landed: that device, or the nearest behind a bar. */
    private static function neutralDevice(House $house, Part $landed): ?Part
    {
        $seen = [];
        for ($from = [$landed]; [] !== $from;) {
            $part = array_shift($from);
            if (isset($seen[$part->id])) {
                continue;
            }
            $seen[$part->id] = true;
            if (Protection::isResidual($part)) {
                return $part;
            }
            foreach ('bar' === $part->kind ? $house->terminals : [] as $id => $terminal) {
                foreach ($terminal->part === $part->id ? $house->wiring->landedOn($id) : [] as [$core, $end]) {
                    $other = $core->ends[2 - $end];
                    if (null !== $other && null === $house->cables[$core->cable]->circuit && str_ends_with($other, 'Nout')) {
                        $from[] = $house->partOf($other);
                    }
                }
            }
        }

        return null;
    }

    /** @return list<Finding> */
    private static function loose(House $house): array
    {
        $findings = [];
        $cables = $house->cables;
        ksort($cables);
        foreach ($cables as $cable) {
            foreach ($cable->cores as $core) {
                foreach ([1, 2] as $end) {
                    if (null === $core->ends[$end - 1]) {
                        $findings[] = new Finding("/cables/$cable->id/cores/$core->key/ends/".($end - 1), \sprintf('%s lands nowhere: capped, or not found yet.', ucfirst(Labels::joint($house, $core->joint($end)))));
                    }
                }
            }
        }
        foreach ($house->partsOfKind(...self::POINTS) as $part) {
            $landed = array_filter($house->terminals, static fn (Terminal $terminal): bool => $terminal->part === $part->id && [] !== $house->wiring->landedOn($terminal->id));
            if ([] === $landed) {
                $findings[] = new Finding("/parts/$part->id", "No cable comes to $part->name yet.");
            }
        }

        return $findings;
    }
}
