<?php

declare(strict_types=1);

namespace YellowProbe\Diagnosis;

use YellowProbe\Procedure\TestPlan;

/** A test that could be done next: what it would tell, and its whole price from the state the house is in now. */
final readonly class Candidate
{
    /**
     * @param float $bits    expected information about what has to be repaired
     * @param float $minutes of the test, the change of state and the covers before it, and what it adds to the putting back
     * @param float $rate    bits per minute, of the test alone or with the test that is best done after it
     * @param float $saves   minutes of expected loss against repairing now, less its price and that of what follows
     */
    public function __construct(public TestPlan $plan, public float $bits, public float $minutes, public float $rate, public float $saves)
    {
    }
}
