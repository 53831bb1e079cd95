<?php

declare(strict_types=1);

namespace YellowProbe\Installation\Part;

use YellowProbe\Installation\Part;

/** A residual device for a group of circuits; "ratedMilliamps" and "type" belong to it. */
final class ResidualDevice extends TwoPoleDevice
{
    private const CORE_OHMS = 0.05;

    public function slug(): string
    {
        return 'residual-device';
    }

    public function build(Part $part, PartContext $context): void
    {
        $this->poles($part, $context, 0.001, true, self::CORE_OHMS);
    }
}
