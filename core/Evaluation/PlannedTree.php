<?php

declare(strict_types=1);

namespace YellowProbe\Evaluation;

use YellowProbe\Diagnosis\Beliefs;
use YellowProbe\Diagnosis\Lookahead;
use YellowProbe\Diagnosis\Loss;
use YellowProbe\Diagnosis\Stop;

/** The expected minutes of a puzzle, wrong repairs included, when tests are chosen and stopped as the planner does. */
final readonly class PlannedTree
{
    private function __construct(private Puzzle $puzzle, private Loss $loss, private bool $ahead)
    {
    }

    /** @param bool $ahead whether tests are chosen with a second in view; by their own rate alone for comparison */
    public static function minutes(Puzzle $puzzle, bool $ahead = true): float
    {
        return (new self($puzzle, $puzzle->loss(), $ahead))->from($puzzle->beliefs, 0, []);
    }

    /** @param array<int, int> $read test => outcome */
    private function from(Beliefs $beliefs, int $state, array $read): float
    {
        $tests = $forecasts = $minutes = $bits = [];
        foreach ($this->puzzle->tests as $test => $forecast) {
            $told = isset($read[$test]) ? 0.0 : $forecast->bits($beliefs);
            if ($told > 0.0) {
                [$tests[], $forecasts[], $minutes[], $bits[]] = [$test, $forecast, $this->puzzle->price($state, $test), $told];
            }
        }
        $ahead = Lookahead::of($beliefs, $this->loss, $forecasts, $minutes, $bits, fn (int $one, int $other): float => $this->puzzle->price($this->puzzle->states[$tests[$one]], $tests[$other]));
        if (!Stop::pays($this->loss->minutes($beliefs->weights), $ahead->saves, $minutes, $bits, $beliefs->openBits())) {
            return $this->loss->minutes($beliefs->weights);
        }
        $rates = $this->ahead ? $ahead->rates : array_map(static fn (float $told, float $price): float => $told / $price, $bits, $minutes);
        $best = (int) array_search(max([0.0, ...$rates]), $rates, true);
        $expected = $minutes[$best];
        foreach ($forecasts[$best]->chances($beliefs) as $outcome => $chance) {
            if ($chance > 0.0) {
                $expected += $chance * $this->from($forecasts[$best]->after($beliefs, $outcome), $this->puzzle->states[$tests[$best]], $read + [$tests[$best] => $outcome]);
            }
        }

        return $expected;
    }
}
