<?php

declare(strict_types=1);

namespace YellowProbe\Diagnosis;

use YellowProbe\Fault\FaultNature;
use YellowProbe\Installation\House;
use YellowProbe\Instrument\Measurement;

/**
 * Two faults together, grown from the best singles when no single explains what was read: when the best one's readings lie
 * in the hundredth of cases that fit it worst, or what has no name has kept its share. The first is blind where a device held or
 * tripped time after time: of two outcomes the likely one is hardly a sign of fitting well. The second falls to nothing within a
 * few readings where some single does explain them.
 *
 * Nobody tries all pairs. For each of the leading singles the partners are those that make the most of the readings that it
 * leaves unexplained; only the most promising are worked out.
 */
final class Pairs
{
    /** Of complaints with a fault, 82 in 100 have one and 14 two (typical values, T7): of two faults, beside the product of their rates. */
    public const SECOND = 2.0 * 14.0 / 82.0;

    private const TAIL = 0.01;

    /** Share of its prior from which on what has no name has kept it. */
    private const KEPT = 0.1;

    private const LEADING = 12;
    private const MOST = 40;
    private const EXACT = 8;

    /** A partner has to be worth that much to what the leader leaves: less, and one fault is as good. */
    private const LEAST_NATS = 1.5;

    /**
     * All causes with the pairs that what was read asks for.
     *
     * @param non-empty-list<Hypothesis> $hypotheses singles
     * @param list<Evidence>             $evidence
     * @param (\Closure(House, Measurement, non-empty-list<Hypothesis>): PredictionTable)|null $sketch where tables of pairs come from; worked out when left out
     */
    public static function rank(House $house, array $hypotheses, array $evidence, ?\Closure $sketch = null): Ranking
    {
        $evidence = array_map(static fn (Evidence $piece): Evidence => $piece->on($piece->measurement->circuits($house)), $evidence);
        $ranker = Ranker::of($evidence);
        $singles = $ranker->ranked($hypotheses);
        $pairs = self::grown($singles);
        $together = [...self::together($house, $singles), ...self::mended($singles)];
        if ([] === $pairs && [] === $together) {
            return $singles;
        }
        // Each fault by itself says which pairs are worth working out: one may hide the other. What two do at one place nobody can say before.
        $evidence = self::apart($evidence, [...$pairs, ...$together]);
        $rough = $ranker->among($evidence)->ranked([...$hypotheses, ...$pairs]);
        $worked = [];
        foreach ([...self::best($rough->standings), ...$together] as $pair) {
            $worked[$pair->id] ??= $pair;
        }
        $others = array_filter($pairs, static fn (Hypothesis $pair): bool => !isset($worked[$pair->id]));

        return $ranker->among(self::among($house, array_values($worked), $evidence, $sketch))->ranked([...$hypotheses, ...array_values($worked), ...array_values($others)]);
    }

    /** @return list<Hypothesis> */
    public static function grown(Ranking $singles): array
    {
        $named = self::named($singles);
        $sound = self::sound($singles);
        $grown = self::second($named, $sound);
        if ([] === $named || \count($singles->evidence) < 2 || !self::isUnexplained($singles)) {
            return array_values($grown);
        }
        $promising = [];
        foreach (\array_slice($named, 0, self::LEADING) as $rank => $leader) {
            foreach (\array_slice($named, $rank + 1) as $partner) {
                $gained = 0.0;
                foreach ($leader->each as $at => $nats) {
                    $gained += max(0.0, $partner->each[$at] - $nats);
                }
                if ($gained >= self::LEAST_NATS) {
                    $promising["{$leader->hypothesis->id}&{$partner->hypothesis->id}"] = [$gained + array_sum($leader->each) + log(self::prior($leader->hypothesis, $partner->hypothesis, $sound)), $leader, $partner];
                }
            }
        }
        ksort($promising);
        uasort($promising, static fn (array $a, array $b): int => $b[0] <=> $a[0]);
        foreach (\array_slice($promising, 0, self::MOST) as [, $leader, $partner]) {
            $pair = Hypothesis::pair(self::narrowed($leader, 1), self::narrowed($partner, 1), self::prior($leader->hypothesis, $partner->hypothesis, $sound));
            $grown[$pair->id] ??= $pair;
        }

        return array_values($grown);
    }

    private static function isUnexplained(Ranking $singles): bool
    {
        $unnamed = $singles->standing(Hypothesis::ELSE);
        if (null !== $unnamed && $unnamed->probability > self::KEPT * $unnamed->hypothesis->prior) {
            return true;
        }

        return Misfit::tail($singles->evidence, self::fitting($singles)) <= self::TAIL;
    }

    /** @return list<Hypothesis> pairs that may do together what neither does alone */
    private static function together(House $house, Ranking $singles): array
    {
        $sound = self::sound($singles);
        $pairs = [];
        foreach (MadeTogether::partners($house, $singles, self::named($singles)) as [$leader, $partner]) {
            $pair = Hypothesis::pair($leader, $partner, self::prior($leader, $partner, $sound));
            $pairs[$pair->id] = $pair;
        }

        return array_values($pairs);
    }

