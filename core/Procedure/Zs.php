<?php

declare(strict_types=1);

namespace YellowProbe\Procedure;

final readonly class Zs extends PointPairs
{
    public function __construct()
    {
        parent::__construct('zs', 'loop-2-wire', [['L', 'E'], ['L', 'N']], 'Loop');
    }
}
