<?php

declare(strict_types=1);

namespace YellowProbe\Procedure;

use YellowProbe\Installation\House;
use YellowProbe\Instrument\Connection;

final readonly class LoopCompare extends EnteredTest
{
    public function __construct()
    {
        parent::__construct('loop-compare');
    }

    public function plans(House $house): array
    {
        $plans = [];
        foreach (TestPoint::all($house) as $point) {
            if (isset($point->contacts['L'], $point->contacts['N'], $point->contacts['E'])) {
                $plans[] = $this->plan($point->id, "No-trip loop at {$point->words()}", $point->live, 'loop-3-wire', Connection::leads($point->contacts['L'], $point->contacts['N'], $point->contacts['E']));
            }
        }

        return $plans;
    }
}
