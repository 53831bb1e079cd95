<?php

declare(strict_types=1);

namespace YellowProbe\Procedure;

use YellowProbe\Installation\BoardEnds;
use YellowProbe\Installation\House;
use YellowProbe\Installation\LineMap;
use YellowProbe\Installation\Ring;
use YellowProbe\Installation\Role;
use YellowProbe\Installation\StateChange;
use YellowProbe\Instrument\Connection;

/**
 * Insulation of a circuit on either side of a point where it is parted: line and neutral of one cable out of their terminals
 * there, where it goes on from a point or where it comes in: a leak of the point is parted from one of its cable only so.
 * Which parting is worth most is for the planner; of a ring the last leg is out at the board as well.
 */
final readonly class InsulationHalves extends EnteredTest
{
    /** Of one pair of poles on one side, the parting itself apart (typical values, T6: three pairs in 4 min). */
    private const MINUTES = 1.3;

    private const LINES = ['L' => 'L', 'L1' => 'L1', 'L2' => 'L2'];

    public function __construct()
    {
        parent::__construct('insulation-halves');
    }

    public function plans(House $house): array
    {
        $plans = [];
        foreach (States::circuits($house) as $circuit) {
            $earth = BoardEnds::earthAtBoard($house, $circuit);
            if (null === $earth) {
                continue;
            }
            foreach (self::partings($house, $circuit) as [$part, $cable, $words, $isIn, $beyond]) {
                $ends = States::jointsAt($house, $cable, $part);
                $lines = array_intersect_key($ends, self::LINES);
                if ([] === $lines || !isset($ends['N'])) {
                    continue;
                }
                $lifted = array_map(static fn (string $joint): StateChange => new StateChange('lift', $joint), [...array_values($lines), $ends['N'], ...self::lastLeg($house, $circuit, $cable)]);
                $state = States::boardOff($house, States::deviceOff($house, $circuit), ...$lifted, ...States::neutralLifted($house, $circuit), ...States::loadsOut($house, $circuit), ...States::switchesClosed($house, $circuit));
                foreach (self::pairs(array_keys($lines)) as $pair => $poles) {
                    foreach (['towards' => 'towards the board', 'beyond' => 'beyond'] as $side => $where) {
                        // The lifted end is the cable's: where it comes in it is on the board's side, where it goes on beyond.
                        $leads = array_map(static fn (string $pole): string => match (true) {
                            'E' === $pole => $earth,
                            $isIn === ('towards' === $side) => $ends[$pole],
                            default => self::landed($house, $cable, $pole, $part),
                        }, $poles);
                        $plans[] = $this->plan("$circuit:$cable:".($isIn ? 'in:' : '')."$pair:$side", "Insulation $pair of {$house->circuits[$circuit]->name}, parted at {$house->parts[$part]->name} $words, $where", $state, 'insulation-tester', Connection::leads(...$leads), self::MINUTES, $beyond);
                    }
                }
            }
        }

        return $plans;
    }

    /** @return list<array{string, string, string, bool, list<string>}> points at which a circuit can be parted, the cable that is lifted there, from what that parts it, whether it comes in there, and the parts and cables beyond */
    private static function partings(House $house, string $circuit): array
    {
        $stops = LineMap::of($house, $circuit)['stops'];
        $ring = Ring::of($house, $circuit);
        $leg = null === $ring ? null : $ring->cables[\count($ring->cables) - 1];
        $partings = [];
        foreach ($stops as $stop) {
            if (1 !== \count($stop['cables'])) {
                continue;
            }
            [$cable] = $stop['cables'];
            $before = $house->parts[$stop['after'] ?? '']->name ?? 'the board';
            // A ring's last leg is free at the board, and hangs on its last point.
            $behind = LineMap::behind($stops, $stop['part']);
            $beyond = null !== $ring && \in_array($ring->points[\count($ring->points) - 1], $behind, true) ? [...$behind, (string) $leg] : $behind;
            if (null !== $stop['after']) {
                $partings[] = [$stop['after'], $cable, "before {$house->parts[$stop['part']]->name}", false, [$cable, ...$beyond]];
            }
            $partings[] = [$stop['part'], $cable, "from the cable that comes from $before", true, $beyond];
        }
        if (null !== $ring) {
            $partings[] = [$ring->points[\count($ring->points) - 1], (string) $leg, 'from the last leg', false, [(string) $leg]];
        }

        return $partings;
    }

    /** @return list<string> the line of a ring's last leg at the board, where the ring itself is parted; its neutrals are all out there */
    private static function lastLeg(House $house, string $circuit, string $cable): array
    {
        $ring = Ring::of($house, $circuit);
        $line = null !== $ring && \in_array($cable, $ring->cables, true) ? Ring::joint($house, $ring->cables[\count($ring->cables) - 1], 'L', null) : null;

        return null === $line ? [] : [$line];
    }

    /**
     * Every pair of the conductors that are parted, and each of them to earth.
     *
     * @param list<string> $lines one line, or two legs
     *
     * @return array<string, array{string, string}> by name: L–E, N–E, L–N
     */
    private static function pairs(array $lines): array
    {
        $pairs = [];
        foreach ([...$lines, 'N'] as $pole) {
            $pairs["{$pole}–E"] = [$pole, 'E'];
        }
        foreach ($lines as $line) {
            $pairs["{$line}–N"] = [$line, 'N'];
        }

        return \count($lines) > 1 ? $pairs + ["$lines[0]–$lines[1]" => [$lines[0], $lines[1]]] : $pairs;
    }

    /** The terminal that a pole of a cable lands on at a point. */
    private static function landed(House $house, string $cable, string $pole, string $part): string
    {
        foreach (($house->cables[$cable]->of(Role::from($pole))[0] ?? null)->ends ?? [] as $terminal) {
            if (null !== $terminal && $house->partOf($terminal)->id === $part) {
                return $terminal;
            }
        }

        throw new \LogicException("$cable does not land on $part.");
    }
}
