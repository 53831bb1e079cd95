<?php

declare(strict_types=1);

namespace YellowProbe\Procedure;

use YellowProbe\Installation\House;
use YellowProbe\Installation\Part;
use YellowProbe\Installation\State;
use YellowProbe\Installation\StateChange;

/**
 * Minutes of a test from the state the house is in now: switching, isolating, lifting, getting at it, what it costs the
 * people of the house, the test, and what it adds to what has to be put back in the end.
 *
 * What is owed counts when it is incurred: a test in the state that stands already costs itself, a test that brings the
 * house back gets that paid. Over a visit the prices add up to all minutes, the last restoring included.
 */
final class Price
{
    /** Isolate the whole board, lock, prove; and bring it back (typical values, T6). */
    private const ISOLATE_BOARD = 8.0;
    private const RESTORE_BOARD = 6.0;
    private const BREAKER = 0.5;
    private const LIFT_OR_REFIT = 1.5;
    private const LINK = 1.0;
    private const LOAD = 0.7;
    private const WALL_SWITCH = 0.3;

    private readonly State $resting;

    /** @var array<string, true> devices whose opening isolates the board, whatever their kind */
    private readonly array $mains;

    /** @var \WeakMap<State, float> minutes from a state to the resting one */
    private \WeakMap $owed;

    public function __construct(private readonly House $house)
    {
        $this->resting = State::resting($house);
        $this->mains = array_fill_keys(array_map(static fn (Part $main): string => $main->id, States::mains($house)), true);
        $this->owed = new \WeakMap();
    }

    public function minutes(State $now, TestPlan $plan, Opened $opened): float
    {
        $then = $plan->measurement->state;
        $moved = $now === $then ? 0.0 : $this->between($now, $then) + $this->owed($then) - $this->owed($now);

        return $plan->minutes + max(0.0, $moved) + Access::minutes($this->house, $plan->measurement, $opened) + Occupants::minutes($this->house, $now, $plan);
    }

    /** Minutes to put everything back as the house rests. */
    public function owed(State $state): float
    {
        return $this->owed[$state] ??= $this->between($state, $this->resting);
    }

    private function between(State $from, State $to): float
    {
        $minutes = 0.0;
        foreach ($from->changesTo($to) as $change) {
            $minutes += $this->change($change);
        }

        return $minutes;
    }

    private function change(StateChange $change): float
    {
        return match ($change->operation) {
            'lift', 'refit' => self::LIFT_OR_REFIT,
            'link', 'unlink' => self::LINK,
            'load' => self::LOAD,
            default => match (true) {
                isset($this->mains[$change->subject]) => 'off' === $change->value ? self::ISOLATE_BOARD : self::RESTORE_BOARD,
                'switch' === ($this->house->parts[$change->subject]->kind ?? '') => self::WALL_SWITCH,
                default => self::BREAKER,
            },
        };
    }
}
