<?php

declare(strict_types=1);

namespace YellowProbe\Instrument;

/** What an instrument's number counts. Values travel in the base unit: V, Ω, A, s, F. */
enum Unit: string
{
    case Volt = 'V';
    case Ohm = 'Ω';
    case Ampere = 'A';
    case Second = 's';
    case Farad = 'F';
    /** Not a number: lamps lit, a step, a sound. */
    case Pattern = 'lamps';
}
