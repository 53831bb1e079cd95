<?php

declare(strict_types=1);

namespace App\Call;

/** Why a proof of dead no longer stands. */
enum Lapse: string
{
    /** Something was closed, linked, refitted or reset that can make its terminals live. */
    case Energised = 'energised';
    /** A lock of its isolation came off. */
    case Unlocked = 'unlocked';
    /** Whoever isolated went away, and not every point of isolation was locked. */
    case Left = 'left';
    /** Nobody wrote anything for longer than the firm allows, and not every point of isolation was locked. */
    case Gap = 'gap';
    /** It was made on a device that did not know what somebody else had switched. */
    case Meanwhile = 'meanwhile';
    /** A voltage was found there since. */
    case Voltage = 'voltage';
}
