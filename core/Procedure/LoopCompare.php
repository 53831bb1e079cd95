<?php

declare(strict_types=1);

namespace YellowProbe\Procedure;

use YellowProbe\Installation\House;
use YellowProbe\Installation\Part\Outlets;
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
        foreach (Outlets::all($house) as [$part, $outlet]) {
            $plans[] = $this->plan("$part->id.$outlet", "No-trip loop at $part->name", States::outletOn($house, $part, $outlet), 'loop-3-wire', Connection::leads($part->terminal("$outlet-L"), $part->terminal("$outlet-N"), $part->terminal("$outlet-E")));
        }

        return $plans;
    }
}
