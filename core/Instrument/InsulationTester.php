<?php

declare(strict_types=1);

namespace YellowProbe\Instrument;

/** The insulation tester at 250, 500 or 1000 V DC. Arresters and electronics conduct at 500 V and not at 250. */
final class InsulationTester extends DirectOhmmeter
{
    private function __construct(string $slug, string $words, float $volts)
    {
        parent::__construct($slug, $words, 'Over range may be an open lead; surge parts, filters, lamps and device electronics read as damp; it settles within 10–60 s on long cable.', $volts, 1e-3);
    }

    public static function at500(): self
    {
        return new self('insulation-tester', 'Insulation', 500.0);
    }

    public static function at250(): self
    {
        return new self('insulation-tester-250', 'Insulation at 250 V', 250.0);
    }

    /** For new cable without anything on it; parts for 230 V do not stand it. */
    public static function at1000(): self
    {
        return new self('insulation-tester-1000', 'Insulation at 1000 V', 1000.0);
    }

    public function scale(): Scale
    {
        return new Scale([[9.99e6, 0.01e6], [99.9e6, 0.1e6], [999e6, 1e6]]);
    }

    public function accuracy(): Accuracy
    {
        return new Accuracy(0.03, 2.0);
    }
}
