<?php

declare(strict_types=1);

namespace YellowProbe\Procedure;

/**
 * Safe isolation of a board, step by step. A step is taken in order or skipped with a reason; dead is proved by these
 * acts at a place, and never computed.
 */
enum Isolation: string
{
    case Warn = 'warn';
    case Sources = 'sources';
    case Reference = 'reference';
    case Loads = 'loads';
    case Off = 'off';
    case Lock = 'lock';
    case TesterBefore = 'tester-before';
    case Dead = 'dead';
    case TesterAfter = 'tester-after';

    public function words(): string
    {
        return match ($this) {
            self::Warn => 'Warn the people here',
            self::Sources => 'Find every other source',
            self::Reference => 'Read L–N, L–E and N–E live at the point of work',
            self::Loads => 'Loads off',
            self::Off => 'Circuits off, then the main switch off',
            self::Lock => 'Lock off, keep the key, hang the sign',
            self::TesterBefore => 'Prove the indicator on a proving unit or a known live source',
            self::Dead => 'No voltage: L–N, L–E, N–E, and to E and N on every other conductor in the box',
            self::TesterAfter => 'Prove the indicator again on the same source',
        };
    }

    /** What can go wrong at this step; shown where it is ticked. */
    public function caution(): string
    {
        return match ($this) {
            self::Warn => 'Ask first about medical equipment, a stair lift, freezer, alarm, computers.',
            self::Sources => 'Solar, battery, generator, vehicle, second supply, changeover: each isolated, locked and proved on its own, AC and DC. Opening the main can start a back-up within seconds.',
            self::Reference => 'Without this reference no voltage later proves nothing: with neutral and cpc both open all three pairs read 0 V.',
            self::Loads => 'No inrush when the supply comes back.',
            self::Off => 'The supply side of the main switch stays live: shroud it.',
            self::Lock => 'The key stays in your pocket.',
            self::TesterBefore => 'Use an indicator, not a non-contact detector.',
            self::Dead => 'Any step lit is a voltage. A continuity sound is not one.',
            self::TesterAfter => 'Any later switching, linking or reset ends the proof.',
        };
    }

    public function position(): int
    {
        return (int) array_search($this, self::cases(), true);
    }
}
