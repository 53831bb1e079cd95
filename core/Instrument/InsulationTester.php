<?php

declare(strict_types=1);

namespace YellowProbe\Instrument;

/** The insulation tester at 250 or 500 V DC. Nothing in this slice of the model conducts by voltage, so both read alike. */
final class InsulationTester extends DirectOhmmeter
{
    public function slug(): string
    {
        return 'insulation-tester';
    }

    public function words(): string
    {
        return 'Insulation';
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
