<?php

declare(strict_types=1);

namespace YellowProbe\Diagnosis;

/** What a test yet to be done would show under each atom of what is believed, and what that is worth in bits. */
final readonly class Forecast
{
    /** @param list<list<float>> $cells of each atom: the probabilities of the outcomes, summing to 1 */
    public function __construct(public array $cells)
    {
    }

    /** @param array<string, float> $spread what is left of the factors' standard deviations */
    public static function of(Beliefs $beliefs, PredictionTable $table, Display $display, array $spread = []): self
    {
        $rows = $placed = [];
        foreach ($beliefs->atoms as $at => [$hypothesis, $severity]) {
            if (Hypothesis::ELSE !== $hypothesis->id) {
                $own = $table->rows($hypothesis);
                $rows[$at] = $own[$severity] ?? $own[0];
                $placed[spl_object_id($rows[$at])] = $rows[$at];
            }
        }
        $outcomes = new Outcomes($display, array_values($placed), $spread);
        $known = $cells = [];
        foreach ($beliefs->atoms as $at => [$hypothesis]) {
            $cells[] = isset($rows[$at]) ? $known[spl_object_id($rows[$at])] ??= $outcomes->of($rows[$at]) : self::somethingElse($outcomes, $table->sound());
        }

        return new self($cells);
    }

    /** I = H(Y) − Σ p·H(Y | group): the expected information about what has to be repaired, in bits. */
    public function bits(Beliefs $beliefs): float
    {
        $mixture = $byGroup = $sums = [];
        foreach ($beliefs->groups as $at => $group) {
            $weight = $beliefs->weights[$at];
            if ($weight <= 0.0) {
                continue;
            }
            $own = $byGroup[$group] ?? [];
            foreach ($this->cells[$at] as $cell => $p) {
                $own[$cell] = ($own[$cell] ?? 0.0) + $weight * $p;
            }
            $byGroup[$group] = $own;
            $sums[$group] = ($sums[$group] ?? 0.0) + $weight;
        }
        // Σ p·H(Y|group) = Σ p·log p − Σ q·log q, q being the joint probabilities of group and outcome.
        $nats = 0.0;
        foreach ($byGroup as $group => $own) {
            $nats -= $sums[$group] * log($sums[$group]);
            foreach ($own as $cell => $q) {
                $mixture[$cell] = ($mixture[$cell] ?? 0.0) + $q;
                $nats += $q > 0.0 ? $q * log($q) : 0.0;
            }
        }
        foreach ($mixture as $p) {
            $nats -= $p > 0.0 ? $p * log($p) : 0.0;
        }

        return max(0.0, $nats / \M_LN2);
    }

    /** @return list<float> probability of each outcome */
    public function chances(Beliefs $beliefs): array
    {
        $chances = array_fill(0, \count($this->cells[0] ?? []), 0.0);
        foreach ($beliefs->weights as $at => $weight) {
            foreach ($this->cells[$at] as $cell => $p) {
                $chances[$cell] += $weight * $p;
            }
        }

        return array_values($chances);
    }

    /** What is believed once the outcome is there. */
    public function after(Beliefs $beliefs, int $outcome): Beliefs
    {
        $weights = [];
        foreach ($beliefs->weights as $at => $weight) {
            $weights[] = $weight * $this->cells[$at][$outcome];
        }
        $sum = max(array_sum($weights), 1e-300);

        return $beliefs->weighed(array_map(static fn (float $weight): float => $weight / $sum, $weights));
    }

    /** @return list<float> */
    private static function somethingElse(Outcomes $outcomes, Row $sound): array
    {
        return array_map(static fn (float $broad, float $sound): float => Ranker::TOUCHED * $broad + (1.0 - Ranker::TOUCHED) * $sound, $outcomes->broad(), $outcomes->of($sound));
    }
}
