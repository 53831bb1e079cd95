<?php

declare(strict_types=1);

namespace YellowProbe\Installation\Part;

use YellowProbe\Installation\Part;

/** Breaker and residual device in one; some open the neutral ("switchesNeutral"), some leave it solid. */
final class Rcbo extends TwoPoleDevice
{
    public function slug(): string
    {
        return 'rcbo';
    }

    public function build(Part $part, PartContext $context): void
    {
        $this->poles($part, $context, Breaker::ohms($part) + 0.003, $part->attributes->flag('switchesNeutral', true));
    }
}
