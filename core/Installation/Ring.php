<?php

declare(strict_types=1);

namespace YellowProbe\Installation;

/** A circuit whose wiring leaves the board and comes back to it: its points in order and the cables between them. */
final readonly class Ring
{
    /**
     * @param non-empty-list<string> $points parts from the board round to the board
     * @param list<string>           $cables one more than points: cable i ends at point i, the last one at the board
     */
    private function __construct(public string $circuit, public array $points, public array $cables)
    {
    }

    /** @return list<self> in the order of their circuits */
    public static function all(House $house): array
    {
        $rings = [];
        foreach (BoardEnds::circuits($house) as $circuit) {
            $ring = self::of($house, $circuit);
            if (null !== $ring) {
                $rings[] = $ring;
            }
        }

        return $rings;
    }

    public static function of(House $house, string $circuit): ?self
    {
        $map = LineMap::of($house, $circuit);
        $stops = array_column($map['stops'], null, 'part');
        foreach ($map['returns'] as $return) {
            if (null !== $return['to'] || null === $return['from']) {
                continue;
            }
            $points = [];
            $cables = [$return['cable']];
            for ($part = $return['from']; null !== $part; $part = $stops[$part]['after']) {
                array_unshift($points, $part);
                array_unshift($cables, $stops[$part]['cables'][0]);
            }
            if (\count($points) > 1) {
                return new self($circuit, $points, $cables);
            }
        }

        return null;
    }

    /** @return array<string, string> cable => circuit, of every ring */
    public static function cablesOf(House $house): array
    {
        $cables = [];
        foreach (self::all($house) as $ring) {
            $cables += array_fill_keys($ring->cables, $ring->circuit);
        }

        return $cables;
    }

    /** The joint of a core of one of its cables at a point, or at the board. */
    public static function joint(House $house, string $cable, string $role, ?string $point): ?string
    {
        $core = $house->cables[$cable]->of(Role::from($role))[0] ?? null;
        foreach ([1, 2] as $end) {
            $terminal = $core?->ends[$end - 1];
            if (null !== $core && null !== $terminal) {
                $part = $house->partOf($terminal);
                if ($part->id === $point || (null === $point && 'board' === $house->places[$part->place]->kind)) {
                    return $core->joint($end);
                }
            }
        }

        return null;
    }
}
