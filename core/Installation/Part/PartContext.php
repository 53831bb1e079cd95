<?php

declare(strict_types=1);

namespace YellowProbe\Installation\Part;

use YellowProbe\Installation\Excitation;
use YellowProbe\Installation\Factors;
use YellowProbe\Installation\House;
use YellowProbe\Installation\Part;
use YellowProbe\Installation\State;
use YellowProbe\Installation\Supply;
use YellowProbe\Network\NetworkBuilder;

/** What a part needs to know while it is put into a network. */
final readonly class PartContext
{
    public function __construct(
        public NetworkBuilder $network,
        public House $house,
        public State $state,
        public Excitation $excitation,
        public Factors $factors,
        public Supply $supply,
    ) {
    }

    /** A resistance between two terminals of a part, named after it. */
    public function contact(Part $part, string $element, string $from, string $to, float $ohms): void
    {
        $this->network->resistor($part->element($element), $part->terminal($from), $part->terminal($to), $ohms);
    }

    /** Something between two terminals that conducts only above some volts: only a tester's direct current needs it. */
    public function threshold(Part $part, string $from, string $to, float $volts, float $ohms): void
    {
        if (!$this->excitation->isMains() && 0.0 === $this->excitation->hertz) {
            $this->network->threshold($part->terminal($from), $part->terminal($to), $volts, $ohms);
        }
    }

    /** Hot resistance of a load of so many watts at the volts it is made for, Ω; null when it draws nothing. */
    public function loadOhms(Part $part, float $watts): ?float
    {
        $watts *= $this->factors->times('load');

        return $watts > 0.0 ? $part->attributes->positive('ratedVolts', $this->supply->nominalVolts) ** 2 / $watts : null;
    }

    public function isClosed(Part $part): bool
    {
        return \in_array($this->state->position($part->id, 'on'), ['on', '1'], true);
    }
}
