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

    public function position(): int
    {
        return (int) array_search($this, self::cases(), true);
    }
}
