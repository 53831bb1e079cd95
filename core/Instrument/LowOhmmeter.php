<?php

declare(strict_types=1);

namespace YellowProbe\Instrument;

/** The low-resistance ohmmeter, leads nulled: at least 0.2 A DC up to 2 Ω, less above. */
final class LowOhmmeter extends DirectOhmmeter
{
    public function __construct()
    {
        parent::__construct('low-ohm', 'Low ohms', 'A load left in, a joint that holds at 0.2 A and fails at 20 A, leads not nulled; tens of ohms are never a long cable.', 4.0, 0.2);
    }

    public function scale(): Scale
    {
        return new Scale([[19.99, 0.01], [199.9, 0.1], [1999.0, 1.0]]);
    }

    public function accuracy(): Accuracy
    {
        // 2 % + 2 digits, a lead null of 0.03 Ω and a probe contact of 0.02 Ω
        return new Accuracy(0.02, 2.0, 0.036);
    }
}
