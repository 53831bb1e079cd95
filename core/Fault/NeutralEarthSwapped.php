<?php

declare(strict_types=1);

namespace YellowProbe\Fault;

/** Any load returns through the cpc: the residual device trips, and lamps and volts show nothing wrong. */
final readonly class NeutralEarthSwapped extends ContactsExchanged
{
    public function __construct()
    {
        parent::__construct('neutral-earth-swapped', 'Neutral and earth exchanged', 'N', 'E');
    }
}
