<?php

declare(strict_types=1);

namespace YellowProbe\Fault;

/** How a protective device differs from a sound one of its kind. */
final readonly class DeviceBehaviour
{
    /**
     * @param float $threshold of its trip current, times a sound device's; INF never trips
     * @param float $time      to open, times a sound device's
     * @param bool  $button    whether its test button works
     */
    public function __construct(public float $threshold = 1.0, public float $time = 1.0, public bool $button = true)
    {
    }
}
