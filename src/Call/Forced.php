<?php

declare(strict_types=1);

namespace App\Call;

use App\Api\Problem;
use YellowProbe\Fault\Condition;
use YellowProbe\Installation\Attributes;

/** What was done while something was read, to bring out a fault that comes and goes. */
final class Forced
{
    /**
     * @return list<Condition>
     *
     * @throws Problem
     */
    public static function read(Attributes $fields, string $pointer): array
    {
        return array_map(static fn (string $word): Condition => Condition::tryFrom($word) ?? throw Problem::invalid($pointer, 'Expected any of '.implode(', ', array_column(Condition::cases(), 'value')).'.'), $fields->strings('forced'));
    }
}
