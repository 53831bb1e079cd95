<?php

declare(strict_types=1);

namespace YellowProbe\Diagnosis;

use YellowProbe\Fault\Change;
use YellowProbe\Installation\Factors;
use YellowProbe\Installation\House;
use YellowProbe\Instrument\Bench;
use YellowProbe\Instrument\DeviceWatch;
use YellowProbe\Instrument\Shown;

/**
 * What is watched, and how far that goes up and down with what is uncertain about the house: the current of a fault between
 * neutral and earth is half again as much or little with what others put on the neutral, and so a device that held says little
 * against it.
 */
final class Wavering
{
    private const FACTORS = ['leakage', 'load', Factors::OUTSIDE, 'supply'];

    /** A level so far from what opens a device is brought there by none of them: three deviations of the widest. */
    private const FAR = 5.0;

    /** @var list<Bench>|null with each factor a deviation off, once one is asked for */
    private ?array $benches = null;

    public function __construct(private readonly House $house, private readonly DeviceWatch $device, private readonly Bench $base)
    {
    }

    /** The level that a device sees under a fault (none: the house as surveyed), with the deviation of its logarithm. */
    public function read(?Change $fault = null): Shown
    {
        $level = $this->base->read($fault)->levels[0];
        if ($level < 1.0 / self::FAR || $level > self::FAR) {
            return $this->device->level($level);
        }
        $square = 0.0;
        foreach ($this->benches() as $bench) {
            $square += log(max($bench->read($fault)->levels[0], $level / self::FAR) / $level) ** 2;
        }

        return $this->device->level($level, sqrt($square));
    }

    /** @return list<Bench> */
    private function benches(): array
    {
        if (null === $this->benches) {
            $this->benches = [];
            foreach (array_intersect_key(Factors::spreads($this->house), array_flip(self::FACTORS)) as $factor => $spread) {
                $this->benches[] = $this->base->off(new Factors([$factor => $spread]));
            }
        }

        return $this->benches;
    }
}
