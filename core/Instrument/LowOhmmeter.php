<?php

declare(strict_types=1);

namespace YellowProbe\Instrument;

/** The low-resistance ohmmeter, leads nulled: at least 0.2 A DC up to 2 Ω, less above. */
final class LowOhmmeter extends DirectOhmmeter
{
    public function slug(): string
    {
        return 'low-ohm';
    }

    public function words(): string
    {
        return 'Low ohms';
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
