<?php

declare(strict_types=1);

namespace YellowProbe\Procedure;

use YellowProbe\Installation\House;
use YellowProbe\Installation\Ring;
use YellowProbe\Installation\StateChange;

final readonly class RingCrossLe extends RingTest
{
    public function __construct()
    {
        parent::__construct('ring-cross-le');
    }

    protected function ofRing(House $house, Ring $ring, array $ends): array
    {
        return $this->atOutlets($house, $ring, $this->parted($house, $ring, $ends, new StateChange('link', $ends['L1'], $ends['E2']), new StateChange('link', $ends['L2'], $ends['E1'])), 'E', 'Cross-joined, line to cpc');
    }
}
