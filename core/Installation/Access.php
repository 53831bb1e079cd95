<?php

declare(strict_types=1);

namespace YellowProbe\Installation;

/** How a probe reaches a terminal. */
enum Access: string
{
    case Front = 'front';
    case CoverOff = 'cover-off';
    case Never = 'never';
}
