<?php

declare(strict_types=1);

namespace YellowProbe\Fault;

use YellowProbe\Installation\Role;

/** Everything beyond has no earth. */
final readonly class OpenCpc extends OpenConductor
{
    public function __construct()
    {
        parent::__construct('open-cpc', 'Open cpc', 'P', Role::Earth);
    }
}
