<?php

declare(strict_types=1);

namespace YellowProbe\Evaluation;

use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;

/** Everything that is drawn, from one seed. */
final class Dice
{
    private readonly Randomizer $random;

    public function __construct(int $seed)
    {
        $this->random = new Randomizer(new Xoshiro256StarStar($seed));
    }

    /** Uniform from 0 up to 1. */
    public function uniform(): float
    {
        return $this->random->getInt(0, (1 << 53) - 1) / (1 << 53);
    }

    public function chance(float $probability): bool
    {
        return $this->uniform() < $probability;
    }

    /** Standard normal (Box and Muller). */
    public function normal(): float
    {
        return sqrt(-2.0 * log(1.0 - $this->uniform())) * cos(2.0 * \M_PI * $this->uniform());
    }

    /**
     * @template T
     *
     * @param non-empty-list<T> $list
     *
     * @return T
     */
    public function one(array $list): mixed
    {
        return $list[$this->random->getInt(0, \count($list) - 1)];
    }

    /** @param non-empty-list<float> $weights */
    public function weighted(array $weights): int
    {
        $at = $this->uniform() * array_sum($weights);
        foreach ($weights as $index => $weight) {
            if (($at -= $weight) < 0.0) {
                return $index;
            }
        }

        return \count($weights) - 1;
    }
}
