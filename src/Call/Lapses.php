<?php

declare(strict_types=1);

namespace App\Call;

use App\Observation\Entry;
use App\Observation\IsolationStep;
use YellowProbe\Procedure\Isolation;
use YellowProbe\Safety\ComesAlive;

/** What has ended a proof of dead: whatever can make its terminals live again, and nothing else. */
final readonly class Lapses
{
    public function __construct(private Journal $journal, private Isolations $isolations)
    {
    }

    /** @return array{Lapse|null, Entry|null} the first thing that ended a proof, and the entry that did */
    public function of(int $at, string $place): array
    {
        $house = $this->journal->house;
        $own = $this->journal->entries[$at]->source;
        foreach ($this->journal->fold()->meanwhile($own->device, $own->seen, $at) as $other) {
            foreach ($this->journal->changes($other) as $change) {
                if (null === $house || ComesAlive::by($house, $this->journal->fold()->before($other), $change, $place)) {
                    return [Lapse::Meanwhile, $this->journal->entries[$other]];
                }
            }
        }
        $last = $own->clientAt;
        for ($later = $at + 1, $count = \count($this->journal->entries); $later < $count; ++$later) {
            $entry = $this->journal->entries[$later];
            if ($this->isTooLong($last, $entry->source->clientAt) && !$this->isolations->isAllLocked($later)) {
                return [Lapse::Gap, null];
            }
            $last = max($last, $entry->source->clientAt);
            $step = $entry->payload;
            if ($step instanceof IsolationStep) {
                if (IsolationStep::RELEASE === $step->step && $step->isTaken()) {
                    return [Lapse::Unlocked, $entry];
                }
                if (IsolationStep::LEFT === $step->step && !$this->isolations->isAllLocked($later)) {
                    return [Lapse::Left, $entry];
                }
                if (Isolation::Dead === $step->inOrder() && $step->place === $place && $step->hasFoundVoltage()) {
                    return [Lapse::Voltage, $entry];
                }
            }
            $state = $this->journal->fold()->before($later);
            foreach ($this->journal->changes($later) as $change) {
                if (null === $house || ComesAlive::by($house, $state, $change, $place)) {
                    return [Lapse::Energised, $entry];
                }
                $state = $state->after($change);
            }
        }
        if (null !== $this->journal->now && $this->isTooLong($last, $this->journal->now) && !$this->isolations->isAllLocked()) {
            return [Lapse::Gap, null];
        }

        return [null, null];
    }

    private function isTooLong(\DateTimeImmutable $from, \DateTimeImmutable $to): bool
    {
        return $to->getTimestamp() - $from->getTimestamp() > 60 * $this->journal->proofMinutes;
    }
}
