<?php

declare(strict_types=1);

namespace YellowProbe\Procedure;

use YellowProbe\Installation\Access;
use YellowProbe\Installation\House;
use YellowProbe\Installation\HouseNetwork;
use YellowProbe\Installation\State;
use YellowProbe\Installation\StateChange;

/** Minutes to do a test from the state the house is in now: switching, isolating, lifting, opening, testing. */
final class Price
{
    /** Isolate the whole board, lock, prove; and bring it back. */
    private const ISOLATE_BOARD = 8.0;
    private const RESTORE_BOARD = 6.0;
    private const BREAKER = 0.5;
    private const LIFT_OR_REFIT = 1.5;
    private const LINK = 1.0;
    private const LOAD = 0.7;
    private const WALL_SWITCH = 0.3;

    /** Board cover off with proving, socket or fitting opened and closed. */
    private const BOARD_COVER = 6.0;
    private const OPEN_POINT = 8.0;

    public static function minutes(House $house, State $now, TestPlan $plan, bool $boardOpen = false): float
    {
        $minutes = $plan->minutes;
        foreach ($now->changesTo($plan->measurement->state) as $change) {
            $minutes += self::change($house, $change);
        }
        $points = [];
        foreach ($plan->measurement->connection->terminals as $terminal) {
            if (HouseNetwork::GROUND !== $terminal && null === $house->joint($terminal) && !self::inBoard($house, $terminal) && Access::Front !== $house->terminals[$terminal]->access) {
                $points[$house->partOf($terminal)->place] = true;
            }
        }
        $board = self::needsBoard($house, $plan);

        return $minutes + ($board && !$boardOpen ? self::BOARD_COVER : 0.0) + self::OPEN_POINT * \count($points);
    }

    /** Whether the board's cover has to be off: terminals in it, a jaw, a link or a conductor lifted. */
    public static function needsBoard(House $house, TestPlan $plan): bool
    {
        $measurement = $plan->measurement;
        foreach ($measurement->connection->terminals as $terminal) {
            if (HouseNetwork::GROUND !== $terminal && (null !== $house->joint($terminal) || self::inBoard($house, $terminal))) {
                return true;
            }
        }

        return [] !== $measurement->connection->around || [] !== $measurement->state->links || [] !== $measurement->state->lifted;
    }

    private static function inBoard(House $house, string $terminal): bool
    {
        return 'board' === $house->places[$house->partOf($terminal)->place]->kind;
    }

    private static function change(House $house, StateChange $change): float
    {
        return match ($change->operation) {
            'lift', 'refit' => self::LIFT_OR_REFIT,
            'link', 'unlink' => self::LINK,
            'load' => self::LOAD,
            default => match ($house->parts[$change->subject]->kind ?? '') {
                'main-switch' => 'off' === $change->value ? self::ISOLATE_BOARD : self::RESTORE_BOARD,
                'switch' => self::WALL_SWITCH,
                default => self::BREAKER,
            },
        };
    }
}
