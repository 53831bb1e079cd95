<?php

declare(strict_types=1);

namespace App\Call;

use App\Observation\Entry;
use App\Observation\IsolationStep;
use YellowProbe\Words\Message;

/** A test for no voltage at one place: what it is worth, and what has ended it. */
final readonly class Proof
{
    /**
     * @param string      $place    id of the place in the house
     * @param bool        $complete whether it is a proof: indicator proved before and after, live reference, every pair tried
     * @param bool        $live     whether a voltage was found
     * @param Lapse|null  $lapse    what ended it
     * @param Entry|null  $lapsedBy the entry that did
     */
    public function __construct(public Entry $entry, public IsolationStep $step, public string $place, public bool $complete, public bool $live, public ?Lapse $lapse = null, public ?Entry $lapsedBy = null)
    {
    }

    public function stands(): bool
    {
        return $this->complete && null === $this->lapse;
    }

    public function words(): Message
    {
        return new Message(match (true) {
            $this->live => 'proof.voltage',
            !$this->complete => 'proof.incomplete',
            $this->step->opened => 'proof.terminals',
            default => 'proof.complete',
        });
    }

    /** Why it does not stand; null while it does. */
    public function lapsedWords(): ?Message
    {
        return null === $this->lapse ? null : new Message("lapse.{$this->lapse->value}");
    }
}
