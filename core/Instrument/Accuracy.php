<?php

declare(strict_types=1);

namespace YellowProbe\Instrument;

/**
 * How far a reading may be from the truth: ± (gain·value + digits·resolution + offset) as a 95 % half-width.
 *
 * The gain is one and the same for all readings of a tester; digits and offset are new each time.
 */
final readonly class Accuracy
{
    /**
     * @param float $gain    fraction of the value
     * @param float $digits  digits of the resolution shown
     * @param float $offset  base unit: lead null, probe contact
     * @param float $through fraction of the current in the embraced conductors (clamps)
     */
    public function __construct(public float $gain, public float $digits, public float $offset = 0.0, public float $through = 0.0)
    {
    }

    /** Standard deviation of what is new with each reading, base unit. */
    public function repeatability(Scale $scale, Shown $shown): float
    {
        $digits = $this->digits * $scale->resolution($shown->value);

        return 0.5 * sqrt($digits ** 2 + $this->offset ** 2 + ($this->through * $shown->through) ** 2);
    }

    /** Standard deviation of the tester's gain, as a logarithm. */
    public function gainSpread(): float
    {
        return $this->gain / 2.0;
    }
}
