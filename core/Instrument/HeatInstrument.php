<?php

declare(strict_types=1);

namespace YellowProbe\Instrument;

/** A tester that sees what conductors turn into heat: its level is the watts beyond those of a sound joint. */
interface HeatInstrument extends PatternInstrument
{
}