    /** @return list<Standing> causes that a fault beside them makes a pair, likeliest first */
    private static function named(Ranking $singles): array
    {
        return array_values(array_filter($singles->standings, static fn (Standing $standing): bool => null !== $standing->hypothesis->kind && !$standing->hypothesis->intermittent && $standing->hypothesis->prior > 0.0));
    }

    /**
     * Once a fault is repaired there may be a second one that nothing has asked for yet: any other beside it.
     *
     * @param list<Standing> $named
     *
     * @return array<string, Hypothesis> by id
     */
    private static function second(array $named, Hypothesis $sound): array
    {
        $pairs = [];
        foreach ($named as $standing) {
            foreach ($standing->hypothesis->isRepaired ? $named : [] as $other) {
                if (!$other->hypothesis->isRepaired) {
                    $pair = Hypothesis::pair(self::narrowed($standing, 1), $other->hypothesis, self::prior($standing->hypothesis, $other->hypothesis, $sound));
                    $pairs[$pair->id] = $pair;
                }
            }
        }

        return $pairs;
    }

    /**
     * What was there together before both were repaired: the earlier readings are still held against it, and neither alone explains them.
     *
     * @return list<Hypothesis> those that explain most
     */
    private static function mended(Ranking $singles): array
    {
        $mended = array_values(array_filter(self::named($singles), static fn (Standing $standing): bool => $standing->hypothesis->isRepaired));
        $sound = self::sound($singles);
        $pairs = $nats = [];
        foreach ($mended as $rank => $one) {
            foreach (\array_slice($mended, $rank + 1) as $other) {
                $pairs[] = $pair = Hypothesis::pair($one->hypothesis, $other->hypothesis, self::prior($one->hypothesis, $other->hypothesis, $sound));
                $nats[] = -array_sum(array_map(static fn (float $first, float $second): float => max($first, $second), $one->each, $other->each)) - log($pair->prior);
            }
        }
        array_multisort($nats, \SORT_ASC, array_map(static fn (Hypothesis $pair): string => $pair->id, $pairs), \SORT_ASC, \SORT_STRING, $pairs);

        return \array_slice($pairs, 0, self::EXACT);
    }

    /**
     * The likeliest pairs, to be worked out.
     *
     * @param list<Standing> $standings likeliest first
     *
     * @return list<Hypothesis>
     */
    public static function best(array $standings): array
    {
        $pairs = array_filter($standings, static fn (Standing $standing): bool => [] !== $standing->hypothesis->both);

        return array_map(static fn (Standing $standing): Hypothesis => $standing->hypothesis, \array_slice(array_values($pairs), 0, self::EXACT));
    }

    /**
     * The same readings with what pairs would have shown there.
     *
     * @param list<Hypothesis> $pairs
     * @param list<Evidence>   $evidence
     * @param (\Closure(House, Measurement, non-empty-list<Hypothesis>): PredictionTable)|null $sketch
     *
     * @return list<Evidence>
     */
    public static function among(House $house, array $pairs, array $evidence, ?\Closure $sketch = null): array
    {
        $sketch ??= Predictor::sketch(...);

        return [] === $pairs ? $evidence : array_map(static fn (Evidence $piece): Evidence => $piece->with(
            static fn (): PredictionTable => $piece->table()->with(PairRows::of($piece->table(), $sketch($house, $piece->measurement, [Hypothesis::sound(1.0), ...$pairs]), $pairs)),
        ), $evidence);
    }

    /**
     * The same readings, each fault of these pairs with a severity of its own.
     *
     * @param list<Evidence>   $evidence
     * @param list<Hypothesis> $pairs
     *
     * @return list<Evidence>
     */
    private static function apart(array $evidence, array $pairs): array
    {
        return array_map(static fn (Evidence $piece): Evidence => $piece->with(static fn (): PredictionTable => $piece->table()->withSeconds($pairs)), $evidence);
    }

    /**
     * What the best single has shown, reading by reading: the house as surveyed is one of the singles.
     *
     * @return list<Row>
     */
    private static function fitting(Ranking $singles): array
    {
        foreach ($singles->standings as $standing) {
            if (Hypothesis::ELSE !== $standing->hypothesis->id) {
                return array_map(static fn (Evidence $piece): Row => $piece->table()->rows($standing->hypothesis)[$standing->likeliestSeverity()], $singles->evidence);
            }
        }

        return [];
    }

    /** Two faults by their rate; a fault in a house that was surveyed wrongly as often as a sound house is. */
    private static function prior(Hypothesis $one, Hypothesis $other, Hypothesis $sound): float
    {
        $isSurvey = FaultNature::Survey === $one->kind?->nature() || FaultNature::Survey === $other->kind?->nature();

        return ($isSurvey ? 1.0 / max($sound->prior, 1e-6) : $sound->second) * $one->prior * $other->prior;
    }

    private static function sound(Ranking $singles): Hypothesis
    {
        return $singles->standing(Hypothesis::SOUND)->hypothesis ?? Hypothesis::sound(1.0);
    }

    /** The likeliest severity and so many steps beside it: what else was read does not change much which it is. */
    private static function narrowed(Standing $standing, int $steps): Hypothesis
    {
        return $standing->hypothesis->around($standing->likeliestSeverity(), $steps);
    }
}
