<?php

declare(strict_types=1);

namespace YellowProbe\Rules;

/** Good, in doubt, or bad; always shown with a word and a shape, never by colour alone. */
enum Verdict: string
{
    case Good = 'good';
    case Doubt = 'doubt';
    case Bad = 'bad';
}
