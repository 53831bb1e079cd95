<?php

declare(strict_types=1);

namespace YellowProbe\Fault;

/** A short or a low resistance between line and neutral: overcurrent, and no residual current. */
final readonly class LineNeutralFault extends PointContact
{
    public function __construct()
    {
        parent::__construct('line-neutral-fault', 'Line touches neutral', 'L', 'N', [0.03, 0.1, 0.3, 1.0, 3.0, 10.0, 30.0, 100.0, 300.0, 1e3, 3e3, 1e4, 5e4]);
    }
}
