<?php

declare(strict_types=1);

namespace YellowProbe\Installation;

/** How a fact came to be known. */
enum Knowing: string
{
    case Measured = 'measured';
    case Seen = 'seen';
    case Inferred = 'inferred';
    case Assumed = 'assumed';

    /** Standard deviation of the logarithm of a length known this way. A plan is about 10 % out, a guess 30 %. */
    public function lengthSpread(): float
    {
        return match ($this) {
            self::Measured => 0.03,
            self::Seen => 0.10,
            self::Inferred => 0.15,
            self::Assumed => 0.25,
        };
    }
}
