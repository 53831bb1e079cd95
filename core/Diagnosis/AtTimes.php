<?php

declare(strict_types=1);

namespace YellowProbe\Diagnosis;

use YellowProbe\Fault\Condition;

/**
 * A fault that comes and goes: in each episode it is there or it is not, for all readings of that episode together. Which episodes
 * it was there in is summed over: P = Σ_S Π_{e∈S} p·Π_{e∉S} (1 − p)·P(readings | there in S), the factors fitted to all readings anew.
 *
 * With many episodes that are too many sums, and each is weighed by itself against the sound house, P(sound)·Π ((1 − p) + p·P(there in
 * this one only)/P(sound)): that lets each have the shared factors to itself.
 */
final class AtTimes
{
    /** Nats below the sound house from which on it was away in an episode. */
    public const ABSENT = -3.0;

    /** Episodes up to which every set of them is fitted, for a cause that deserves the whole fit and for one that does not. */
    private const MOST = 3;
    private const MOST_BESIDE = 2;

    /** @var array<string, array<string, non-empty-array<int, int>>> by kind of fault */
    private array $episodes = [];

    /** @var array<string, array{array{string, float}, array{string, float}}> by kind of fault: the latest half hour at rest and brought out, and how likely it is there then before anything is read */
    private array $stretches = [];

    /** The latest half hour in which something was read. */
    private readonly int $latest;

    /** @param list<Evidence> $evidence in the one order */
    public function __construct(private readonly array $evidence, private readonly FittedRows $rows)
    {
        $this->latest = max([0, ...array_map(static fn (Evidence $piece): int => $piece->exposure->episode, $evidence)]);
    }

    /**
     * The last of the shares is that it is quiet in the latest half hour, loaded or not: what a load has shown is there to be repaired.
     *
     * @param list<LikelihoodResult> $results  by severity, there all the time
     * @param float                  $hopeless nats above the sound house up to which what it shows in some episodes changes nothing that anybody sees
     */
    public function standing(Hypothesis $hypothesis, array $results, bool $whole, float $hopeless): Standing
    {
        $hopeless = $whole ? -\INF : $hopeless;
        $brings = $hypothesis->conditions();
        $episodes = $this->episodes[$hypothesis->kind?->slug() ?? ''] ??= $this->episodes($brings);
        $sound = $this->rows->sound;
        $logs = $now = $likely = [];
        [$atRest, $brought] = $this->stretches[$hypothesis->kind?->slug() ?? ''] ??= [$this->stretch([], $brings), $this->stretch($brings, $brings)];
        $often = $hypothesis->logs();
        foreach ($results as $severity => $always) {
            $apart = $this->rows->apart($hypothesis)[$severity][1];
            // What no reading of an episode notices is as likely there as it was.
            $noticed = array_filter($episodes, static fn (array $own): bool => [] !== array_intersect_key($apart, $own));
            $presences = array_map(fn (array $own): float => $this->evidence[min($own)]->exposure->presence($brings), $noticed);
            [$log, $there] = match (true) {
                [] === $noticed => [0.0, []],
                \count($noticed) <= ($whole ? self::MOST : self::MOST_BESIDE) => $this->together($apart, $noticed, $presences, $always, $hopeless),
                default => $this->eachAlone($apart, $noticed, $presences, $hopeless),
            };
            $logs[$severity] = $sound->log + $often[$severity] + $log;
            $seen = array_filter($there, fn (string $key): bool => $this->evidence[min($noticed[$key])]->exposure->episode === $this->latest, \ARRAY_FILTER_USE_KEY);
            $now[$severity] = [] === $seen ? Exposure::UNKNOWN : max($seen);
            $likely[$severity] = [$there[$atRest[0]] ?? $atRest[1], $there[$brought[0]] ?? $brought[1], [] === $seen ? 0.0 : max($seen)];
        }
        [$log, $bySeverity] = LogSum::of(array_values($logs));
        $shares = array_map(static fn (float $share, float $there): float => $share * $there, $bySeverity, $now);
        $quiet = max(0.0, 1.0 - array_sum($shares));
        $best = (int) array_search(max([0.0, ...$shares]), $shares, true);

        return new Standing($hypothesis, log($hypothesis->prior) + $log, $quiet > 0.5 ? $sound->each : $results[$best]->each, [...$shares, $quiet], array_map(static fn (float $share, array $own): array => [$share, ...$own], $bySeverity, $likely));
    }

