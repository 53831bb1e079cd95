<?php

declare(strict_types=1);

namespace YellowProbe\Procedure;

final readonly class PolarityLive extends SocketPairs
{
    public function __construct()
    {
        parent::__construct('voltmeter-high-z', [['L', 'N'], ['L', 'E'], ['N', 'E']], 'Volts', 0.7);
    }

    public function slug(): string
    {
        return 'polarity-live';
    }

    public function words(): string
    {
        return 'Live polarity';
    }

    public function hazard(): string
    {
        return 'Live: fused leads, finger guards, one hand where you can.';
    }

    public function cannotShow(): string
    {
        return 'Neutral and earth exchanged, or an earth taken from the neutral. 0 V between L and N does not prove dead.';
    }
}
