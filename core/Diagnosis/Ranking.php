<?php

declare(strict_types=1);

namespace YellowProbe\Diagnosis;

use YellowProbe\Instrument\ComplaintTrial;

/** All causes in the order of their probability, and the same grouped so that a person can act on it. */
final class Ranking
{
    /** Two places are one line while no reading so far prefers one by more than this many nats. */
    private const ALIKE = 0.25;

    /** From this chance on a reading was a slip, or made by what has no name. */
    private const ODD = 0.5;

    /** @var list<string> what has been repaired so far, in the order of the names */
    public readonly array $repaired;

    /** @var array<int, array{float, float}> */
    private array $expected = [];

    /**
     * @param list<Standing> $standings likeliest first
     * @param list<Evidence>       $evidence  in the order that the standings' outcomes are in
     * @param array<string, float> $spread    what the readings left of each factor's standard deviation, under the leading cause
     */
    public function __construct(public readonly array $standings, public readonly array $evidence, public readonly array $spread = [])
    {
        $repaired = [];
        foreach ($standings as $standing) {
            if ($standing->hypothesis->isRepaired) {
                $repaired[$standing->hypothesis->stem] = $standing->hypothesis->stem;
            }
        }
        ksort($repaired);
        $this->repaired = array_values($repaired);
    }

    /**
     * How likely a reading was over all causes: by prior, not by posterior, for a reading that has already killed the others
     * must still count.
     *
     * @return array{float, float} sum of prior times likelihood, sum of the priors
     */
    public function expected(int $at): array
    {
        if (!isset($this->expected[$at])) {
            $sum = $weight = 0.0;
            foreach ($this->standings as $standing) {
                $sum += $standing->hypothesis->prior * exp($standing->each[$at]);
                $weight += $standing->hypothesis->prior;
            }
            $this->expected[$at] = [$sum, $weight];
        }

        return $this->expected[$at];
    }

    /** How likely a reading was a slip, or disturbed by what has no name, over all that still fits. */
    public function doubt(int $at): float
    {
        $piece = $this->evidence[$at];
        $broad = $piece->display->broad($piece->reading);
        $doubt = 0.0;
        foreach ($this->standings as $standing) {
            $anything = Hypothesis::ELSE === $standing->hypothesis->id ? Unnamed::TOUCHED : $piece->blunder;
            $doubt += $standing->probability * min(1.0, $anything * $broad / exp($standing->each[$at]));
        }

        return $doubt;
    }

    /** @return list<Evidence> readings that nothing on the list explains, the oddest first; one of each test */
    public function unexplained(): array
    {
        $odd = $doubts = [];
        foreach ($this->evidence as $at => $piece) {
            $doubt = $this->doubt($at);
            $test = $piece->measurement->hash();
            if ($doubt >= self::ODD && !$piece->measurement->instrument instanceof ComplaintTrial) {
                $odd[$test] = $piece;
                $doubts[$test] = -$doubt;
            } elseif (isset($odd[$test]) && $odd[$test]->reading->raw !== $piece->reading->raw) {
                unset($odd[$test], $doubts[$test]); // read again, it is as it should be
            }
        }
        array_multisort($doubts, \SORT_ASC, array_keys($doubts), \SORT_ASC, \SORT_STRING, $odd);

        return array_values($odd);
    }

    public function probability(string $hypothesisId): float
    {
        return $this->standing($hypothesisId)->probability ?? 0.0;
    }

    public function standing(string $hypothesisId): ?Standing
    {
        foreach ($this->standings as $standing) {
            if ($standing->hypothesis->id === $hypothesisId) {
                return $standing;
            }
        }

        return null;
    }

    /**
     * Causes of one kind that the evidence cannot tell apart, as one suspect.
     *
     * @return list<Suspect> likeliest first
     */
    public function suspects(): array
    {
        $groups = $repairs = $titled = [];
        foreach ($this->standings as $standing) {
            $hypothesis = $standing->hypothesis;
            // A fault that stays and the same one coming and going want the same repair.
            $at = $repairs[$hypothesis->repair] ?? null;
            if (null === $at) {
                $title = null === $hypothesis->kind ? $hypothesis->id : $hypothesis->title();
                $at = self::groupOf($standing, $groups, $titled[$title] ?? []) ?? \count($groups);
                $titled[$title][$at] = $at;
            }
            $groups[$at][] = $standing;
            $repairs[$hypothesis->repair] = $at;
        }
        $suspects = array_map(fn (array $group): Suspect => new Suspect($group, $this), $groups);
        usort($suspects, static fn (Suspect $a, Suspect $b): int => [$b->probability, $a->lead()->hypothesis->id] <=> [$a->probability, $b->lead()->hypothesis->id]);

        return $suspects;
    }

    /**
     * @param array<int, non-empty-list<Standing>> $groups
     * @param array<int, int>                      $titled those of the same title
     */
    private static function groupOf(Standing $standing, array $groups, array $titled): ?int
    {
        foreach (null === $standing->hypothesis->kind ? [] : $titled as $at) {
            if (self::alike($groups[$at][0], $standing)) {
                return $at;
            }
        }

        return null;
    }

    private static function alike(Standing $a, Standing $b): bool
    {
        foreach ($a->each as $at => $log) {
            if (abs($log - $b->each[$at]) > self::ALIKE) {
                return false;
            }
        }

        return true;
    }
}
