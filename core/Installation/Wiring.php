<?php

declare(strict_types=1);

namespace YellowProbe\Installation;

/** Which cables land where: an index over a house, made once with it. */
final readonly class Wiring
{
    /**
     * @param array<string, string>                  $circuits part => circuit
     * @param array<string, list<array{Core, 1|2}>>  $landed   terminal => cores landed on it
     */
    private function __construct(private array $circuits, private array $landed)
    {
    }

    /**
     * @param array<string, Place>    $places
     * @param array<string, Part>     $parts
     * @param array<string, Cable>    $cables
     * @param array<string, Circuit>  $circuits
     * @param array<string, Terminal> $terminals
     */
    public static function of(array $places, array $parts, array $cables, array $circuits, array $terminals): self
    {
        $ofPart = [];
        foreach ($circuits as $circuit) {
            $ofPart[$circuit->way] = $circuit->id;
        }
        $landed = [];
        ksort($cables);
        foreach ($cables as $cable) {
            foreach ($cable->cores as $core) {
                foreach ([1, 2] as $end) {
                    $terminal = $core->ends[$end - 1];
                    if (null === $terminal) {
                        continue;
                    }
                    $landed[$terminal][] = [$core, $end];
                    $part = $parts[$terminals[$terminal]->part];
                    // Bars and devices of a board serve several circuits; a point belongs to the one that feeds it.
                    if (null !== $cable->circuit && 'board' !== $places[$part->place]->kind) {
                        $ofPart[$part->id] ??= $cable->circuit;
                    }
                }
            }
        }

        return new self($ofPart, $landed);
    }

    public function circuitOf(string $part): ?string
    {
        return $this->circuits[$part] ?? null;
    }

    /** @return list<array{Core, 1|2}> cores landed on a terminal with the end that lands there */
    public function landedOn(string $terminal): array
    {
        return $this->landed[$terminal] ?? [];
    }
}
