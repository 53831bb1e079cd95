<?php

declare(strict_types=1);

namespace YellowProbe\Diagnosis;

/**
 * Expected minutes lost when the best repair is done now: what a repair of the wrong kind costs, and the places of the
 * right kind that are opened for nothing before the right one, and the joints there, the likeliest first.
 *
 * What has no name cannot be repaired; nothing wrong can be left alone, and is then wrong by a visit.
 */
final readonly class Loss
{
    /** A day: the repair, its proof that fails or the call that comes back, another visit that finds what this one did not, and the fault left in the house meanwhile. */
    public const WRONG_REPAIR_MINUTES = 480.0;

    /**
     * Half of that: the place is opened, its joints undone and made again, closed and proved; and what is small or comes and
     * goes is proved by the complaint that stays away, so that as often as not somebody has to come back.
     */
    public const WRONG_PLACE_MINUTES = 240.0;

    /** At the right place another joint or contact than the right one: undone, looked at, made again, and proved as new work. */
    public const WRONG_JOINT_MINUTES = 20.0;

    /** @var list<int|null> of each atom: its joint, one after the other; null for what cannot be repaired */
    private array $slots;

    /** @var array<int, array<int, list<int>>> kind => place => its joints */
    private array $tree;

    /**
     * @param list<int|null> $kinds  of each atom: what one repair is for; null for what cannot be repaired
     * @param list<int>      $places of each atom: what has to be opened for it
     * @param list<int>      $joints of each atom: what is undone there
     */
    public function __construct(array $kinds, array $places, array $joints)
    {
        $slots = $tree = $known = [];
        $next = 0;
        foreach ($kinds as $atom => $kind) {
            if (null === $kind) {
                $slots[] = null;
                continue;
            }
            $slot = $known[$kind][$places[$atom]][$joints[$atom]] ?? null;
            if (null === $slot) {
                $slot = $next++;
                $known[$kind][$places[$atom]][$joints[$atom]] = $slot;
                $tree[$kind][$places[$atom]][] = $slot;
            }
            $slots[] = $slot;
        }
        $this->slots = $slots;
        $this->tree = $tree;
    }

    public static function of(Beliefs $beliefs): self
    {
        $kinds = $places = $joints = $kindOf = $placeOf = [];
        foreach ($beliefs->atoms as $atom => $one) {
            // What is not there just now cannot be repaired either: the house is left, and somebody comes back.
            [$hypothesis, $isQuiet] = [$one->hypothesis, $one->isQuiet()];
            $kinds[] = Hypothesis::ELSE === $hypothesis->id ? null : $kindOf[match (true) {
                $isQuiet => Hypothesis::SOUND,
                null !== $hypothesis->site?->appliance => $hypothesis->remedy,
                default => $hypothesis->title(),
            }] ??= \count($kindOf);
            $places[] = $placeOf[$isQuiet ? '' : implode(' ', $hypothesis->site->places ?? [])] ??= \count($placeOf);
            $joints[] = $isQuiet ? -1 : $beliefs->groups[$atom];
        }

        return new self($kinds, $places, $joints);
    }

    /**
     * @param list<float> $weights of the atoms, summing to 1
     *
     * @return float minutes
     */
    public function minutes(array $weights): float
    {
        $shares = [];
        foreach ($weights as $atom => $weight) {
            $slot = $this->slots[$atom];
            if (null !== $slot) {
                $shares[$slot] = ($shares[$slot] ?? 0.0) + $weight;
            }
        }
        $least = self::WRONG_REPAIR_MINUTES;
        foreach ($this->tree as $places) {
            $sums = [];
            foreach ($places as $joints) {
                $sum = 0.0;
                foreach ($joints as $slot) {
                    $sum += $shares[$slot] ?? 0.0;
                }
                $sums[] = $sum;
            }
            $minutes = (1.0 - array_sum($sums)) * self::WRONG_REPAIR_MINUTES;
            if ($minutes >= $least) {
                continue;
            }
            $minutes += self::inTurn($sums, self::WRONG_PLACE_MINUTES);
            foreach ($places as $joints) {
                $minutes += 1 === \count($joints) ? 0.0 : self::inTurn(array_map(static fn (int $slot): float => $shares[$slot] ?? 0.0, $joints), self::WRONG_JOINT_MINUTES);
            }
            $least = min($least, $minutes);
        }

        return $least;
    }

    /**
     * Expected minutes spent on the wrong ones when each is tried in turn, the likeliest first.
     *
     * @param array<int, float> $shares
     */
    private static function inTurn(array $shares, float $each): float
    {
        $minutes = 0.0;
        rsort($shares);
        foreach ($shares as $before => $share) {
            $minutes += $before * $share * $each;
        }

        return $minutes;
    }
}
