<?php

declare(strict_types=1);

namespace App\Words;

/**
 * A probability as people read it, rounded once: below 1 % "under 1 %", to 10 and from 90 to 95 in whole per cents, between
 * in fives, then "over 95 %". Page, dialogue and paper show this and nothing else.
 */
final class Percent
{
    public static function of(float $probability): string
    {
        $percent = 100.0 * $probability;

        return match (true) {
            $percent <= 0.0 => '0 %',
            $percent < 1.0 => 'under 1 %',
            $percent > 95.0 => 'over 95 %',
            $percent <= 10.0, $percent >= 90.0 => \sprintf('%d %%', round($percent)),
            default => \sprintf('%d %%', 5 * round($percent / 5.0)),
        };
    }

    /**
     * Shares shown together, rounded together to a hundred by the largest remainder: in fives where each of them is that large,
     * else in whole per cents. What is left over of a share below one is said as that.
     *
     * @param list<float> $shares summing to 1
     *
     * @return list<string>
     */
    public static function together(array $shares): array
    {
        if ([] === $shares) {
            return [];
        }
        $step = min($shares) >= 0.075 ? 5 : 1;
        $units = array_map(static fn (float $share): float => 100.0 / $step * $share / array_sum($shares), $shares);
        $whole = array_map(static fn (float $unit): int => (int) floor($unit), $units);
        $remainders = array_map(static fn (float $unit, int $floor): float => $unit - $floor, $units, $whole);
        arsort($remainders);
        foreach (\array_slice(array_keys($remainders), 0, intdiv(100, $step) - array_sum($whole)) as $at) {
            ++$whole[$at];
        }

        return array_map(static fn (int $count, float $share): string => match (true) {
            0 !== $count => $step * $count.' %',
            $share > 0.0 => 'under 1 %',
            default => '0 %',
        }, $whole, $shares);
    }
}
