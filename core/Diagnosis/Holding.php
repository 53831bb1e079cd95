<?php

declare(strict_types=1);

namespace YellowProbe\Diagnosis;

use YellowProbe\Installation\House;
use YellowProbe\Installation\Part;
use YellowProbe\Installation\Protection;
use YellowProbe\Installation\State;
use YellowProbe\Instrument\DeviceWatch;
use YellowProbe\Instrument\Measurement;
use YellowProbe\Procedure\TestPlan;
use YellowProbe\Procedure\Watched;

/**
 * Which tests cannot come off as far as one knows: those behind a device that more likely opens than holds, in the state
 * that they ask for. A fault decides which states of a house can stand.
 */
final class Holding
{
    private const EVEN = 0.5;

    /** A device that opens with less is as good as closed: what a test tells by finding it open is next to nothing. */
    private const OPENS = 0.02;

    /** @var array<string, list<float>> device and state => how likely it stays closed, for each of what is believed */
    private array $closed = [];

    /** @var array<string, true> devices that enough of what is likely is behind */
    private array $suspected = [];

    /** @var array<string, TestPlan> with what would not stay closed left off */
    private array $left = [];

    /** @var array<string, array<string, int>> device => how often it was seen to do what with everything on, since the last repair */
    private array $seen = [];

    private readonly State $resting;

    /**
     * @param array<string, float>                   $circuits circuit => how likely the cause is on it
     * @param \Closure(Measurement): PredictionTable $tables   of the causes that matter
     */
    public function __construct(private readonly House $house, Ranking $ranking, private readonly Beliefs $beliefs, array $circuits, private readonly \Closure $tables)
    {
        $this->resting = State::resting($house);
        foreach ($ranking->evidence as $piece) {
            if ($piece->measurement->instrument instanceof DeviceWatch && $piece->repaired === $ranking->repaired && !$this->isRelieved($piece->measurement->state)) {
                $device = $piece->measurement->connection->device();
                $pattern = $piece->reading->pattern;
                $this->seen[$device][$pattern] = ($this->seen[$device][$pattern] ?? 0) + 1;
            }
        }
        $mass = [];
        foreach ($circuits as $circuit => $probability) {
            foreach (isset($house->circuits[$circuit]) ? Protection::devices($house, (string) $circuit) : [] as $device) {
                $mass[$device->id] = ($mass[$device->id] ?? 0.0) + $probability;
            }
        }
        foreach ($mass as $device => $probability) {
            if (($probability >= self::EVEN || isset($this->seen[$device][DeviceWatch::TRIPS])) && $this->opens($house->parts[$device], $this->resting)) {
                $this->suspected[$device] = true;
            }
        }
    }

    /** The test with what would not stay closed left off; null where it has to be closed for it. */
    public function standing(TestPlan $plan): ?TestPlan
    {
        $watched = $plan->measurement->instrument instanceof DeviceWatch ? $plan->measurement->connection->device() : null;
        if ([] === $this->suspected || (null === $watched && !Watched::isLive($this->house, $plan->measurement))) {
            return $plan;
        }
        $state = $plan->measurement->state;
        $off = array_filter(array_keys($this->suspected), fn (string $device): bool => $device !== $watched && 'off' !== $state->position($device, 'on') && $this->opens($this->house->parts[$device], $this->isRelieved($state) ? $state : $this->resting));
        if ([] === $off) {
            return $plan;
        }

        $needed = null === $watched ? array_keys(Watched::by($this->house, $plan->measurement)) : Protection::before($this->house, $watched);

        return [] !== array_intersect($needed, $off) ? null : $this->left[$plan->id] ??= $plan->leavingOff($this->house, ...array_values($off));
    }

    /**
     * What is believed under which a device that a live test needs closed is found open: whoever goes there sees that without the
     * test, which therefore tells nothing of it.
     *
     * @return array<int, true> by atom
     */
    public function found(TestPlan $plan): array
    {
        if ($plan->measurement->instrument instanceof DeviceWatch) {
            return [];
        }
        $isRelieved = $this->isRelieved($plan->measurement->state);
        $open = [];
        foreach (array_keys(Watched::by($this->house, $plan->measurement)) as $device) {
            $part = $this->house->parts[$device];
            // With something off or out it is worked out anew, for a device that is suspected alone: elsewhere that tells too little.
            if (1.0 - $this->holds($part, $this->resting) >= ($isRelieved ? self::EVEN : self::OPENS)) {
                $open += array_filter($this->closed($part, $isRelieved ? $plan->measurement->state : $this->resting), static fn (float $closed): bool => $closed < self::EVEN);
            }
        }

        return array_fill_keys(array_keys($open), true);
    }

    /** Whether something is off or out that is not while the house rests; what is on besides makes no device hold. */
    private function isRelieved(State $state): bool
    {
        foreach ($this->resting->changesTo($state) as $change) {
            if (\in_array($change->value, ['off', 'out'], true)) {
                return true;
            }
        }

        return false;
    }

    private function opens(Part $device, State $state): bool
    {
        return $this->holds($device, $state) < self::EVEN;
    }

    /** What has no name makes a device do again what it was seen to do, as often: one slip among many does not count for all. */
    private function seenToHold(Part $device): float
    {
        $seen = $this->seen[$device->id] ?? [];

        return [] === $seen ? 1.0 : ($seen[DeviceWatch::HOLDS] ?? 0) / array_sum($seen);
    }

    /** The probability that it stays closed. */
    private function holds(Part $device, State $state): float
    {
        $holds = 0.0;
        foreach ($this->closed($device, $state) as $at => $closed) {
            $holds += $this->beliefs->weights[$at] * $closed;
        }

        return $holds;
    }

    /** @return list<float> by atom */
    private function closed(Part $device, State $state): array
    {
        return $this->closed["$device->id {$state->hash()}"] ??= $this->watched($device, $state);
    }

    /** @return list<float> */
    private function watched(Part $device, State $state): array
    {
        $watch = Watched::device($device, $state);
        if (null === $watch) {
            return array_fill(0, \count($this->beliefs->atoms), 1.0);
        }
        $table = ($this->tables)($watch);
        $witness = DeviceWatch::briefly();
        $unnamed = $state === $this->resting ? $this->seenToHold($device) : 1.0;

        return array_map(static fn (Atom $atom): float => Hypothesis::ELSE === $atom->hypothesis->id ? $unnamed : $witness->probability($table->rows->row($atom->place($table->noticed($atom->hypothesis), $state->isLoaded()))->shown, DeviceWatch::HOLDS), $this->beliefs->atoms);
    }
}
