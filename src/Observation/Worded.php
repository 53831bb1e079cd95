<?php

declare(strict_types=1);

namespace App\Observation;

/** An entry that says something in a person's own words; they can be put right beside it. */
interface Worded extends Payload
{
    /** As first written; empty when nothing was. */
    public function words(): string;
}
