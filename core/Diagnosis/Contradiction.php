<?php

declare(strict_types=1);

namespace YellowProbe\Diagnosis;

/** A reading that cannot be true together with the others. */
final readonly class Contradiction
{
    /**
     * @param string      $observation the reading
     * @param float       $nats        by which the others speak against it, beyond what a reading of anything would have
     * @param string|null $reason      what would explain it; null when nothing simple does
     */
    public function __construct(public string $observation, public float $nats, public ?string $reason)
    {
    }

    public function words(): string
    {
        return (null === $this->reason ? 'The other readings speak against this one.' : "The other readings speak against this one; it would fit if $this->reason.").' Check the contacts and the state, then take it again.';
    }
}
