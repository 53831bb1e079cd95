<?php

declare(strict_types=1);

namespace YellowProbe\Fault;

/** Neutral touches earth beyond the device: it trips by load anywhere, also with its own breaker off. */
final readonly class NeutralEarthFault extends PointContact
{
    public function __construct()
    {
        parent::__construct('neutral-earth-fault', 'Neutral touches earth', 'N', 'E', [0.03, 0.1, 0.3, 1.0, 3.0, 10.0, 30.0, 100.0, 300.0, 1e3, 3e3, 1e4, 3e4, 1e5]);
    }
}
