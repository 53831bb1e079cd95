<?php

declare(strict_types=1);

namespace YellowProbe\Safety;

use YellowProbe\Installation\StateChange;

/** One thing that was changed for the time being. */
final readonly class Temporary
{
    public const LINK = 'link';
    public const CONDUCTOR = 'conductor';
    public const DEVICE = 'device';
    /** Loads, lamps and wall switches. */
    public const LOAD = 'load';
    public const KINDS = [self::LINK, self::CONDUCTOR, self::DEVICE, self::LOAD];

    /**
     * @param StateChange $done   from the house at rest
     * @param string      $kind   one of KINDS
     * @param bool        $isOpen whether it may be put back now, before any other
     */
    public function __construct(public StateChange $done, public string $kind, public bool $isOpen)
    {
    }
}
