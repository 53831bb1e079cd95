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
    /** Standard deviations of the logarithms for a house surveyed in the ordinary way. */
    public const SPREADS = ['supply' => 0.25, 'outside' => 0.5, 'volts' => 0.02, 'insulation' => 1.2, 'leakage' => 0.5, 'load' => 0.05, 'device' => 0.09];

    /** One length in ten is not known at all: another cable, another route, a step in the size (a survey fact is wrong in 5 to 20 % of cases). */
    public const TAIL = 0.1;

    /** A length that is wrong is off by so many of its deviations, as a deviation. */
    public const TAIL_TIMES = 4.0;

    /** @param array<string, float> $logs */
    public function __construct(private array $logs = [])
    {
    }

    public function times(string $factor): float
    {
        return exp($this->logs[$factor] ?? 0.0);
    }

    /** Whether a factor has the tail of a survey that is wrong. */
    public static function isTailed(string $factor): bool
    {
        return str_starts_with($factor, 'length:');
    }

    /** Log-density of a tailed factor at so many deviations, up to the constant of the standard normal. */
    public static function logTailed(float $deviations): float
    {
        return log((1.0 - self::TAIL) * exp(-0.5 * $deviations ** 2) + self::TAIL / self::TAIL_TIMES * exp(-0.5 * ($deviations / self::TAIL_TIMES) ** 2));
    }

    /** How strongly a tailed factor is drawn back to the survey there, 1 being the standard normal's: −(log p)′/θ. */
    public static function tailedWeight(float $deviations): float
    {
        $near = (1.0 - self::TAIL) * exp(-0.5 * $deviations ** 2);
        $far = self::TAIL / self::TAIL_TIMES * exp(-0.5 * ($deviations / self::TAIL_TIMES) ** 2);

        return ($near + $far / self::TAIL_TIMES ** 2) / ($near + $far);
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
