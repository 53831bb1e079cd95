<?php

declare(strict_types=1);

namespace YellowProbe\Survey;

use YellowProbe\Installation\HouseError;

/**
 * How a house is earthed, from what is seen of it: each thing ticked weighs by how often it is seen under each arrangement.
 * What contradicts itself ends in "ambiguous: verify", not in the louder half.
 */
final readonly class Earthing
{
    /** From here an arrangement is taken for known. */
    public const CLEAR = 0.9;

    /**
     * @param array<string, float>                $priors   by arrangement
     * @param array<string, array<string, float>> $evidence what is seen => how often under each arrangement
     * @param array<string, string>               $words    of what is seen
     */
    public function __construct(private array $priors, private array $evidence, public array $words)
    {
    }

    /** Whether there is anything to find out: a split supply is seen at once. */
    public function isOpen(): bool
    {
        return \count($this->priors) > 1;
    }

    /**
     * @param list<string> $seen
     *
     * @return array<string, float> arrangement => probability, likeliest first
     *
     * @throws HouseError for a tick that is not on the list
     */
    public function probabilities(array $seen): array
    {
        $weights = $this->priors;
        foreach ($seen as $at => $slug) {
            $odds = $this->evidence[$slug] ?? throw new HouseError("/evidence/$at", 'Expected one of '.implode(', ', array_keys($this->evidence)).'.');
            foreach ($weights as $arrangement => $weight) {
                $weights[$arrangement] = $weight * ($odds[$arrangement] ?? 1.0);
            }
        }
        arsort($weights);
        $sum = array_sum($weights);

        return array_map(static fn (float $weight): float => $weight / $sum, $weights);
    }
}
