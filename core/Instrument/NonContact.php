<?php

declare(strict_types=1);

namespace YellowProbe\Instrument;

use YellowProbe\Installation\Excitation;
use YellowProbe\Installation\Supply;
use YellowProbe\Network\PortNetwork;

/**
 * The non-contact detector: a few picofarads to a hand on the ground. It glows near any conductor far enough from the
 * potential of the ground, also one that only floats there; dark is never a proof.
 */
final readonly class NonContact extends OneLevel
{
    private const PICOFARADS = 2.0;
    private const GLOWS_VOLTS = 60.0;

    public function __construct()
    {
        parent::__construct('non-contact', 'Non-contact detector', 'Glows near any live conductor and near a neutral floated up through a load; blind inside steel, to DC, to a loaded neutral. No glow is never proof.', Excitation::mains(), ['dark', 'glows'], [self::GLOWS_VOLTS], 8.0);
    }

    public function leads(): array
    {
        return ['tip', 'hand'];
    }

    public function apply(PortNetwork $ports, array $leads, Supply $supply): Shown
    {
        $ports = clone $ports;
        $ports->join($leads[0], $leads[1], 0.0, 2.0 * \M_PI * $supply->hertz * self::PICOFARADS * 1e-12);
        [$y, $j] = $ports->norton($leads[0]);

        return Shown::levels([$j->over($y)->modulus()]);
    }
}
