<?php

declare(strict_types=1);

namespace App\Call;

use App\Api\View\TerminalView;
use YellowProbe\Installation\Access;
use YellowProbe\Installation\BoardEnds;
use YellowProbe\Installation\House;
use YellowProbe\Installation\HouseNetwork;
use YellowProbe\Installation\Labels;
use YellowProbe\Installation\Part;
use YellowProbe\Installation\Role;
use YellowProbe\Installation\State;

/**
 * Where a lead can be put: terminals, the ends of conductors that are lifted, and the conductor's side of joints that are
 * not, where volts across a joint are read.
 */
final class Terminals
{
    private const LIFTED = 'lifted';
    private const CONDUCTOR = 'conductor';

    /** @return list<TerminalView> what all circuits share, the wires of the boards among it */
    public static function ofOrigin(House $house, State $state): array
    {
        $terminals = [HouseNetwork::GROUND => new TerminalView(HouseNetwork::GROUND, 'spike', 'E', Access::Front->value, 'Ground spike')];
        foreach ($house->partsOfKind('service', 'main-switch', 'two-pole-breaker', 'residual-device', 'bar', 'electrode', 'metalwork') as $part) {
            foreach ($house->terminals as $terminal) {
                // Of a bar one terminal is enough to stand for all of it.
                if ($terminal->part === $part->id && ('bar' !== $part->kind || 't1' === $terminal->key)) {
                    $terminals[$terminal->id] = new TerminalView($terminal->id, $terminal->key, $terminal->role->value, $terminal->access->value, 'bar' === $part->kind ? $part->name : Labels::terminal($house, $terminal->id));
                }
            }
        }
        foreach ($house->cables as $cable) {
            foreach (null === $cable->circuit ? $cable->cores : [] as $core) {
                foreach ([1, 2] as $end) {
                    $terminals += self::landing($house, $state, $core->joint($end));
                }
            }
        }

        return array_values($terminals);
    }

    /** @return list<TerminalView> of a circuit at its board: the line first */
    public static function ofWay(House $house, State $state, string $circuit): array
    {
        $line = BoardEnds::lineAtBoard($house, $circuit);
        $terminals = [$line => self::view($house, $line)];
        foreach (array_map(strval(...), array_keys($state->lifted)) as $joint) {
            [$core] = $house->joint($joint) ?? [null];
            if (null !== $core && $house->cables[$core->cable]->circuit === $circuit) {
                $terminals += self::landing($house, $state, $joint);
            }
        }
        foreach (['N' => [BoardEnds::neutralAtBoard($house, $circuit), 'neutral'], 'E' => [BoardEnds::earthAtBoard($house, $circuit), 'earth']] as $role => [$terminal, $words]) {
            if (null !== $terminal) {
                $terminals[$terminal] ??= new TerminalView($terminal, $role, $role, Access::CoverOff->value, "{$house->circuits[$circuit]->name} · $words at the board");
            }
        }
        foreach (Role::cases() as $role) {
            foreach (BoardEnds::joints($house, $circuit, $role->value) as $joint) {
                $terminals += self::landing($house, $state, $joint);
            }
        }

        return array_values($terminals);
    }

    /** @return list<TerminalView> of a point, and of the conductors that land on it */
    public static function ofPoint(House $house, State $state, Part $part): array
    {
        $terminals = $joints = [];
        foreach ($house->terminals as $terminal) {
            if ($terminal->part === $part->id) {
                $terminals[$terminal->id] = self::view($house, $terminal->id);
                array_push($joints, ...BoardEnds::landedOn($house, $terminal->id));
            }
        }
        foreach ($joints as $joint) {
            $terminals += $state->isLifted($joint) ? [] : self::landing($house, $state, $joint);
        }

        return array_values($terminals);
    }

    /** @return array<string, TerminalView> the conductor's side of a joint, or its loose end, and the terminal that it lands on */
    private static function landing(House $house, State $state, string $joint): array
    {
        [$core, $end] = $house->joint($joint) ?? throw new \LogicException("There is no joint $joint.");
        $terminal = $core->ends[$end - 1];
        if (null === $terminal) {
            return [];
        }

        $name = Labels::joint($house, $joint);
        $view = $state->isLifted($joint)
            ? new TerminalView($joint, $core->role->value, $core->role->value, self::LIFTED, ucfirst("$name, lifted"))
            : new TerminalView($joint, "{$core->role->value} to ".Labels::beyond($house, $core, $end), $core->role->value, self::CONDUCTOR, "$name, on the conductor");

        return [$joint => $view, $terminal => self::view($house, $terminal)];
    }

    private static function view(House $house, string $id): TerminalView
    {
        $terminal = $house->terminals[$id];

        return new TerminalView($id, $terminal->key, $terminal->role->value, $terminal->access->value, Labels::terminal($house, $id));
    }
}
