<?php

declare(strict_types=1);

namespace YellowProbe\Installation;

/**
 * The few named things a survey is uncertain about together, as logarithms of a multiplier (0 = as surveyed).
 *
 * "length:<circuit>" stretches every cable of a circuit, "supply" the impedances upstream of the main switch, "volts"
 * the supply voltage, "outside" what other customers put on the neutral, "insulation" all insulation of cables, "leakage" filters and leaks of appliances, "load" their
 * power, "device" the trip current of residual devices.
 */
final readonly class Factors
{
    /** What other customers put on the neutral: a source. */
    public const OUTSIDE = 'outside';

    /** Standard deviations of the logarithms for a house surveyed in the ordinary way. */
    public const SPREADS = ['supply' => 0.25, self::OUTSIDE => 0.5, 'volts' => 0.02, 'insulation' => 1.2, 'leakage' => 0.5, 'load' => 0.05, 'device' => 0.09];

    /**
     * One length in ten is not what it was taken for: another route, another cable. Then it is off by a step or two of the
     * size besides, half a unit of its logarithm (a survey fact is wrong in 5 to 20 % of cases).
     */
    public const TAIL = 0.1;
    private const TAIL_LOG = 0.5;

    /** @param array<string, float> $logs */
    public function __construct(private array $logs = [])
    {
    }

    /** The same for factors that are the same. */
    public function key(): string
    {
        return http_build_query($this->logs);
    }

    /** @return array{string, float}|null the factor and its logarithm where there is no more than one */
    public function single(): ?array
    {
        return 1 === \count($this->logs) ? [array_key_first($this->logs), array_sum($this->logs)] : null;
    }

    public function times(string $factor): float
    {
        return exp($this->logs[$factor] ?? 0.0);
    }

    /** How many times its deviation a factor is off by when the survey is wrong; 1 for one that has no such tail. */
    public static function tail(string $factor, float $spread): float
    {
        return $spread > 0.0 && str_starts_with($factor, 'length:') ? hypot(1.0, self::TAIL_LOG / $spread) : 1.0;
    }

    /** Log-density at so many deviations, up to the constant of the standard normal. */
    public static function logDensity(float $deviations, float $tail): float
    {
        return 1.0 === $tail ? -0.5 * $deviations ** 2 : log(self::TAIL / $tail) - 0.5 * ($deviations / $tail) ** 2 + log1p(self::near($deviations, $tail));
    }

    /** How strongly a factor is drawn back to the survey there, 1 being the standard normal's: −(log p)′/θ. */
    public static function pull(float $deviations, float $tail): float
    {
        if (1.0 === $tail) {
            return 1.0;
        }
        $near = self::near($deviations, $tail);

        return ($near + 1.0 / $tail ** 2) / ($near + 1.0);
    }

    /** How many times likelier a length so far off is a measured one than one that is not what it was taken for. */
    private static function near(float $deviations, float $tail): float
    {
        return (1.0 - self::TAIL) * $tail / self::TAIL * exp(-0.5 * $deviations ** 2 * (1.0 - 1.0 / $tail ** 2));
    }

    /** @return array<string, float> factor => standard deviation of its logarithm */
    public static function spreads(House $house): array
    {
        $spreads = self::SPREADS;
        foreach ($house->circuits as $circuit) {
            $total = $variance = 0.0;
            foreach ($house->cables as $cable) {
                if ($cable->circuit === $circuit->id && $cable->lengthMetres->value > 0.0) {
                    $total += $cable->lengthMetres->value;
                    $variance = max($variance, $cable->lengthMetres->knowing->lengthSpread());
                }
            }
            if ($total > 0.0) {
                $spreads["length:$circuit->id"] = $variance;
            }
        }
        ksort($spreads);

        return $spreads;
    }
}
