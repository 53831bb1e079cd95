<?php

declare(strict_types=1);

namespace YellowProbe\Installation\Part;

use YellowProbe\Installation\Access;
use YellowProbe\Installation\Part;
use YellowProbe\Installation\Ratings;
use YellowProbe\Installation\Role;

/** A single-pole breaker, overload and short-circuit only; "ratedAmperes" and "curve" belong to it. */
final class Breaker implements PartKind
{
    /** Ω of a sound breaker by rated current, A */
    private const OHMS = [6 => 0.05, 10 => 0.018, 16 => 0.009, 20 => 0.007, 32 => 0.0035, 40 => 0.0025];

    public function slug(): string
    {
        return 'breaker';
    }

    public function terminals(Part $part): array
    {
        return ['in' => [Role::Line, Access::CoverOff], 'out' => [Role::Line, Access::CoverOff]];
    }

    public function build(Part $part, PartContext $context): void
    {
        if ($context->isClosed($part)) {
            $context->contact($part, 'L', 'in', 'out', self::ohms($part));
        }
    }

    public static function ohms(Part $part): float
    {
        return self::OHMS[(int) Ratings::amperes($part)] ?? 0.005;
    }
}
