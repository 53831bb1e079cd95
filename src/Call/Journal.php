<?php

declare(strict_types=1);

namespace App\Call;

use App\Entity\Observation;
use YellowProbe\Diagnosis\Hypothesis;
use YellowProbe\Diagnosis\Story;
use YellowProbe\Installation\Attributes;
use YellowProbe\Installation\House;
use YellowProbe\Installation\Part;
use YellowProbe\Installation\State;
use YellowProbe\Installation\StateChange;
use YellowProbe\Instrument\Connection;
use YellowProbe\Instrument\Instruments;
use YellowProbe\Instrument\Measurement;
use YellowProbe\Procedure\Access;
use YellowProbe\Procedure\Isolation;
use YellowProbe\Procedure\Opened;
use YellowProbe\Procedure\States;
use YellowProbe\Safety\IsolationScope;

/** What the observations of a call add up to: the state of the house, the proofs, the readings as they stand. */
final class Journal
{
    public const VERDICTS = ['cured', 'explained', 'not-found', 'passed-on'];

    /** The visit for which nobody has to have complained. */
    private const INSPECTION = 'inspection';

    private ?State $state = null;

    /** @var list<TakenReading>|null */
    private ?array $readings = null;

    /** @param list<Observation> $observations in the order they were stored */
    public function __construct(public readonly array $observations, public readonly ?House $house)
    {
    }

    /** Whether something written names a part of the house, so that another house would make it untrue. */
    public function refersToHouse(): bool
    {
        foreach ($this->observations as $observation) {
            $payload = $observation->payload;
            if (\in_array($observation->kind, ['done', 'placed', 'accepted'], true) || isset($payload['connection']) || isset($payload['place'])) {
                return true;
            }
        }

        return false;
    }

    /** The fold of everything that was done. */
    public function state(): State
    {
        return $this->state ??= $this->folded();
    }

    private function folded(): State
    {
        $state = null === $this->house ? State::fromArray([]) : State::resting($this->house);
        foreach ($this->observations as $observation) {
            $state = $state->after(...$this->changes($observation));
        }

        return $state;
    }

    /** @return list<StateChange> what an observation changed in the house */
    public function changes(Observation $observation): array
    {
        if (null === $this->house) {
            return [];
        }
        $payload = new Attributes($observation->payload, '');
        if ('done' === $observation->kind) {
            $changes = [];
            foreach ($payload->map('changes') as $at => $change) {
                $changes[] = StateChange::read($change->raw, $this->house, "/changes/$at");
            }

            return $changes;
        }
        $step = $payload->string('step', '');
        if ('isolation' === $observation->kind && ('danger-now' === $step || Isolation::Off->value === $step) && !$payload->has('skipped')) {
            $devices = 'danger-now' === $step ? States::mains($this->house) : IsolationScope::devices($this->house, $payload->string('place', ''), $payload->string('level', IsolationScope::BOARD));

            return array_map(static fn (Part $device): StateChange => new StateChange('set', $device->id, 'off'), $devices);
        }

        return [];
    }

    /** The isolation as far as it has come, and what was proved dead. */
    public function isolations(): Isolations
    {
        return new Isolations($this);
    }

    /** @return list<TakenReading> */
    public function readings(): array
    {
        return $this->readings ??= $this->taken();
    }

    /** @return list<TakenReading> */
    private function taken(): array
    {
        $withdrawn = $corrections = $placed = $doubted = [];
        foreach ($this->observations as $observation) {
            $payload = new Attributes($observation->payload, '');
            $of = $payload->string('observation', '');
            match ($observation->kind) {
                'withdrawn' => $withdrawn[$of] = $payload->string('reason'),
                'doubted' => $doubted[$of] = $payload->string('reason'),
                'corrected' => $corrections[$of][] = ['id' => $observation->id->toRfc4122(), 'raw' => $payload->string('raw'), 'reason' => $payload->string('reason')],
                'placed' => $placed[$of] = $payload->object('connection')->raw,
                default => null,
            };
        }
        $readings = [];
        $repaired = null;
        foreach ($this->observations as $at => $observation) {
            if ('repaired' === $observation->kind) {
                $repaired = $this->repaired($at + 1);
            }
            if ('measured' !== $observation->kind) {
                continue;
            }
            $payload = new Attributes($observation->payload, '');
            $id = $observation->id->toRfc4122();
            $instrument = Instruments::get($payload->string('instrument'));
            $connection = $placed[$id] ?? $payload->object('connection')->raw;
            $own = $corrections[$id] ?? [];
            $readings[] = new TakenReading(
                $observation,
                $instrument,
                [] === $own ? $payload->string('raw') : $own[\count($own) - 1]['raw'],
                [] === $connection || null === $this->house ? null : Connection::read($connection, $instrument, $this->house, '/connection'),
                $withdrawn[$id] ?? null,
                $own,
                null !== $repaired,
                $repaired ?? [],
                $doubted[$id] ?? null,
            );
        }

        return $readings;
    }

