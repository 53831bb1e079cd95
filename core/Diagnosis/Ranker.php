<?php

declare(strict_types=1);

namespace YellowProbe\Diagnosis;

/** Probability of every cause after everything that was read. The order of the evidence does not matter. */
final class Ranker
{
    /** From this probability on a cause deserves the whole fit. */
    private const COUNTS = 5e-3;

    /** Nats below the likeliest severity of a cause from which on another is only glanced at. */
    private const UNLIKELY = 4.0;

    /** Nats below what could be found at most at any severity, from which on another is not hoped for. */
    private const HOPED = 2.0;

    /** Nats below the likeliest cause from which on another is only glanced at: nobody will ever see it again. */
    private const FORGOTTEN = 9.0;

    private readonly FittedRows $rows;

    /** The house as surveyed, held against all that was read. */
    private readonly LikelihoodResult $sound;

    /** @var array<string, list<LikelihoodResult>> by cause and severity, beside the sound house's fit or by a glance */
    private array $beside = [];

    /** Log of prior times likelihood of the likeliest cause so far. */
    private float $likeliest = -\INF;

    /** @var list<Hypothesis> what was the cause, perhaps, and is no longer there */
    private array $repaired = [];

    /** How often there are two faults, beside the product of their rates. */
    private float $second = Pairs::SECOND;

    private readonly AtTimes $atTimes;

    /** @param list<Evidence> $evidence in the one order */
    private function __construct(private readonly array $evidence, ?FittedRows $rows = null)
    {
        $this->rows = $rows ?? new FittedRows($evidence);
        $this->sound = $this->rows->sound;
        $this->atTimes = new AtTimes($evidence, $this->rows);
    }

    /** @param list<Evidence> $evidence */
    public static function of(array $evidence): self
    {
        return new self(self::ordered($evidence));
    }

    /**
     * The same readings with tables that know of more causes: what rows they had before is not fitted again.
     *
     * @param list<Evidence> $evidence with the rows so far at the places where they are
     */
    public function among(array $evidence): self
    {
        $evidence = self::ordered($evidence);

        return new self($evidence, $this->rows->among($evidence));
    }

    /**
     * @param non-empty-list<Hypothesis> $hypotheses
     * @param list<Evidence>             $evidence
     */
    public static function rank(array $hypotheses, array $evidence): Ranking
    {
        return self::of($evidence)->ranked($hypotheses);
    }

    /** @param non-empty-list<Hypothesis> $hypotheses */
    public function ranked(array $hypotheses): Ranking
    {
        $this->second = array_values(array_filter($hypotheses, static fn (Hypothesis $one): bool => Hypothesis::SOUND === $one->id))[0]->second ?? Pairs::SECOND;
        $this->repaired = array_values(array_filter($hypotheses, static fn (Hypothesis $one): bool => $one->isRepaired && !$one->intermittent));
        $standings = $this->beside($hypotheses);
        $sum = self::weigh($standings);
        $fitted = [];
        $round = 0;
        do {
            $worth = WorthFitting::of($standings, $this->beside, $sum + log(self::COUNTS), $round++ < WorthFitting::ROUNDS ? WorthFitting::HOPES : 0, $fitted);
            $fitted += $worth;
            $standings = array_map(fn (Standing $standing, int $at): Standing => isset($worth[$at]) ? $this->standing($standing->hypothesis, true) : $standing, $standings, array_keys($standings));
            $sum = self::weigh($standings);
        } while ([] !== $worth);
        $probabilities = array_map(static fn (Standing $standing): float => $standing->probability, $standings);
        $ids = array_map(static fn (Standing $standing): string => $standing->hypothesis->id, $standings);
        array_multisort($probabilities, \SORT_DESC, $ids, \SORT_ASC, \SORT_STRING, $standings);

        return new Ranking($standings, $this->evidence, array_filter(array_diff_key($this->best($standings[0])->spread(), array_flip(Between::FACTORS)), static fn (string $factor): bool => !Repeated::isFactor($factor), \ARRAY_FILTER_USE_KEY));
    }

    /**
     * @param list<Evidence> $evidence
     *
     * @return list<Evidence> in the one order that all rankings use
     */
    public static function ordered(array $evidence): array
    {
        usort($evidence, static fn (Evidence $a, Evidence $b): int => $a->id <=> $b->id);

        return $evidence;
    }

    /**
     * @param list<Standing> $standings
     *
     * @return float log of the sum of what their logs are of
     */
    private static function weigh(array $standings): float
    {
        [$sum, $shares] = LogSum::of(array_map(static fn (Standing $standing): float => $standing->log, $standings));
        foreach ($standings as $at => $standing) {
            $standing->probability = $shares[$at];
        }

        return $sum;
    }

