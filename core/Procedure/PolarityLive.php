<?php

declare(strict_types=1);

namespace YellowProbe\Procedure;

final readonly class PolarityLive extends SocketPairs
{
    public function __construct()
    {
        parent::__construct('polarity-live', 'voltmeter-high-z', [['L', 'N'], ['L', 'E'], ['N', 'E']], 'Volts');
    }
}
