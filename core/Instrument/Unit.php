<?php

declare(strict_types=1);

namespace YellowProbe\Instrument;

/** What an instrument's number counts. Values travel in the base unit: V, Ω, A. */
enum Unit: string
{
    case Volt = 'V';
    case Ohm = 'Ω';
    case Ampere = 'A';
    /** Not a number: which of three lamps are lit. */
    case Pattern = 'lamps';
}