    /**
     * All causes beside the sound house's fit, the most hopeful first: what could not come near the likeliest so far is only glanced at.
     *
     * @param non-empty-list<Hypothesis> $hypotheses
     *
     * @return list<Standing> in their order
     */
    private function beside(array $hypotheses): array
    {
        $hopes = $ids = [];
        foreach ($hypotheses as $at => $hypothesis) {
            $hopes[] = Hypothesis::ELSE === $hypothesis->id ? \INF : log($hypothesis->prior) + max([-\INF, ...array_map(fn (array $rows): float => $this->rows->guess($rows[0], $rows[1]), $this->rows->apart($hypothesis))]);
            $ids[] = $hypothesis->id;
        }
        $order = array_keys($hypotheses);
        array_multisort($hopes, \SORT_DESC, $ids, \SORT_ASC, \SORT_STRING, $order);
        $standings = [];
        foreach ($order as $at) {
            $standings[$at] = $this->standing($hypotheses[$at], false);
            $this->likeliest = max($this->likeliest, $standings[$at]->log);
        }
        ksort($standings);

        return array_values($standings);
    }

    private function standing(Hypothesis $hypothesis, bool $whole): Standing
    {
        if (Hypothesis::ELSE === $hypothesis->id) {
            return $this->somethingElse($hypothesis, $whole);
        }
        $results = $this->bySeverity($hypothesis, $whole);
        if ($hypothesis->intermittent) {
            return $this->atTimes->standing($hypothesis, $results, $whole, $this->hopeless($hypothesis));
        }
        [$log, $shares] = LogSum::of(array_map(static fn (LikelihoodResult $result, float $often): float => $result->log + $often, $results, $hypothesis->logs()));
        $best = (int) array_search(max([0.0, ...$shares]), $shares, true);

        return new Standing($hypothesis, log($hypothesis->prior) + $log, $results[$best]->each, $shares);
    }

    /** In the house as surveyed, or beside what was repaired: a second fault has no name as often as a first one. */
    private function somethingElse(Hypothesis $hypothesis, bool $whole): Standing
    {
        $unnamed = new Unnamed($this->evidence);
        $houses = [[0.0, $this->sound]];
        foreach ($this->repaired as $repaired) {
            foreach ($this->bySeverity($repaired, $whole) as $at => $result) {
                $houses[] = [log($this->second * $repaired->prior) + $repaired->logs()[$at], $result];
            }
        }
        $logs = $each = $places = [];
        foreach ($houses as [$share, $house]) {
            [$own, $each[], $places[]] = $unnamed->of($house);
            $logs[] = $share + $own + Unnamed::moved($house);
        }
        [$log, $shares] = LogSum::of($logs);
        $best = (int) array_search(max([0.0, ...$shares]), $shares, true);

        return new Standing($hypothesis, log($hypothesis->prior) + $log, $each[$best], [1.0], circuits: $places[$best]);
    }

    /** @return list<LikelihoodResult> */
    private function bySeverity(Hypothesis $hypothesis, bool $whole): array
    {
        $apart = $this->rows->apart($hypothesis);
        $hopeless = $this->hopeless($hypothesis);
        $near = $this->beside[$hypothesis->id] ??= array_map(fn (array $rows): LikelihoodResult => $this->rows->near($rows[0], $rows[1], $hopeless), $apart);
        if (!$whole) {
            return $near;
        }
        // Of the severities those that could be it are fitted whole; what is less then than it was beside the sound house lets others in.
        $often = $hypothesis->logs();
        $results = $near;
        $fitted = [];
        do {
            $best = max([-\INF, ...array_map(static fn (LikelihoodResult $result, float $own): float => $result->log + $own, $results, $often)]);
            $most = max([$best, ...array_map(static fn (LikelihoodResult $result, float $own): float => $result->most + $own, $near, $often)]) - self::HOPED;
            $open = array_filter($results, static fn (LikelihoodResult $result, int $at): bool => !isset($fitted[$at]) && ($result->log + $often[$at] >= $best - self::UNLIKELY || $result->most + $often[$at] >= max($best, $most)), \ARRAY_FILTER_USE_BOTH);
            foreach (array_keys($open) as $at) {
                $results[$at] = $this->rows->whole(...$apart[$at]);
                $fitted[$at] = true;
            }
        } while ([] !== $open);

        return array_values($results);
    }

    /** Nats above the sound house up to which nobody will ever see a cause again. */
    private function hopeless(Hypothesis $hypothesis): float
    {
        return max($hypothesis->intermittent ? AtTimes::ABSENT : -\INF, $this->likeliest - self::FORGOTTEN - log($hypothesis->prior) - $this->sound->log);
    }

    private function best(Standing $standing): LikelihoodResult
    {
        return Hypothesis::ELSE === $standing->hypothesis->id ? $this->sound : $this->bySeverity($standing->hypothesis, true)[$standing->likeliestSeverity()] ?? $this->sound;
    }
}
