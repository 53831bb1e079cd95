<?php

declare(strict_types=1);

namespace YellowProbe\Instrument;

use YellowProbe\Installation\Excitation;

/** What testers with two leads on live conductors share. */
abstract readonly class LiveTwoLead implements Instrument
{
    public function leads(): array
    {
        return ['A', 'B'];
    }

    public function deadOnly(): bool
    {
        return false;
    }

    public function excitation(): Excitation
    {
        return Excitation::mains();
    }
}
