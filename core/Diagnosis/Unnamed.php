<?php

declare(strict_types=1);

namespace YellowProbe\Diagnosis;

use YellowProbe\Instrument\ComplaintTrial;

/**
 * What a cause nobody thought of makes of the readings. It is somewhere: on one circuit, or before all of them. What is read there
 * it disturbs as often as a known fault does, and what is read elsewhere is as it should be; so it does not vanish because sound parts
 * read sound, nor win by being vague about everything at once.
 *
 * P(readings) = sum over z of w(z) times the product of: c·broad + (1 − c)·sound where z is touched, and sound where it is not.
 */
final readonly class Unnamed
{
    /** Share of the readings that an unknown cause disturbs where it is. */
    public const TOUCHED = 0.3;

    /** How often it is before all circuits: at the supply, in the board, or of no place at all. */
    private const BEFORE_ALL = 0.2;

    /** A house has so many circuits at least that it could be on. */
    private const LEAST_CIRCUITS = 4;

    /** The names of what is no circuit. */
    private const EVERYWHERE = '*';
    private const ELSEWHERE = '';

    /** @var array<string, float> where it is => how likely beforehand */
    private array $weights;

    /** @param list<Evidence> $evidence in the one order */
    public function __construct(private array $evidence)
    {
        $seen = array_values(array_unique(array_merge(...array_map(static fn (Evidence $piece): array => $piece->circuits, $evidence))));
        $each = (1.0 - self::BEFORE_ALL) / max(self::LEAST_CIRCUITS, \count($seen));
        $weights = [self::EVERYWHERE => self::BEFORE_ALL];
        foreach ($seen as $circuit) {
            $weights[$circuit] = $each;
        }
        $rest = 1.0 - array_sum($weights);
        $this->weights = $rest > 1e-9 ? $weights + [self::ELSEWHERE => $rest] : $weights;
    }

    /**
     * @param LikelihoodResult $beside the house that it is in: as surveyed, or with what has been repaired since
     *
     * @return array{float, list<float>, array<string, float>} log-probability of all readings; of each, where it likeliest is; how likely
     *                                                         it is on each circuit, "*" being before all
     */
    public function of(LikelihoodResult $beside): array
    {
        $logs = $each = [];
        foreach ($this->weights as $where => $weight) {
            $each[] = $own = $this->at($where, $beside);
            $logs[] = log($weight) + array_sum($own);
        }
        [$log, $shares] = LogSum::of($logs);
        $best = (int) array_search(max([0.0, ...$shares]), $shares, true);
        $places = [];
        foreach (array_keys($this->weights) as $at => $where) {
            $places[$where] = $shares[$at];
        }

        return [$log, $each[$best] ?? [], $places];
    }

    /**
     * How likely a measurement is disturbed by it, if that is the cause.
     *
     * @param array<string, float> $places   as {@see of()} has them; anything may be when empty
     * @param list<string>         $circuits that the measurement is on
     */
    public static function disturbs(array $places, array $circuits): float
    {
        if ([] === $places || [] === $circuits) {
            return self::TOUCHED;
        }
        $share = $places[self::EVERYWHERE] ?? 0.0;
        foreach ($circuits as $circuit) {
            $share += $places[$circuit] ?? 0.0;
        }

        // On a circuit that nothing was read on yet it is as likely as on any other of those.
        return self::TOUCHED * min(1.0, $share + ([] === array_filter($circuits, static fn (string $circuit): bool => isset($places[$circuit])) ? ($places[self::ELSEWHERE] ?? 0.0) / self::LEAST_CIRCUITS : 0.0));
    }

    /** What it costs to move the shared factors is paid by it as well as by the house that it is in. */
    public static function moved(LikelihoodResult $beside): float
    {
        return $beside->log - array_sum($beside->each);
    }

    /** @return list<float> log-probability of each reading */
    private function at(string $where, LikelihoodResult $beside): array
    {
        $each = $first = $touched = [];
        foreach ($this->evidence as $at => $piece) {
            if ($piece->measurement->instrument instanceof ComplaintTrial) {
                $each[] = log($piece->display->plainProbability(ComplaintTrial::shown(true), $piece->reading) ?? 1.0);
                continue;
            }
            if (self::EVERYWHERE !== $where && [] !== $piece->circuits && !\in_array($where, $piece->circuits, true)) {
                $each[] = $beside->each[$at];
                continue;
            }
            $key = $piece->measurement->hash().implode(' ', $piece->repaired);
            // What it disturbs it disturbs again: read once more there, it shows the same.
            $other = isset($first[$key]) ? Repeated::probability($piece, $first[$key]) : $piece->display->broad($piece->reading);
            $share = $touched[$key] ?? self::TOUCHED;
            $probability = $share * $other + (1.0 - $share) * exp($beside->each[$at]);
            $touched[$key] = $share * $other / $probability;
            $first[$key] ??= $piece;
            $each[] = log($probability);
        }

        return $each;
    }
}
