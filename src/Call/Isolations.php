<?php

declare(strict_types=1);

namespace App\Call;

use App\Observation\Entry;
use App\Observation\IsolationStep;
use App\Observation\Lock;
use YellowProbe\Installation\House;
use YellowProbe\Installation\HouseNetwork;
use YellowProbe\Installation\Part;
use YellowProbe\Installation\StateChange;
use YellowProbe\Instrument\Connection;
use YellowProbe\Procedure\Isolation;
use YellowProbe\Procedure\States;

/** Safe isolation on a call: the steps of the present round, the locks that hang, and the proofs of dead, each of its place. */
final class Isolations
{
    /** @var array<string, Entry>|null */
    private ?array $steps = null;

    /** @var list<Proof>|null */
    private ?array $proofs = null;

    public function __construct(private readonly Journal $journal)
    {
    }

    /** @return array<string, Entry> step => the entry that took it or left it out, in the present round */
    public function steps(): array
    {
        return $this->steps ??= $this->round();
    }

    /** @return array<string, Entry> */
    private function round(): array
    {
        $steps = [];
        $house = $this->journal->house;
        // Devices that hold the supply off: the mains, and whatever a step opened.
        $points = null === $house ? [] : array_fill_keys(array_map(static fn (Part $main): string => $main->id, States::mains($house)), true);
        foreach ($this->journal->entries as $at => $entry) {
            $step = $entry->payload;
            if ($step instanceof IsolationStep) {
                if (Isolation::Warn === $step->inOrder()) {
                    $steps = [];
                }
                if (null !== $step->inOrder()) {
                    $steps[$step->step] = $entry;
                }
                if (IsolationStep::RELEASE === $step->step) {
                    unset($steps[Isolation::Lock->value]);
                }
                // A voltage stops the procedure: it goes on from a wider isolation.
                if ($step->hasFoundVoltage() && Isolation::Dead === $step->inOrder()) {
                    foreach (Isolation::cases() as $each) {
                        if ($each->position() >= Isolation::Off->position()) {
                            unset($steps[$each->value]);
                        }
                    }
                }
                foreach ($this->journal->changes($at) as $change) {
                    $points[$change->subject] = true;
                }
            } elseif (self::closes($points, ...$this->journal->changes($at))) {
                $steps = [];
            }
        }

        return $steps;
    }

    /** @param array<string, true> $points */
    private static function closes(array $points, StateChange ...$changes): bool
    {
        return [] !== array_filter($changes, static fn (StateChange $change): bool => 'set' === $change->operation && 'off' !== $change->value && isset($points[$change->subject]));
    }

    /** @return array{place: string|null, level: string|null} where the work of the present round is, and what goes off for it */
    public function scope(): array
    {
        $scope = ['place' => null, 'level' => null];
        foreach ($this->steps() as $entry) {
            if ($entry->payload instanceof IsolationStep) {
                $scope['place'] = $entry->payload->place ?? $scope['place'];
                $scope['level'] = $entry->payload->level ?? $scope['level'];
            }
        }

        return $scope;
    }

    /** The test that found a voltage and after which nothing more was opened; null when none did. */
    public function stopped(): ?Proof
    {
        $found = null;
        foreach ($this->proofs() as $proof) {
            $found = $proof->live && !$this->isWidenedAfter($proof->entry) ? $proof : $found;
        }

        return $found;
    }

    /** @return list<Proof> in the order they were made */
    public function proofs(): array
    {
        return $this->proofs ??= $this->made();
    }

    /** @return list<Proof> */
    private function made(): array
    {
        $lapses = new Lapses($this->journal, $this);
        $proofs = $found = [];
        $reference = $before = false;
        foreach ($this->journal->standing(IsolationStep::class) as [$entry, $step]) {
            $at = $this->journal->index($entry);
            switch ($step->inOrder()) {
                case Isolation::Warn:
                    $reference = $before = false;
                    break;
                case Isolation::Reference:
                    $reference = $step->isTaken();
                    break;
                case Isolation::TesterBefore:
                    $before = $step->isTaken();
                    break;
                case Isolation::Dead:
                    if ($step->isTaken()) {
                        $place = $step->place ?? '';
                        $live = $step->hasFoundVoltage();
                        // A second look does not hide a first one that found something: only a wider isolation does.
                        $doubtful = isset($found[$place]) && !$this->isWidenedAfter($found[$place], $at);
                        [$lapse, $by] = $lapses->of($at, $place);
                        $proofs[] = new Proof($entry, $step, $place, $reference && $before && !$live && !$doubtful && $this->provedAfter($at), $live, $lapse, $by);
                        if ($live) {
                            $found[$place] = $entry;
                        }
                    }
                    break;
                default:
            }
        }

        return $proofs;
    }

