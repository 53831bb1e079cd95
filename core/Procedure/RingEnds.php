<?php

declare(strict_types=1);

namespace YellowProbe\Procedure;

use YellowProbe\Installation\House;
use YellowProbe\Installation\Ring;
use YellowProbe\Instrument\Connection;

final readonly class RingEnds extends RingTest
{
    public function __construct()
    {
        parent::__construct('ring-ends');
    }

    protected function ofRing(House $house, Ring $ring, array $ends): array
    {
        $plans = [];
        foreach (['L' => 'line', 'N' => 'neutral', 'E' => 'cpc'] as $key => $words) {
            $plans[] = $this->plan("$ring->circuit:$key", "End to end, $words of {$house->circuits[$ring->circuit]->name}, both legs lifted", $this->parted($house, $ring, $ends), 'low-ohm', Connection::leads($ends["{$key}1"], $ends["{$key}2"]), 1.0);
        }

        return $plans;
    }
}
