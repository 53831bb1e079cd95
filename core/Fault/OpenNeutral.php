<?php

declare(strict_types=1);

namespace YellowProbe\Fault;

use YellowProbe\Installation\Role;

/** Everything beyond has no return: its neutral rises to line potential through whatever is on. In a multiwire branch the volts divide as the loads. */
final readonly class OpenNeutral extends OpenConductor
{
    public function __construct()
    {
        parent::__construct('open-neutral', 'Open neutral', 'P', Role::Neutral);
    }
}
