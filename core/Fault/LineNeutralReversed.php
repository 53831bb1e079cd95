<?php

declare(strict_types=1);

namespace YellowProbe\Fault;

/** The outlet’s N contact is at line potential; a switch in the appliance opens its neutral. */
final readonly class LineNeutralReversed extends ContactsExchanged
{
    public function __construct()
    {
        parent::__construct('line-neutral-reversed', 'Line and neutral reversed', 'L', 'N');
    }
}
