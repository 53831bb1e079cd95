<?php

declare(strict_types=1);

namespace YellowProbe\Fault;

use YellowProbe\Installation\Role;

/** Everything beyond is without supply. */
final readonly class OpenLine extends OpenConductor
{
    public function __construct()
    {
        parent::__construct('open-line', 'Open line', 'I', Role::Line, Role::SwitchedLine, Role::Leg1, Role::Leg2);
    }
}
