<?php

declare(strict_types=1);

namespace YellowProbe\Diagnosis;

/**
 * Bits per minute of each test, with a second test in view where that pays: what is dear to get ready (a house isolated, a
 * neutral lifted) is shared by the test that follows in the same state.
 */
final class Lookahead
{
    /** Tests that are looked behind, and tests that may follow one. */
    private const FIRST = 8;
    private const SECOND = 40;

    /** Outcomes rarer than this are not followed up. */
    private const CHANCE = 0.02;

    /**
     * @param list<Forecast>            $forecasts of the tests that can be done
     * @param list<float>               $minutes   of each from the state now
     * @param list<float>               $bits      of each now
     * @param \Closure(int, int): float $after     minutes of the second once the first is done
     *
     * @return list<float> bits per minute, of the test alone or with what is best done after it
     */
    public static function rates(Beliefs $beliefs, array $forecasts, array $minutes, array $bits, \Closure $after): array
    {
        $rates = array_map(static fn (float $own, float $price): float => $own / $price, $bits, $minutes);
        $first = array_keys($rates);
        usort($first, static fn (int $a, int $b): int => [$rates[$b], $a] <=> [$rates[$a], $b]);
        // What tells most is looked behind as well: its price may be worth paying once for two.
        $telling = array_keys($bits);
        usort($telling, static fn (int $a, int $b): int => [$bits[$b], $a] <=> [$bits[$a], $b]);
        $considered = array_unique([...\array_slice($first, 0, self::FIRST / 2), ...\array_slice($telling, 0, self::FIRST / 2)]);
        $seconds = \array_slice($telling, 0, self::SECOND);
        foreach ($considered as $one) {
            $rates[$one] = max($rates[$one], self::withSecond($beliefs, $forecasts, $one, $seconds, $minutes[$one], $bits[$one], $after));
        }

        return array_values($rates);
    }

    /**
     * @param list<Forecast>            $forecasts
     * @param list<int>                 $seconds
     * @param \Closure(int, int): float $after
     */
    private static function withSecond(Beliefs $beliefs, array $forecasts, int $one, array $seconds, float $minutes, float $bits, \Closure $after): float
    {
        $prices = [];
        foreach ($seconds as $second) {
            if ($second !== $one) {
                $prices[$second] = $after($one, $second);
            }
        }
        $followed = [];
        foreach ($forecasts[$one]->chances($beliefs) as $outcome => $chance) {
            if ($chance < self::CHANCE) {
                continue;
            }
            $then = $forecasts[$one]->after($beliefs, $outcome);
            $best = [0.0, 0.0, 1.0];
            foreach ($prices as $second => $price) {
                $told = $forecasts[$second]->bits($then);
                if ($told / $price > $best[0]) {
                    $best = [$told / $price, $told, $price];
                }
            }
            $followed[] = [$best[0], $chance * $best[1], $chance * $best[2]];
        }
        // An outcome is followed up as long as that raises the rate of the whole.
        rsort($followed);
        $rate = $bits / $minutes;
        foreach ($followed as [$own, $told, $price]) {
            if ($own <= $rate) {
                break;
            }
            $bits += $told;
            $minutes += $price;
            $rate = $bits / $minutes;
        }

        return $rate;
    }
}
