<?php

declare(strict_types=1);

namespace YellowProbe\Fault;

/** Neutral touches earth beyond the device: it trips by load anywhere, also with its own breaker off. */
final readonly class NeutralEarthFault extends PointContact
{
    public function __construct()
    {
        parent::__construct('neutral-earth-fault', 'Neutral touches earth', 'N', 'E', [0.01, 0.3, 2.0, 20.0, 300.0, 5e3, 1e5]);
    }
}
