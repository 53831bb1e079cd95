<?php

declare(strict_types=1);

namespace YellowProbe\Fault;

/** The earth contact and every metal case plugged in stand at line potential. */
final readonly class LineEarthSwapped extends ContactsExchanged
{
    public function __construct()
    {
        parent::__construct('line-earth-swapped', 'Line and earth exchanged', 'L', 'E', 'D');
    }
}
