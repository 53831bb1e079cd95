<?php

declare(strict_types=1);

namespace YellowProbe\Installation\Part;

use YellowProbe\Installation\Excitation;
use YellowProbe\Installation\Factors;
use YellowProbe\Installation\House;
use YellowProbe\Installation\Part;
use YellowProbe\Installation\State;
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
    ) {
    }

    /** A resistance between two terminals of a part, named after it. */
    public function contact(Part $part, string $element, string $from, string $to, float $ohms): void
    {
        $this->network->resistor($part->element($element), $part->terminal($from), $part->terminal($to), $ohms);
    }
}
