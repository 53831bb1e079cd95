<?php

declare(strict_types=1);

namespace YellowProbe\Installation;

/**
 * What is switched, lifted, linked, plugged and on: everything that is not wiring and not a fault.
 *
 * Only what differs from "closed, landed, plugged in, on" is held explicitly; {@see hash()} is canonical.
 */
final readonly class State
{
    /** What stands in for a load at an outlet: a heater of 2 kW plugged in for a test. */
    public const HEATER = 'heater';
    public const HEATER_WATTS = 2000.0;

    /**
     * @param array<string, string> $positions part => on | off, or 1 | 2 for a two-way switch
     * @param array<string, true>   $lifted    joints taken out of their terminals
     * @param list<array{string, string}> $links test links fitted between two terminals, each pair sorted
     * @param array<string, string> $loads     load => on | off | out (unplugged, lamp removed); outlet ("socket.front") => heater
     */
    private function __construct(public array $positions, public array $lifted, public array $links, public array $loads)
    {
    }

    /** The state the house is left in when nobody works on it. */
    public static function resting(House $house): self
    {
        return self::fromArray($house->rest->raw, '/rest');
    }

    /** @param array<array-key, mixed> $raw */
    public static function fromArray(array $raw, string $path = ''): self
    {
        $attributes = new Attributes($raw, $path);
        $texts = static function (string $key) use ($attributes): array {
            $texts = [];
            foreach ($attributes->object($key)->raw as $id => $_) {
                $texts[(string) $id] = $attributes->object($key)->string((string) $id);
            }

            return $texts;
        };
        $links = [];
        foreach ($attributes->object('links')->raw as $at => $pair) {
            if (!\is_array($pair) || !\is_string($pair[0] ?? null) || !\is_string($pair[1] ?? null)) {
                throw new HouseError("$path/links/$at", 'Expected a pair of terminals.');
            }
            $links[] = [$pair[0], $pair[1]];
        }

        return self::canonical($texts('positions'), array_fill_keys($attributes->strings('lifted'), true), $links, $texts('loads'));
    }

    /** @return array{positions: array<string, string>, lifted: list<string>, links: list<array{string, string}>, loads: array<string, string>} */
    public function toArray(): array
    {
        return ['positions' => $this->positions, 'lifted' => array_map(strval(...), array_keys($this->lifted)), 'links' => $this->links, 'loads' => $this->loads];
    }

    public function hash(): string
    {
        return hash('xxh128', json_encode($this->toArray(), \JSON_THROW_ON_ERROR));
    }

    public function position(string $part, string $default): string
    {
        return $this->positions[$part] ?? $default;
    }

    public function load(string $load): string
    {
        return $this->loads[$load] ?? 'on';
    }

    /** Whether a heater is plugged in somewhere for a test. */
    public function isLoaded(): bool
    {
        return \in_array(self::HEATER, $this->loads, true);
    }

    public function isLifted(string $joint): bool
    {
        return isset($this->lifted[$joint]);
    }

    public function isLinked(string $a, string $b): bool
    {
        return \in_array(self::pair($a, $b), $this->links, true);
    }

    public function after(StateChange ...$changes): self
    {
        [$positions, $lifted, $links, $loads] = [$this->positions, $this->lifted, $this->links, $this->loads];
        foreach ($changes as $change) {
            switch ($change->operation) {
                case 'set':
                    $positions[$change->subject] = $change->value;
                    break;
                case 'load':
                    $loads[$change->subject] = $change->value;
                    break;
                case 'lift':
                    $lifted[$change->subject] = true;
                    break;
                case 'refit':
                    unset($lifted[$change->subject]);
                    break;
                case 'link':
                    $links[] = [$change->subject, $change->value];
                    break;
                case 'unlink':
                    $gone = self::pair($change->subject, $change->value);
                    $links = array_values(array_filter($links, static fn (array $pair): bool => $pair !== $gone));
                    break;
            }
        }

        return self::canonical($positions, $lifted, $links, $loads);
    }

    /**
     * The changes that lead from here to another state, in the order a careful person makes them: loads off, switches,
     * then conductors and links; the ledger of temporary changes is this list from the resting state.
     *
     * @return list<StateChange>
     */
    public function changesTo(self $target): array
    {
        $changes = [];
        foreach (array_keys($this->loads + $target->loads) as $load) {
            if ($this->load((string) $load) !== $target->load((string) $load)) {
                $changes[] = new StateChange('load', (string) $load, $target->load((string) $load));
            }
        }
        foreach (array_keys($this->positions + $target->positions) as $part) {
            $to = $target->position((string) $part, 'on');
            if ($this->position((string) $part, 'on') !== $to) {
                $changes[] = new StateChange('set', (string) $part, $to);
            }
        }
        foreach (array_keys(array_diff_key($target->lifted, $this->lifted)) as $joint) {
            $changes[] = new StateChange('lift', (string) $joint);
        }
        foreach (array_keys(array_diff_key($this->lifted, $target->lifted)) as $joint) {
            $changes[] = new StateChange('refit', (string) $joint);
        }
        foreach ($target->links as $pair) {
            if (!\in_array($pair, $this->links, true)) {
                $changes[] = new StateChange('link', $pair[0], $pair[1]);
            }
        }
        foreach ($this->links as $pair) {
            if (!\in_array($pair, $target->links, true)) {
                $changes[] = new StateChange('unlink', $pair[0], $pair[1]);
            }
        }

        return $changes;
    }

    /**
     * @param array<string, string>       $positions
     * @param array<string, true>         $lifted
     * @param list<array{string, string}> $links
     * @param array<string, string>       $loads
     */
    private static function canonical(array $positions, array $lifted, array $links, array $loads): self
    {
        $positions = array_filter($positions, static fn (string $position): bool => 'on' !== $position);
        $loads = array_filter($loads, static fn (string $load): bool => 'on' !== $load);
        $links = array_map(static fn (array $pair): array => self::pair($pair[0], $pair[1]), $links);
        sort($links);
        ksort($positions);
        ksort($lifted);
        ksort($loads);

        return new self($positions, $lifted, array_values(array_unique($links, \SORT_REGULAR)), $loads);
    }

    /** @return array{string, string} */
    private static function pair(string $a, string $b): array
    {
        return $a <= $b ? [$a, $b] : [$b, $a];
    }
}