    /**
     * What has been repaired, as the ranking names repairs: the cause last accepted before each.
     *
     * @param int|null $before place among the observations; all of them when left out
     *
     * @return list<string>
     */
    public function repaired(?int $before = null): array
    {
        $repaired = $accepted = [];
        foreach (\array_slice($this->observations, 0, $before) as $observation) {
            if ('accepted' === $observation->kind) {
                $accepted = Hypothesis::repairsOf((new Attributes($observation->payload, ''))->string('hypothesis'));
            } elseif ('repaired' === $observation->kind) {
                array_push($repaired, ...$accepted);
            }
        }

        return array_values(array_unique($repaired));
    }

    /** @return list<array{Observation, string, list<string>}> each time that the complaint was tried again: the outcome, and what had been repaired by then */
    public function trials(): array
    {
        $trials = [];
        foreach ($this->observations as $at => $observation) {
            if ('tried' === $observation->kind) {
                $trials[] = [$observation, (new Attributes($observation->payload, ''))->string('outcome'), $this->repaired($at)];
            }
        }

        return $trials;
    }

    /** What was told, as far as it was picked from the lists. */
    public function story(): Story
    {
        $symptoms = $contexts = $findings = $tripped = [];
        foreach ($this->observations as $observation) {
            $payload = new Attributes($observation->payload, '');
            if ('told' === $observation->kind && $payload->has('symptom')) {
                $symptoms[] = $payload->string('symptom');
            }
            foreach (['context', 'resets'] as $key) {
                if ('told' === $observation->kind && $payload->has($key)) {
                    $contexts[] = $payload->string($key);
                }
            }
            if ('told' === $observation->kind && isset($this->house?->parts[$payload->string('device', '')])) {
                $tripped[] = $payload->string('device');
            }
            // What a look found was looked up in the list when it was stored.
            $finding = 'seen' === $observation->kind ? $payload->string('finding', (new Attributes($observation->verdict, ''))->string('finding', '')) : '';
            if ('' !== $finding) {
                $findings[] = [$finding, $payload->string('place', '')];
            }
        }

        // Who orders an inspection complains of nothing until he does.
        $isInspection = [] === $symptoms && self::INSPECTION === ($this->observations[0] ?? null)?->call->visit;

        return new Story($isInspection ? [Story::INSPECTION] : $symptoms, $contexts, $findings, $tripped);
    }

    /** @return list<Observation> symptoms that were told and have no verdict yet */
    public function unsettled(): array
    {
        $settled = [];
        foreach ($this->observations as $observation) {
            if ('settled' === $observation->kind) {
                $settled[] = (new Attributes($observation->payload, ''))->string('observation');
            }
        }

        return array_values(array_filter($this->observations, static fn (Observation $each): bool => 'told' === $each->kind && isset($each->payload['symptom']) && !\in_array($each->id->toRfc4122(), $settled, true)));
    }

    public function last(string $kind): ?Observation
    {
        $last = null;
        foreach ($this->observations as $observation) {
            $last = $kind === $observation->kind ? $observation : $last;
        }

        return $last;
    }

    /** What is open now: what the last thing measured was measured in. */
    public function opened(): Opened
    {
        $readings = $this->readings();
        $last = [] === $readings ? null : $readings[\count($readings) - 1];
        if (null === $last?->connection || null === $this->house) {
            return Opened::none();
        }

        return Opened::of(...Access::reached($this->house, new Measurement(State::fromArray($last->source->state), $last->instrument, $last->connection)));
    }

    /** The stage that the call has come to. */
    public function stage(): string
    {
        return match (true) {
            null !== $this->last('closed') => 'closed',
            $this->isRepairProved() => 'hand-over',
            null !== $this->last('accepted') => 'put-right',
            null !== $this->last('measured') => 'trace',
            null !== $this->last('isolation') => 'make-safe',
            default => 'hear',
        };
    }

    /** Whether a reading after the last repair repeated the failed test. */
    public function isRepairProved(): bool
    {
        $proved = false;
        foreach ($this->observations as $observation) {
            if ('repaired' === $observation->kind) {
                $proved = false;
            }
            $proved = $proved || ('measured' === $observation->kind && true === ($observation->verdict['proves'] ?? false));
        }

        return $proved && null !== $this->last('repaired');
    }
}
