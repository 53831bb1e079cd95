<?php

declare(strict_types=1);

namespace YellowProbe\Instrument;

use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;

/**
 * One specimen of a tester, with a gain error of its own and digits that wander: what stands in for a real one where
 * readings have to be made (demonstration, training). Same seed, same readings.
 */
final class Specimen
{
    private readonly Randomizer $random;
    private readonly float $gain;

    public function __construct(private readonly Instrument $instrument, int $seed)
    {
        $this->random = new Randomizer(new Xoshiro256StarStar($seed));
        $this->gain = exp($instrument->accuracy()->gainSpread() * $this->normal());
    }

    /** What its display says, as a person would type it. */
    public function display(Shown $ideal): string
    {
        if (ShownKind::Value !== $ideal->kind) {
            return ReadingFormat::displayed($ideal, $this->instrument);
        }
        $value = $ideal->value * $this->gain + $this->instrument->accuracy()->repeatability($this->instrument->scale(), $ideal) * $this->normal();
        $top = $this->instrument->scale()->top();

        return ReadingFormat::displayed($value > $top ? Shown::over($value) : Shown::value(max(0.0, $value)), $this->instrument);
    }

    /** Box and Muller. */
    private function normal(): float
    {
        $u = $this->random->getInt(1, 1 << 53) / (1 << 53);
        $v = $this->random->getInt(0, (1 << 53) - 1) / (1 << 53);

        return sqrt(-2.0 * log($u)) * cos(2.0 * \M_PI * $v);
    }
}
