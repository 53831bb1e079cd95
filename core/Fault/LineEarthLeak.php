<?php

declare(strict_types=1);

namespace YellowProbe\Fault;

/** Moisture, a nail, a chewed cable: resistive leakage without any load; it trips as its breaker closes. */
final readonly class LineEarthLeak extends PointContact
{
    public function __construct()
    {
        parent::__construct('line-earth-leak', 'Line leaks to earth', 'L', 'E', [0.03, 0.2, 1.0, 6.0, 100.0, 300.0, 1e3, 3e3, 1e4, 3e4, 1e5, 3e5, 1e6]);
    }
}