    /**
     * @param array<int, int>                                    $apart     places of its rows by reading
     * @param non-empty-array<string, non-empty-array<int, int>> $episodes  that notice it
     * @param array<string, float>                               $presences how likely it was there in each, before anything was read
     *
     * @return array{float, array<string, float>} nats above the sound house, and by episode how likely it was there
     */
    private function together(array $apart, array $episodes, array $presences, LikelihoodResult $always, float $hopeless): array
    {
        $keys = array_keys($episodes);
        $all = (1 << \count($keys)) - 1;
        $logs = [];
        for ($set = 0; $set <= $all; ++$set) {
            $log = 0.0;
            $readings = [];
            foreach ($keys as $bit => $key) {
                $isThere = 0 !== ($set >> $bit & 1);
                $log += log($isThere ? $presences[$key] : 1.0 - $presences[$key]);
                $readings += $isThere ? $episodes[$key] : [];
            }
            $logs[] = $log + match ($set) {
                0 => 0.0,
                $all => $always->log - $this->rows->sound->log,
                default => $this->gain($apart, $readings, $hopeless),
            };
        }
        [$log, $shares] = LogSum::of($logs);
        $there = [];
        foreach ($keys as $bit => $key) {
            $there[$key] = array_sum(array_filter($shares, static fn (int $set): bool => 0 !== ($set >> $bit & 1), \ARRAY_FILTER_USE_KEY));
        }

        return [$log, $there];
    }

    /**
     * @param array<int, int>                                    $apart
     * @param non-empty-array<string, non-empty-array<int, int>> $episodes
     * @param array<string, float>                               $presences
     *
     * @return array{float, array<string, float>}
     */
    private function eachAlone(array $apart, array $episodes, array $presences, float $hopeless): array
    {
        $nats = 0.0;
        $there = [];
        foreach ($episodes as $key => $own) {
            [$log, $shares] = LogSum::of([log($presences[$key]) + $this->gain($apart, $own, $hopeless), log(1.0 - $presences[$key])]);
            $nats += $log;
            $there[$key] = $shares[0];
        }

        return [$nats, $there];
    }

    /**
     * @param array<int, int> $apart
     * @param array<int, int> $readings in which it is there
     * @param float           $hopeless nats above the sound house up to which a glance will do; minus infinity to fit it whole
     *
     * @return float nats above the sound house
     */
    private function gain(array $apart, array $readings, float $hopeless): float
    {
        $apart = array_intersect_key($apart, $readings);
        $key = FittedRows::key($apart);

        return (-\INF === $hopeless ? $this->rows->whole($key, $apart) : $this->rows->near($key, $apart, $hopeless))->log - $this->rows->sound->log;
    }

    /**
     * @param list<Condition> $forced what is done
     * @param list<Condition> $brings what brings a fault out
     *
     * @return array{string, float} the latest stretch of that, and how likely the fault is there then before anything is read
     */
    private function stretch(array $forced, array $brings): array
    {
        $exposure = new Exposure($this->latest, $forced);

        return [$exposure->flag($brings), $exposure->presence($brings)];
    }

    /**
     * @param list<Condition> $brings what brings a fault out
     *
     * @return array<string, non-empty-array<int, int>> readings for which it is either there or not, the latest last
     */
    private function episodes(array $brings): array
    {
        $episodes = [];
        foreach ($this->evidence as $at => $piece) {
            $episodes[$piece->exposure->flag($brings)][$at] = $at;
        }
        ksort($episodes);

        return $episodes;
    }
}
