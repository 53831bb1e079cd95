<?php

declare(strict_types=1);

namespace YellowProbe\Diagnosis;

use YellowProbe\Instrument\Instrument;
use YellowProbe\Instrument\PatternInstrument;
use YellowProbe\Instrument\Reading;
use YellowProbe\Instrument\Shown;
use YellowProbe\Instrument\ShownKind;

/**
 * The display of an instrument as a line on which outcomes are cells: z = arsinh(v/c), with c the smallest error.
 *
 * Near zero z is linear, far from it logarithmic, so one spread serves milliohms and gigohms; over range is all that
 * lies beyond the top.
 */
final readonly class Display
{
    private const FARTHEST = 1e15;

    /** "No supply", where there is none; and among all readings. */
    private const NOTHING = 0.98;
    private const NO_SUPPLY = 0.05;

    public float $unit;

    public float $top;

    public function __construct(public Instrument $instrument)
    {
        $accuracy = $instrument->accuracy();
        $scale = $instrument->scale();
        $this->unit = max($accuracy->digits * $scale->finest(), $accuracy->offset, $scale->finest());
        $this->top = $this->z($scale->top());
    }

    /** Whether outcomes are places on the line; lamps and sounds are not. */
    public function isLine(): bool
    {
        return !$this->instrument instanceof PatternInstrument;
    }

    public function z(float $value): float
    {
        return asinh(min($value, self::FARTHEST) / $this->unit);
    }

    /** Slope of z in the logarithm of the value. */
    public function slope(float $value): float
    {
        $value = min($value, self::FARTHEST);

        return $value / hypot($value, $this->unit);
    }

    /** dz for a small change of the value. */
    public function spread(float $value, float $delta): float
    {
        return $delta / hypot(min($value, self::FARTHEST), $this->unit);
    }

    /** Deviation on the line of the tester's own noise about what it shows; nothing beyond its range. */
    public function noise(Shown $shown): float
    {
        return $this->spread($shown->value, is_finite($shown->value) ? $this->instrument->accuracy()->repeatability($this->instrument->scale(), $shown) : 0.0);
    }

    /** @return array{float, float} the cell of a numeric reading, over range up to infinity */
    public function cell(Reading $reading): array
    {
        if (ShownKind::Over === $reading->kind) {
            return [$this->z($reading->value), \INF];
        }
        // The display's own step, or coarser if fewer decimals were typed.
        $half = max($reading->resolution, $this->instrument->scale()->resolution($reading->value)) / 2.0;

        return [$reading->value <= $half ? -\INF : $this->z($reading->value - $half), $this->z($reading->value + $half)];
    }

    /**
     * Probability of an outcome for somebody who knows nothing of the house: what "something else" and a blunder show.
     *
     * A twentieth of all readings find no supply, a fifth are over range, the rest lie anywhere on the display.
     */
    public function broad(Reading $reading): float
    {
        if ($this->instrument instanceof PatternInstrument) {
            return 1.0 / \count($this->instrument->patterns());
        }
        if (ShownKind::Nothing === $reading->kind) {
            return self::NO_SUPPLY;
        }
        if (ShownKind::Over === $reading->kind) {
            return 0.20;
        }
        [$low, $high] = $this->cell($reading);

        return 0.75 * ($high - max(0.0, $low)) / $this->top;
    }

    /** Probability of a pattern or of "no supply" where no number is involved; null for numbers. */
    public function plainProbability(Shown $shown, Reading $reading): ?float
    {
        if ($this->instrument instanceof PatternInstrument) {
            return $this->instrument->probability($shown, $reading->pattern);
        }
        if (ShownKind::Nothing === $reading->kind) {
            return ShownKind::Nothing === $shown->kind ? self::NOTHING : 0.01;
        }
        if (ShownKind::Nothing === $shown->kind) {
            // A number where none can be had is no likelier than any other.
            return (1.0 - self::NOTHING) * $this->broad($reading) / (1.0 - self::NO_SUPPLY);
        }

        return null;
    }
}
