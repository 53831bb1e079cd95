<?php

declare(strict_types=1);

namespace YellowProbe\Diagnosis;

/**
 * Expected minutes lost when the best repair is done now: what a repair of the wrong kind costs, and the places of the
 * right kind that are opened for nothing before the right one, the likeliest first.
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

    /**
     * @param list<int|null> $kinds  of each atom: what one repair is for; null for what cannot be repaired
     * @param list<int>      $places of each atom: what has to be opened for it
     */
    public function __construct(private array $kinds, private array $places)
    {
    }

    public static function of(Beliefs $beliefs): self
    {
        $kinds = $places = $kindOf = $placeOf = [];
        foreach ($beliefs->atoms as [$hypothesis, $severity]) {
            // What is not there just now cannot be repaired either: the house is left, and somebody comes back.
            $isQuiet = Hypothesis::SOUND === $hypothesis->repair || ($hypothesis->intermittent && $severity >= \count($hypothesis->ohms()));
            $kinds[] = Hypothesis::ELSE === $hypothesis->id ? null : $kindOf[$isQuiet ? Hypothesis::SOUND : $hypothesis->title()] ??= \count($kindOf);
            $places[] = $placeOf[$isQuiet ? '' : implode(' ', $hypothesis->site->places ?? [])] ??= \count($placeOf);
        }

        return new self($kinds, $places);
    }

    /**
     * @param list<float> $weights of the atoms, summing to 1
     *
     * @return float minutes
     */
    public function minutes(array $weights): float
    {
        $byPlace = $sums = [];
        foreach ($weights as $atom => $weight) {
            $kind = $this->kinds[$atom];
            if (null !== $kind) {
                $place = $this->places[$atom];
                $byPlace[$kind][$place] = ($byPlace[$kind][$place] ?? 0.0) + $weight;
                $sums[$kind] = ($sums[$kind] ?? 0.0) + $weight;
            }
        }
        $least = self::WRONG_REPAIR_MINUTES;
        foreach ($sums as $kind => $sum) {
            $minutes = (1.0 - $sum) * self::WRONG_REPAIR_MINUTES;
            if ($minutes < $least) {
                $shares = $byPlace[$kind];
                rsort($shares);
                foreach ($shares as $before => $share) {
                    $minutes += $before * $share * self::WRONG_PLACE_MINUTES;
                }
                $least = min($least, $minutes);
            }
        }

        return $least;
    }
}
