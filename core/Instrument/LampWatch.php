<?php

declare(strict_types=1);

namespace YellowProbe\Instrument;

use YellowProbe\Installation\Excitation;
use YellowProbe\Installation\Supply;
use YellowProbe\Network\PortNetwork;

/** A lamp in its holder as a witness: dark, dim or lit, by the share of the nominal voltage across it. */
final readonly class LampWatch extends OneLevel
{
    private const DIM_FROM = 0.35;
    private const LIT_FROM = 0.8;

    public function __construct()
    {
        parent::__construct('lamp', 'The lamp itself', 'Dark can be the lamp: try one that works. Electronic lamps light on a third of the voltage and glow on less.', Excitation::mains(), ['dark', 'dim', 'lit'], [self::DIM_FROM, self::LIT_FROM], 0.04);
    }

    public function leads(): array
    {
        return ['holder L', 'holder N'];
    }

    public function apply(PortNetwork $ports, array $leads, Supply $supply): Shown
    {
        [$y, $j] = $ports->norton($leads[0]);

        return Shown::levels([0.0 === $y->modulus() ? 0.0 : $j->over($y)->modulus() / $supply->nominalVolts]);
    }
}
