<?php

declare(strict_types=1);

namespace YellowProbe\Diagnosis;

use YellowProbe\Fault\Condition;
use YellowProbe\Fault\FaultKind;
use YellowProbe\Fault\FaultSite;
use YellowProbe\Installation\House;

/**
 * What ran each time it happened says of where its cause is: what stands in an appliance, or is brought out by what it draws, is
 * there while it runs.
 */
final readonly class Running
{
    /** Of what is plugged in or wired, one in eight runs at any moment; the cause runs whenever it shows. */
    private const RAN = 8.0;

    /** @var array<string, true> appliances that ran, and their circuits */
    private array $own;

    /** @var array<string, true> places where they draw their current */
    private array $places;

    /** @param list<string> $running appliances by their parts; nothing is said when there is none that the house has */
    public function __construct(House $house, array $running)
    {
        $own = $places = [];
        foreach ($running as $part) {
            if (isset($house->parts[$part])) {
                $own[$part] = true;
                $places[$house->parts[$part]->place] = true;
                $own[$house->circuitOfPart($part) ?? $part] = true;
            }
        }
        $this->own = $own;
        $this->places = $places;
    }

    /** By how much a fault is likelier than it was before. */
    public function factor(FaultKind $kind, FaultSite $site): float
    {
        if (isset($this->own[$site->id])) {
            return self::RAN;
        }
        if (\in_array(Condition::Load, $kind->conditions(), true) && [] !== array_intersect_key($this->places, array_flip($site->places))) {
            return self::RAN;
        }
        foreach ($site->things as $thing) {
            if (isset($this->own[explode('.', $thing)[0]])) {
                return self::RAN;
            }
        }

        return 1.0;
    }
}
