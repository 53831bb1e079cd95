<?php

declare(strict_types=1);

namespace YellowProbe\Installation\Part;

use YellowProbe\Installation\Access;
use YellowProbe\Installation\Part;
use YellowProbe\Installation\Role;

/**
 * Breaker and residual device in one; some open the neutral ("switchesNeutral"), some leave it solid, some have a
 * functional earth ("functionalEarth": terminal FE). With "electronics" an insulation tester reads them across its
 * outgoing terminals.
 */
final class Rcbo extends TwoPoleDevice
{
    private const CORE_OHMS = 0.25;
    private const ELECTRONICS_VOLTS = 60.0;
    private const ELECTRONICS_OHMS = 200e3;
    private const FUNCTIONAL_EARTH_OHMS = 300e3;

    public function slug(): string
    {
        return 'rcbo';
    }

    public function terminals(Part $part): array
    {
        return parent::terminals($part) + ($part->attributes->flag('functionalEarth', false) ? ['FE' => [Role::Earth, Access::CoverOff]] : []);
    }

    public function build(Part $part, PartContext $context): void
    {
        $this->poles($part, $context, Breaker::ohms($part) + 0.003, $part->attributes->flag('switchesNeutral', true), self::CORE_OHMS);
        if ($part->attributes->flag('electronics', false)) {
            $context->threshold($part, 'Lout', 'Nout', self::ELECTRONICS_VOLTS, self::ELECTRONICS_OHMS);
        }
        if ($part->attributes->flag('functionalEarth', false)) {
            $context->contact($part, 'FE', 'Nin', 'FE', self::FUNCTIONAL_EARTH_OHMS);
        }
    }
}
