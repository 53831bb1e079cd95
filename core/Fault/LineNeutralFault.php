<?php

declare(strict_types=1);

namespace YellowProbe\Fault;

/** A short or a low resistance between line and neutral: overcurrent, and no residual current. */
final readonly class LineNeutralFault extends PointContact
{
    public function __construct()
    {
        parent::__construct('line-neutral-fault', 'Line touches neutral', 'L', 'N', [0.01, 0.5, 5.0, 50.0, 500.0, 5e3, 5e4]);
    }
}
