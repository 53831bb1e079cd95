<?php

declare(strict_types=1);

namespace YellowProbe\Evaluation;

use YellowProbe\Diagnosis\Beliefs;
use YellowProbe\Diagnosis\Loss;

/** The least expected minutes of a puzzle, wrong repairs included, over all ways to choose tests and to stop: dynamic programming over what has been read and the state. */
final class OptimalTree
{
    /** @var array<string, float> */
    private array $known = [];

    private readonly float $cheapest;

    private readonly Loss $loss;

    private function __construct(private readonly Puzzle $puzzle)
    {
        $this->loss = $puzzle->loss();
        $this->cheapest = min([\INF, ...$puzzle->minutes]);
    }

    public static function minutes(Puzzle $puzzle): float
    {
        return (new self($puzzle))->from($puzzle->beliefs, 0, []);
    }

    /** @param array<int, int> $read test => outcome */
    private function from(Beliefs $beliefs, int $state, array $read): float
    {
        $best = $this->loss->minutes($beliefs->weights);
        if ($best <= $this->cheapest) {
            return $best; // no test can win back more than all there is to lose
        }
        ksort($read);
        $key = $state.'|'.json_encode($read, \JSON_THROW_ON_ERROR);
        if (isset($this->known[$key])) {
            return $this->known[$key];
        }
        foreach ($this->puzzle->tests as $test => $forecast) {
            $price = $this->puzzle->price($state, $test);
            if (isset($read[$test]) || $price >= $best) {
                continue;
            }
            $expected = $price;
            foreach ($forecast->chances($beliefs) as $outcome => $chance) {
                if ($chance > 0.0 && $expected < $best) {
                    $expected += $chance * $this->from($forecast->after($beliefs, $outcome), $this->puzzle->states[$test], $read + [$test => $outcome]);
                }
            }
            $best = min($best, $expected);
        }

        return $this->known[$key] = $best;
    }
}
