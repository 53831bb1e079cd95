<?php

declare(strict_types=1);

namespace App\Call;

use App\Entity\Observation;
use YellowProbe\Installation\Attributes;
use YellowProbe\Installation\Part;
use YellowProbe\Procedure\Isolation;
use YellowProbe\Procedure\States;

/** The steps of making safe on a call, and the proofs of dead that they add up to: each of its place, until anything is switched. */
final readonly class Isolations
{
    public function __construct(private Journal $journal)
    {
    }

    /** @return array<string, Observation> step => the tick or skip of the present round */
    public function steps(): array
    {
        $steps = [];
        foreach ($this->journal->observations as $observation) {
            if ('isolation' === $observation->kind) {
                $step = (new Attributes($observation->payload, ''))->string('step');
                if (Isolation::Warn->value === $step) {
                    $steps = [];
                }
                $steps[$step] = $observation;
            } elseif ($this->energises($observation)) {
                $steps = [];
            }
        }

        return $steps;
    }

    /** Whether it closes a device that the isolation opened, or a main. */
    private function energises(Observation $observation): bool
    {
        if ('done' !== $observation->kind) {
            return false;
        }
        $opened = null === $this->journal->house ? [] : array_map(static fn (Part $main): string => $main->id, States::mains($this->journal->house));
        foreach ($this->journal->observations as $earlier) {
            foreach ('isolation' === $earlier->kind ? $this->journal->changes($earlier) : [] as $change) {
                $opened[] = $change->subject;
            }
        }
        foreach ($this->journal->changes($observation) as $change) {
            if ('set' === $change->operation && 'on' === $change->value && \in_array($change->subject, $opened, true)) {
                return true;
            }
        }

        return false;
    }

    /** @return list<Proof> */
    public function proofs(): array
    {
        $proofs = [];
        $reference = $before = false;
        foreach ($this->journal->observations as $at => $observation) {
            if ('isolation' !== $observation->kind) {
                continue;
            }
            $payload = new Attributes($observation->payload, '');
            $taken = !$payload->has('skipped');
            switch ($payload->string('step')) {
                case Isolation::Warn->value:
                    $reference = $before = false;
                    break;
                case Isolation::Reference->value:
                    $reference = $taken;
                    break;
                case Isolation::TesterBefore->value:
                    $before = $taken;
                    break;
                case Isolation::Dead->value:
                    if ($taken) {
                        $proofs[] = new Proof($payload->string('place', 'board'), $observation->clientAt, $reference && $before && $this->provedAfter($at), $this->switchedAfter($at), $payload->flag('opened', false));
                    }
                    break;
            }
        }

        return $proofs;
    }

    /** Whether a complete proof stands now, anywhere on the board. */
    public function isProved(): bool
    {
        foreach ($this->proofs() as $proof) {
            if ($proof->complete && !$proof->lapsed) {
                return true;
            }
        }

        return false;
    }

    private function switchedAfter(int $at): bool
    {
        foreach (\array_slice($this->journal->observations, $at + 1) as $later) {
            if ([] !== $this->journal->changes($later)) {
                return true;
            }
        }

        return false;
    }

    private function provedAfter(int $at): bool
    {
        foreach (\array_slice($this->journal->observations, $at + 1) as $later) {
            $payload = new Attributes($later->payload, '');
            $step = 'isolation' === $later->kind ? $payload->string('step') : '';
            if (Isolation::TesterAfter->value === $step) {
                return !$payload->has('skipped');
            }
            if (Isolation::Dead->value === $step || [] !== $this->journal->changes($later)) {
                return false;
            }
        }

        return false;
    }
}
