<?php

declare(strict_types=1);

namespace YellowProbe\Diagnosis;

use YellowProbe\Instrument\ShownKind;

/** The stretch of the display that a reading stands for, in units of the display, and what of it may be a blunder. */
final readonly class Cell
{
    /** A cell narrower than this many deviations is as good as a point: its error is a twenty-fourth of the square. */
    private const NARROW = 0.1;
    private const ROOT_TWO_PI = 2.5066282746310002;

    public float $low;
    public float $high;

    /** Probability of what was read, as a blunder. */
    public float $slip;

    /** Chance that it is none. */
    public float $honest;

    /** A number moves the factors; what lies beyond the range is only moved by them. */
    public bool $isNumber;

    /** Lamps, sounds and no reading are no places on the line: what the factors do does not matter to them. */
    public bool $isPlain;

    public float $middle;

    /** The middle on the line. */
    public float $place;

    /** Variance that the width of the cell adds on the line. */
    public float $variance;

    public function __construct(Evidence $piece)
    {
        $kind = $piece->reading->kind;
        $this->isNumber = ShownKind::Value === $kind && $piece->display->isLine();
        $this->isPlain = ShownKind::Nothing === $kind || !$piece->display->isLine();
        [$low, $high] = $piece->display->isLine() && ShownKind::Nothing !== $kind ? $piece->display->cell($piece->reading) : [0.0, 0.0];
        [$this->low, $this->high] = [sinh($low), sinh($high)];
        $this->slip = $piece->blunder * $piece->display->broad($piece->reading);
        $this->honest = 1.0 - $piece->blunder;
        $this->middle = 0.5 * (is_finite($this->low) ? $this->low + $this->high : $this->high);
        $this->place = asinh($this->middle);
        $width = is_finite($this->low) ? $this->high - $this->low : $this->high;
        $this->variance = $this->isNumber ? $width ** 2 / 12.0 / (1.0 + $this->middle ** 2) : 0.0;
    }

    /**
     * How a reading draws on the factors that put its row at z: its weight, by the chance that it is no blunder, and how far
     * it lies from there on the line.
     *
     * @return array{float, float}
     */
    public function weighed(float $z, float $variance): array
    {
        $shown = sinh($z);
        $slope = sqrt(1.0 + $shown * $shown);
        $scale = $slope * sqrt($variance);
        $width = ($this->high - $this->low) / $scale;
        $far = ($this->middle - $shown) / $scale;
        $own = $this->honest * ($width < self::NARROW ? $width * exp(-0.5 * $far * $far) / self::ROOT_TWO_PI : Normal::between(($this->low - $shown) / $scale, ($this->high - $shown) / $scale));

        return [$own / ($own + $this->slip) / $variance, ($this->middle - $shown) / $slope];
    }

    /** Log-probability of what was read when the row lies at z. */
    public function log(float $z, float $sigma): float
    {
        return log($this->honest * Noise::ofTester($this->low, $this->high, $z, $sigma) + $this->slip);
    }

    /** Log-probability of what was read when the factors have moved a row of that deviation right there. */
    public function followed(float $sigma): float
    {
        return $this->log($this->place, $sigma);
    }
}
