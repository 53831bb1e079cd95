<?php

declare(strict_types=1);

namespace App\Bench;

/** How long something took, of several runs: the median, and from the least to the upper quartile as its spread; microseconds. */
final readonly class Timing
{
    private function __construct(public float $median, public float $low, public float $high)
    {
    }

    /**
     * @param callable(): mixed $task
     * @param int               $runs  at least one
     * @param int               $times what one run of the task counts for
     */
    public static function of(callable $task, int $runs, int $times = 1): self
    {
        for ($run = 0; $run < $runs; ++$run) {
            $task(); // as many again before, until what is compiled along the way is compiled
        }
        $taken = [\INF];
        for ($run = 0; $run < max(1, $runs); ++$run) {
            $begun = hrtime(true);
            $task();
            $taken[$run] = (hrtime(true) - $begun) / 1e3 / $times;
        }

        return self::among($taken);
    }

    /** @param non-empty-array<int, float> $microseconds */
    public static function among(array $microseconds): self
    {
        sort($microseconds);
        $last = \count($microseconds) - 1;

        return new self($microseconds[intdiv($last + 1, 2)], $microseconds[0], $microseconds[intdiv(3 * $last + 3, 4)]);
    }

    /** @return array{median: float, low: float, high: float} */
    public function toArray(): array
    {
        return ['median' => round($this->median, 3), 'low' => round($this->low, 3), 'high' => round($this->high, 3)];
    }
}
