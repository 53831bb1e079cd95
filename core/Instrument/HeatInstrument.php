<?php

declare(strict_types=1);

namespace YellowProbe\Instrument;

/** A tester that sees what joints and contacts turn into heat: its level is the watts of the hottest of them. */
interface HeatInstrument extends PatternInstrument
{
}
