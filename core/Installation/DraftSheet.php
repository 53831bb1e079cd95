<?php

declare(strict_types=1);

namespace YellowProbe\Installation;

/**
 * A house document while it is drawn: what a draft puts on it, in the words of the file format.
 *
 * @internal
 */
final class DraftSheet
{
    /** @var array<string, array<string, mixed>> */
    private array $places = [];

    /** @var array<string, array<string, mixed>> */
    private array $parts = [];

    /** @var array<string, array<string, mixed>> */
    private array $cables = [];

    /** @var array<string, array<string, mixed>> */
    private array $circuits = [];

    /** @var array{positions: array<string, string>, loads: array<string, string>} */
    private array $rest = ['positions' => [], 'loads' => []];

    public function __construct(private readonly string $name, private readonly string $ruleSet)
    {
    }

    /** @return array<string, mixed> */
    public function document(): array
    {
        return [
            'format' => House::FORMAT,
            'name' => $this->name,
            'ruleSet' => $this->ruleSet,
            'places' => $this->places,
            'parts' => $this->parts,
            'cables' => $this->cables,
            'circuits' => $this->circuits,
            'rest' => $this->rest,
        ];
    }

    public function place(string $id, string $kind, string $name, string $room): void
    {
        $this->places[$id] = ['kind' => $kind, 'name' => $name, 'room' => $room];
    }

    /** @param array<string, mixed> $part */
    public function part(string $id, string $place, array $part): void
    {
        $this->parts[$id] = ['place' => $place] + $part;
    }

    /** @param array<string, mixed> $circuit */
    public function circuit(string $id, array $circuit): void
    {
        $this->circuits[$id] = $circuit;
    }

    /** The position of a switch when the house rests; what was put down last stands first. */
    public function position(string $switch, string $position): void
    {
        $this->rest['positions'] = [$switch => $position] + $this->rest['positions'];
    }

    /** The same of a load: on, off or out. */
    public function load(string $id, string $rest): void
    {
        $this->rest['loads'] = [$id => $rest] + $this->rest['loads'];
    }

    /** @param array<string, mixed> $part */
    public function point(string $id, string $name, string $room, array $part): void
    {
        $this->place("p-$id", 'point', $name, $room);
        $this->part($id, "p-$id", ['name' => $name] + $part);
    }

    /**
     * @param array<string, mixed>                                 $cable
     * @param array{line: string, neutral: string, earth: string} $from
     * @param array{line: string, neutral: string, earth: string} $to
     */
    public function run(string $id, string $circuit, float $metres, array $cable, array $from, array $to): void
    {
        $this->cable($id, $circuit, $metres, $cable, ['L' => [$from['line'], $to['line']], 'N' => [$from['neutral'], $to['neutral']], 'E' => [$from['earth'], $to['earth']]]);
    }

    /**
     * @param array<string, mixed>                     $cable
     * @param array<string, array{string, string}>     $cores
     * @param array<string, string>                    $roles  of cores that are not named by theirs
     */
    public function cable(string $id, string $circuit, float $metres, array $cable, array $cores, array $roles = []): void
    {
        $joined = [];
        foreach ($cores as $key => $ends) {
            $joined[$key] = (isset($roles[$key]) ? ['role' => $roles[$key]] : []) + ['ends' => $ends];
        }
        $this->cables[$id] = ['kind' => 'flat', 'circuit' => $circuit, 'lengthMetres' => ['value' => $metres, 'knowing' => 'assumed']] + $cable + ['cores' => $joined];
    }

    public function wire(string $id, string $role, string $from, string $to, float $ohms): void
    {
        $this->cables[$id] = ['kind' => 'board-wire', 'ohms' => $ohms, 'cores' => [$role => ['ends' => [$from, $to]]]];
    }
}
