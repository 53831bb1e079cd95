<?php

declare(strict_types=1);

namespace YellowProbe\Installation\Part;

use YellowProbe\Installation\Part;

/** A main switch that opens line and neutral. */
final class MainSwitch extends TwoPoleDevice
{
    public function slug(): string
    {
        return 'main-switch';
    }

    public function build(Part $part, PartContext $context): void
    {
        $this->poles($part, $context, 0.0004);
    }
}
