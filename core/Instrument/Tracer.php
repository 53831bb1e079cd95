<?php

declare(strict_types=1);

namespace YellowProbe\Instrument;

use YellowProbe\Installation\Excitation;
use YellowProbe\Installation\Supply;
use YellowProbe\Network\PortNetwork;

/** A transmitter on one conductor and a receiver at another: whether the signal gets there. */
final readonly class Tracer extends OneLevel
{
    private const HERTZ = 8000.0;
    private const SOURCE_OHMS = 1000.0;

    public function __construct()
    {
        parent::__construct('tracer', 'Tracer', 'The signal couples to neighbours in the same cable or duct.', Excitation::tester(self::HERTZ), ['none', 'signal'], [0.3], 0.05);
    }

    public function leads(): array
    {
        return ['receiver', 'transmitter', 'ground'];
    }

    public function apply(PortNetwork $ports, array $leads, Supply $supply): Shown
    {
        $ports = clone $ports;
        $ports->join($leads[1], $leads[2], 1.0 / self::SOURCE_OHMS);
        $ports->inject($leads[1], 1.0 / self::SOURCE_OHMS);
        $volts = $ports->volts();
        $sent = $volts[$leads[1]] ?? null;
        $heard = $volts[$leads[0]] ?? null;

        // The share of what the transmitter sends that is there at the receiver.
        return Shown::levels([null === $sent || null === $heard || 0.0 === $sent->modulus() ? 0.0 : $heard->over($sent)->modulus()]);
    }
}
