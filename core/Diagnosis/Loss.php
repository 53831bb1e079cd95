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
    /** Half a day: the repair, its proof that fails or the call that comes back, another visit, and the fault left in the house meanwhile. */
    public const WRONG_REPAIR_MINUTES = 240.0;

    /**
     * Half of that: the place is opened, its joints undone and made again, closed and proved; and what is small or comes and
     * goes is proved by the complaint that stays away, so that as often as not somebody has to come back.
     */
    public const WRONG_PLACE_MINUTES = 120.0;

    /** At the right place another joint or contact than the right one: undone, looked at and made again. */
    public const WRONG_JOINT_MINUTES = 3.0;

    /**
     * @param list<int|null> $kinds  of each atom: what one repair is for; null for what cannot be repaired
     * @param list<int>      $places of each atom: what has to be opened for it
     * @param list<int>      $joints of each atom: what is undone there
     */
    public function __construct(private array $kinds, private array $places, private array $joints)
    {
    }

    public static function of(Beliefs $beliefs): self
    {
        $kinds = $places = $joints = $kindOf = $placeOf = [];
        foreach ($beliefs->atoms as $atom => [$hypothesis, $severity]) {
            // What is not there just now cannot be repaired either: the house is left, and somebody comes back.
            $isQuiet = Hypothesis::SOUND === $hypothesis->repair || ($hypothesis->intermittent && $severity >= \count($hypothesis->ohms()));
            $kinds[] = Hypothesis::ELSE === $hypothesis->id ? null : $kindOf[$isQuiet ? Hypothesis::SOUND : $hypothesis->title()] ??= \count($kindOf);
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
        $shares = $sums = [];
        foreach ($weights as $atom => $weight) {
            $kind = $this->kinds[$atom];
            if (null !== $kind) {
                [$place, $joint] = [$this->places[$atom], $this->joints[$atom]];
                $shares[$kind][$place][$joint] = ($shares[$kind][$place][$joint] ?? 0.0) + $weight;
                $sums[$kind] = ($sums[$kind] ?? 0.0) + $weight;
            }
        }
        $least = self::WRONG_REPAIR_MINUTES;
        foreach ($sums as $kind => $sum) {
            $minutes = (1.0 - $sum) * self::WRONG_REPAIR_MINUTES;
            if ($minutes < $least) {
                $least = min($least, $minutes + self::inTurn(array_map(array_sum(...), $shares[$kind]), self::WRONG_PLACE_MINUTES) + array_sum(array_map(static fn (array $joints): float => self::inTurn($joints, self::WRONG_JOINT_MINUTES), $shares[$kind])));
            }
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
