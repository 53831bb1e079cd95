<?php

declare(strict_types=1);

namespace YellowProbe\Evaluation;

/** Means over visits, with the interval that nine of ten resamplings lie in. */
final class Summary
{
    private const RESAMPLINGS = 1000;
    private const BINS = 10;

    /**
     * @param non-empty-list<Score>   $scores
     * @param callable(Score): float $value
     *
     * @return array{mean: float, low: float, high: float}
     */
    public static function mean(array $scores, callable $value, int $seed = 1): array
    {
        $values = array_map($value, $scores);
        $dice = new Dice($seed);
        $means = [];
        $count = \count($values);
        for ($resampling = 0; $resampling < self::RESAMPLINGS; ++$resampling) {
            $sum = 0.0;
            for ($i = 0; $i < $count; ++$i) {
                $sum += $dice->one($values);
            }
            $means[] = $sum / $count;
        }
        sort($means);

        return ['mean' => array_sum($values) / $count, 'low' => $means[(int) (0.05 * self::RESAMPLINGS)], 'high' => $means[(int) (0.95 * self::RESAMPLINGS) - 1]];
    }

    /**
     * Mean distance between what was said and what came true, over ten bins of equally many group probabilities.
     *
     * @param list<Score> $scores
     */
    public static function calibrationError(array $scores): float
    {
        $said = array_merge(...array_map(static fn (Score $score): array => $score->calibration, $scores));
        if ([] === $said) {
            return 0.0;
        }
        usort($said, static fn (array $a, array $b): int => $a[0] <=> $b[0]);
        $error = 0.0;
        $bins = array_chunk($said, max(1, (int) ceil(\count($said) / self::BINS)));
        foreach ($bins as $bin) {
            $error += abs(array_sum(array_column($bin, 0)) - \count(array_filter(array_column($bin, 1)))) / \count($said);
        }

        return $error;
    }
}
