<?php

declare(strict_types=1);

namespace YellowProbe\Diagnosis;

/**
 * What each test is worth with a second test in view: bits per minute, by which the next test is chosen, and minutes saved
 * against repairing now, by which it is decided whether to test on at all.
 *
 * What is dear to get ready (a house isolated, a neutral lifted) is shared by the test that follows in the same state.
 */
final readonly class Lookahead
{
    /** Tests that are looked behind, by rate and by bits, and tests that may follow one. */
    private const FIRST = 5;
    private const SECOND = 20;

    /** Outcomes rarer than this are not followed up. */
    private const CHANCE = 0.04;

    /** Outcomes rarer than this are taken to leave things as they are. */
    private const RARE = 1e-4;

    /**
     * @param list<float> $rates bits per minute, of the test alone or with what is best done after it
     * @param list<float> $saves expected minutes of loss that it takes away, less its price and that of what follows
     */
    private function __construct(public array $rates, public array $saves)
    {
    }

    /**
     * @param list<Forecast>            $forecasts of the tests that can be done
     * @param list<float>               $minutes   of each from the state now
     * @param list<float>               $bits      of each now
     * @param \Closure(int, int): float $after     minutes of the second once the first is done
     */
    public static function of(Beliefs $beliefs, Loss $loss, array $forecasts, array $minutes, array $bits, \Closure $after): self
    {
        $rates = array_map(static fn (float $own, float $price): float => $own / $price, $bits, $minutes);
        $first = $telling = array_keys($rates);
        usort($first, static fn (int $a, int $b): int => [$rates[$b], $a] <=> [$rates[$a], $b]);
        // What tells most is looked behind as well: its price may be worth paying once for two.
        usort($telling, static fn (int $a, int $b): int => [$bits[$b], $a] <=> [$bits[$a], $b]);
        $behind = array_fill_keys([...\array_slice($first, 0, self::FIRST), ...\array_slice($telling, 0, self::FIRST)], true);
        $seconds = \array_slice($telling, 0, self::SECOND);
        $now = $loss->minutes($beliefs->weights);
        $saves = [];
        foreach ($forecasts as $one => $forecast) {
            $prices = [];
            foreach (isset($behind[$one]) ? $seconds : [] as $second) {
                if ($second !== $one) {
                    $prices[$second] = $after($one, $second);
                }
            }
            $left = $minutes[$one];
            $followed = [];
            foreach ($forecast->chances($beliefs) as $outcome => $chance) {
                if ($chance < self::RARE) {
                    $left += $chance * $now;
                    continue;
                }
                $then = $forecast->after($beliefs, $outcome);
                $lost = $loss->minutes($then->weights);
                if ($chance >= self::CHANCE && [] !== $prices) {
                    [$second, $told] = self::best($then, $forecasts, $prices);
                    $price = $prices[$second] ?? 1.0;
                    $followed[] = [$told / $price, $chance * $told, $chance * $price];
                    $lost = $told > 0.0 && $price < $lost ? min($lost, $price + self::expected($loss, $then, $forecasts[$second])) : $lost;
                }
                $left += $chance * $lost;
            }
            $rates[$one] = self::joined($bits[$one], $minutes[$one], $followed);
            $saves[] = $now - $left;
        }

        return new self(array_values($rates), $saves);
    }

    /**
     * The second test by its rate, with its bits.
     *
     * @param list<Forecast>    $forecasts
     * @param array<int, float> $prices
     *
     * @return array{int, float}
     */
    private static function best(Beliefs $then, array $forecasts, array $prices): array
    {
        $best = [-1, 0.0];
        $rate = 0.0;
        foreach ($prices as $second => $price) {
            $told = $forecasts[$second]->bits($then);
            if ($told / $price > $rate) {
                $rate = $told / $price;
                $best = [$second, $told];
            }
        }

        return $best;
    }

    private static function expected(Loss $loss, Beliefs $beliefs, Forecast $forecast): float
    {
        $left = 0.0;
        $now = $loss->minutes($beliefs->weights);
        foreach ($forecast->chances($beliefs) as $outcome => $chance) {
            $left += $chance * ($chance < self::RARE ? $now : $loss->minutes($forecast->after($beliefs, $outcome)->weights));
        }

        return $left;
    }

    /**
     * Outcomes are followed up as long as that raises the rate of the whole.
     *
     * @param list<array{float, float, float}> $followed rate, bits and minutes of what is done after each outcome, by its chance
     */
    private static function joined(float $bits, float $minutes, array $followed): float
    {
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