    /**
     * Places where leads are that have no proof standing.
     *
     * @return list<string> place ids
     */
    public function unproved(House $house, Connection $connection): array
    {
        $proved = [];
        foreach ($this->proofs() as $proof) {
            $proved[$proof->place] = $proof->stands();
        }
        $missing = [];
        foreach ($connection->terminals as $terminal) {
            $place = self::placeOf($house, $terminal);
            if (null !== $place && true !== ($proved[$place] ?? false)) {
                $missing[$place] = $place;
            }
        }

        return array_values($missing);
    }

    public static function placeOf(House $house, string $terminal): ?string
    {
        if (HouseNetwork::GROUND === $terminal) {
            return null;
        }
        $joint = $house->joint($terminal);
        $landed = null === $joint ? $terminal : $joint[0]->ends[$joint[1] - 1];

        return null === $landed || !$house->hasTerminal($landed) ? null : $house->partOf($landed)->place;
    }

    /** @return array<string, array{Lock, Entry}> device => the lock that hangs on it, and the entry that says so */
    public function locks(?int $before = null): array
    {
        $locks = [];
        foreach ($this->journal->standing(IsolationStep::class) as [$entry, $step]) {
            if (null !== $before && $this->journal->index($entry) >= $before) {
                break;
            }
            foreach ($step->isTaken() ? $step->locks : [] as $lock) {
                if (IsolationStep::RELEASE === $step->step) {
                    unset($locks[$lock->device]);
                } else {
                    $locks[$lock->device] = [$lock, $entry];
                }
            }
        }

        return $locks;
    }

    /** @return list<string> devices that isolate just now: opened by a step of this round and open still */
    public function points(?int $before = null): array
    {
        $points = [];
        foreach ($this->journal->entries as $at => $entry) {
            if (null !== $before && $at >= $before) {
                break;
            }
            if ($entry->payload instanceof IsolationStep) {
                if (Isolation::Warn === $entry->payload->inOrder()) {
                    $points = [];
                }
                foreach ($this->journal->changes($at) as $change) {
                    if ('set' === $change->operation) {
                        $points[$change->subject] = $change->subject;
                    }
                }
            }
        }
        $state = null === $before ? $this->journal->state() : $this->journal->fold()->before($before);

        return array_values(array_filter($points, static fn (string $device): bool => 'off' === $state->position($device, 'on')));
    }

    /** Whether each point of isolation is recorded as locked by somebody who has not taken the lock off. */
    public function isAllLocked(?int $before = null): bool
    {
        $points = $this->points($before);

        return [] !== $points && [] === array_diff($points, array_map(strval(...), array_keys($this->locks($before))));
    }

    private function isWidenedAfter(Entry $found, ?int $before = null): bool
    {
        for ($later = $this->journal->index($found) + 1, $count = $before ?? \count($this->journal->entries); $later < $count; ++$later) {
            foreach ($this->journal->changes($later) as $change) {
                if ('set' === $change->operation && 'off' === $change->value) {
                    return true;
                }
            }
        }

        return false;
    }

    private function provedAfter(int $at): bool
    {
        for ($later = $at + 1, $count = \count($this->journal->entries); $later < $count; ++$later) {
            $step = $this->journal->entries[$later]->payload;
            if ($step instanceof IsolationStep && Isolation::TesterAfter === $step->inOrder()) {
                return $step->isTaken();
            }
            if (($step instanceof IsolationStep && Isolation::Dead === $step->inOrder()) || [] !== $this->journal->changes($later)) {
                return false;
            }
        }

        return false;
    }
}
