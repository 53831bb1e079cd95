<?php

declare(strict_types=1);

namespace YellowProbe\Rules;

use YellowProbe\Installation\Attributes;
use YellowProbe\Installation\House;
use YellowProbe\Instrument\Measurement;
use YellowProbe\Instrument\Reading;

/** A named way to judge a reading; its numbers come from the rule set. */
interface Formula
{
    public function slug(): string;

    /** Null when the formula has nothing to say of this reading, such as a limit that hangs on a breaker where there is none. */
    public function judge(Attributes $parameters, House $house, Measurement $measurement, Reading $reading): ?Outcome;
}
