<?php

declare(strict_types=1);

namespace App\Call;

use App\Observation\Done;
use App\Observation\Entry;
use App\Observation\IsolationStep;
use App\Observation\Measured;
use App\Observation\Payload;
use Symfony\Component\Uid\Uuid;
use YellowProbe\Installation\House;
use YellowProbe\Installation\Part;
use YellowProbe\Installation\State;
use YellowProbe\Installation\StateChange;
use YellowProbe\Instrument\DeviceWatch;
use YellowProbe\Procedure\Isolation;
use YellowProbe\Procedure\States;
use YellowProbe\Safety\IsolationScope;

/**
 * The state of a house as what was done on a call adds up to, entry by entry.
 *
 * An entry that was made on a device without signal arrives late: it carries the last position that its device had seen. An act
 * of it on a thing that somebody else has switched since does not undo that act; it is kept, and asked about.
 */
final class Fold
{
    private readonly State $resting;

    /** @var list<State> after each entry */
    private array $after = [];

    /** @var list<list<StateChange>> that took effect */
    private array $changes = [];

    /** @var array<int, list<StateChange>> entry => what of it came too late to be taken for how the house stands now */
    private array $late = [];

    /** @param list<Entry> $entries in the order they were stored */
    public function __construct(private readonly array $entries, private readonly ?House $house)
    {
        $state = $this->resting = null === $house ? State::fromArray([]) : State::resting($house);
        foreach ($entries as $at => $entry) {
            $changes = [];
            foreach (null === $house ? [] : self::changesOf($house, $entry) as $change) {
                if ($this->isOvertaken($at, $change)) {
                    $this->late[$at][] = $change;
                } else {
                    $changes[] = $change;
                }
            }
            $this->changes[] = $changes;
            $this->after[] = $state = $state->after(...$changes);
        }
    }

    public function state(): State
    {
        return [] === $this->after ? $this->resting : $this->after[\count($this->after) - 1];
    }

    /** The state that an entry found. */
    public function before(int $at): State
    {
        return $this->after[$at - 1] ?? $this->resting;
    }

    public function after(int $at): State
    {
        return $this->after[$at];
    }

    /** @return list<StateChange> what an entry changed */
    public function changes(int $at): array
    {
        return $this->changes[$at];
    }

    /** @return array<int, list<StateChange>> entry => changes that came late, on things that nobody has touched since they came */
    public function asked(): array
    {
        $asked = [];
        foreach ($this->late as $at => $changes) {
            foreach ($changes as $change) {
                if (!$this->isTouchedAfter($at, $change)) {
                    $asked[$at][] = $change;
                }
            }
        }

        return $asked;
    }

    /** The state as a device knew it: what it had seen, and what it did itself since. */
    public function asSeenBy(?Uuid $device, ?int $seen): State
    {
        if (null === $seen || null === $this->house) {
            return $this->state();
        }
        $state = $this->resting;
        foreach ($this->entries as $entry) {
            if ($entry->position() <= $seen || self::isOf($entry, $device)) {
                $state = $state->after(...self::changesOf($this->house, $entry));
            }
        }

        return $state;
    }

    /** @return list<int> entries of other devices that switched something a device had not seen yet */
    public function meanwhile(?Uuid $device, ?int $seen, ?int $before = null): array
    {
        if (null === $seen) {
            return [];
        }
        $found = [];
        foreach ($this->entries as $at => $entry) {
            if ($entry->position() > $seen && (null === $before || $at < $before) && !self::isOf($entry, $device) && [] !== $this->changes[$at]) {
                $found[] = $at;
            }
        }

        return $found;
    }

    /** @return list<StateChange> what an entry says was changed in the house */
    public static function changesOf(House $house, Entry $entry): array
    {
        return null === $entry->payload ? [] : self::changesIn($house, $entry->payload);
    }

    /** @return list<StateChange> */
    public static function changesIn(House $house, Payload $payload): array
    {
        if ($payload instanceof Done) {
            return $payload->stateChanges();
        }
        // A device that was watched and opened stands open until somebody closes it.
        if ($payload instanceof Measured) {
            $device = DeviceWatch::closed()->slug() === $payload->instrument && DeviceWatch::TRIPS === strtolower(trim($payload->raw)) ? explode('/', substr($payload->connection->around[0] ?? '', 1))[0] : '';

            return isset($house->parts[$device]) ? [new StateChange('set', $device, 'off')] : [];
        }
        if (!$payload instanceof IsolationStep || !$payload->isTaken()) {
            return [];
        }
        $loads = array_map(static fn (string $load): StateChange => new StateChange('load', $load, 'off'), $payload->off);
        $devices = $payload->switched;
        if ([] === $devices && IsolationStep::DANGER_NOW === $payload->step) {
            $devices = array_map(static fn (Part $main): string => $main->id, States::mains($house));
        } elseif ([] === $devices && Isolation::Off === $payload->inOrder()) {
            // Entries from before the devices were named one by one meant the whole of their scope.
            $devices = array_map(static fn (Part $device): string => $device->id, IsolationScope::devices($house, $payload->place ?? '', $payload->level ?? IsolationScope::BOARD));
        }

        return [...$loads, ...array_map(static fn (string $device): StateChange => new StateChange('set', $device, 'off'), $devices)];
    }

    private function isOvertaken(int $at, StateChange $change): bool
    {
        $own = $this->entries[$at]->source;
        foreach ($this->meanwhile($own->device, $own->seen, $at) as $other) {
            if ($this->entries[$other]->source->clientAt < $own->clientAt) {
                continue;
            }
            foreach ($this->changes[$other] as $since) {
                if (self::subject($since) === self::subject($change)) {
                    return true;
                }
            }
        }

        return false;
    }

    private function isTouchedAfter(int $at, StateChange $change): bool
    {
        for ($later = $at + 1, $count = \count($this->entries); $later < $count; ++$later) {
            foreach ($this->changes[$later] as $since) {
                if (self::subject($since) === self::subject($change)) {
                    return true;
                }
            }
        }

        return false;
    }

    /** What an act is about: a joint lifted and refitted is one thing, and so is a link. */
    private static function subject(StateChange $change): string
    {
        $ends = [$change->subject, $change->value];
        sort($ends);

        return match ($change->operation) {
            'link', 'unlink' => 'link '.implode(' ', $ends),
            'lift', 'refit' => "joint $change->subject",
            default => "$change->operation $change->subject",
        };
    }

    private static function isOf(Entry $entry, ?Uuid $device): bool
    {
        return null !== $device && null !== $entry->source->device && $entry->source->device->equals($device);
    }
}
