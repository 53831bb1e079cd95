<?php

declare(strict_types=1);

namespace YellowProbe\Procedure;

use YellowProbe\Installation\House;
use YellowProbe\Installation\Ring;
use YellowProbe\Installation\StateChange;

final readonly class RingOrder extends RingTest
{
    public function __construct()
    {
        parent::__construct('ring-order');
    }

    protected function ofRing(House $house, Ring $ring, array $ends): array
    {
        return $this->atOutlets($house, $ring, $this->parted($house, $ring, $ends, new StateChange('link', $ends['L1'], $ends['E1'])), 'E', 'One leg joined, line to cpc');
    }
}
