<?php

declare(strict_types=1);

namespace YellowProbe\Procedure;

use YellowProbe\Installation\House;
use YellowProbe\Installation\State;
use YellowProbe\Instrument\Connection;

final readonly class LeakageLog extends EnteredTest
{
    public function __construct()
    {
        parent::__construct('leakage-log');
    }

    public function plans(House $house): array
    {
        return array_map(fn ($device): TestPlan => $this->plan($device->id, "Logger around line and neutral of $device->name over some hours", State::resting($house), 'clamp-logger', Connection::around("+$device->id/L", "+$device->id/N")), $house->partsOfKind('residual-device', 'rcbo'));
    }
}
