<?php

declare(strict_types=1);

namespace YellowProbe\Installation;

/** What a conductor or terminal is for: line, neutral, earth, switched line. L1 and L2 are the legs of a split supply. */
enum Role: string
{
    case Line = 'L';
    case Neutral = 'N';
    case Earth = 'E';
    case SwitchedLine = 'SL';
    case Leg1 = 'L1';
    case Leg2 = 'L2';
}
