<?php

declare(strict_types=1);

namespace YellowProbe\Network;

/** How changes move a few sums, and what currents driven into leads make of them. */
final readonly class Movement
{
    /**
     * @param list<list<Complex>> $gains    by sum: what it gains (V, or A of a sum weighted by siemens), then by lead what an ampere into it adds
     * @param float               $rounding as a share of the gains
     */
    public function __construct(public array $gains, public float $rounding)
    {
    }

    /** The gain of one sum, by the sources or ($lead from 1) an ampere into a lead. */
    public function of(int $sum, int $lead = 0): Complex
    {
        return $this->gains[$sum][$lead];
    }

    /** Whether rounding is nothing to a sum as it then is. */
    public function isSure(int $sum, int $lead, float $then, float $share): bool
    {
        return $this->rounding * $this->gains[$sum][$lead]->modulus() <= $share * $then;
    }
}
