<?php

declare(strict_types=1);

namespace YellowProbe\Diagnosis;

/** How a reading sits with an expectation: within two standard deviations, within three, or beyond. */
enum Fit: string
{
    case Fits = 'fits';
    case Unsure = 'unsure';
    case Off = 'off';
}
