<?php

declare(strict_types=1);

namespace YellowProbe\Diagnosis;

/**
 * What a test yet to be done would show under each atom of what is believed, and what that is worth in bits.
 *
 * Most causes leave most readings alone: atoms that show the same are one class, and a group of atoms all of one class
 * costs one addition each.
 */
final readonly class Forecast
{
    /** Of a row's own deviation. */
    private const SAME = 0.2;

    /** Of what is believed after an outcome, what no test would be done for. */
    private const GONE = 1e-6;

    /** @var list<float> entropy of each class, in nats */
    private array $entropies;

    /** @var array<int, array<int, list<int>>> group => class => its atoms, where they are of several classes */
    private array $mixed;

    /** @var list<bool> by atom */
    private array $isMixed;

    /**
     * @param list<list<float>> $classes probabilities of the outcomes in each class, summing to 1
     * @param list<int>         $classOf of each atom
     * @param list<int>         $groups  of each atom
     */
    public function __construct(private array $classes, private array $classOf, array $groups)
    {
        $this->entropies = array_map(self::entropy(...), $classes);
        $atoms = $first = $several = [];
        foreach ($groups as $at => $group) {
            $atoms[$group][$classOf[$at]][] = $at;
            $first[$group] ??= $classOf[$at];
            if ($first[$group] !== $classOf[$at]) {
                $several[$group] = true;
            }
        }
        $this->mixed = array_intersect_key($atoms, $several);
        $this->isMixed = array_map(static fn (int $group): bool => isset($several[$group]), $groups);
    }

    /**
     * @param bool                       $isForced whether something brings out what comes and goes meanwhile: a heater, or what the beliefs are of
     * @param array<string, float>       $spread what is left of the factors' standard deviations
     * @param array{Row, float}|null $again  where the test was done: what it read then, and how likely that is what has no name, if that is the cause
     * @param array<int, true>           $found  atoms under which a device is found open that the test needs closed, of which it then tells nothing
     * @param float                  $disturbed how likely the measurement is disturbed by what has no name, if that is the cause
     */
    public static function of(Beliefs $beliefs, PredictionTable $table, Display $display, bool $isForced, array $spread = [], ?array $again = null, float $disturbed = Unnamed::TOUCHED, array $found = []): self
    {
        $keys = $placed = $keyOf = $own = [];
        $last = null;
        foreach ($beliefs->atoms as $at => $atom) {
            if (Hypothesis::ELSE === $atom->hypothesis->id) {
                continue;
            }
            if ($atom->hypothesis !== $last) {
                [$own, $last] = [$table->noticed($atom->hypothesis), $atom->hypothesis];
            }
            $place = $atom->place($own, $isForced);
            $keyOf[$at] = $keys[$place] ??= self::place($table->rows->row($place));
            $placed[$keyOf[$at]] ??= $table->rows->row($place);
        }
        $outcomes = new Outcomes($display, [...array_values($placed), ...(null === $again ? [] : [$again[0]])], $spread);
        $classes = $classOf = $known = [];
        foreach (array_keys($beliefs->atoms) as $at) {
            $key = $keyOf[$at] ?? '';
            if (!isset($known[$key])) {
                $known[$key] = \count($classes);
                $classes[] = isset($placed[$key]) ? $outcomes->of($placed[$key]) : self::somethingElse($outcomes, $table->sound(), $again, $disturbed);
            }
            $classOf[] = $known[$key];
        }
        if ([] !== $found && \count($found) < \count($classOf)) {
            // As if it showed what it shows beside them: it tells them from nothing.
            $weights = array_fill(0, \count($classes), 0.0);
            foreach (array_diff_key($classOf, $found) as $at => $class) {
                $weights[$class] += $beliefs->weights[$at];
            }
            $sum = array_sum($weights);
            if ($sum > 0.0) {
                $classes[] = self::mixed($classes, array_map(static fn (float $weight): float => $weight / $sum, $weights));
                $beside = \count($classes) - 1;
                $classOf = array_map(static fn (int $at, int $class): int => isset($found[$at]) ? $beside : $class, array_keys($classOf), $classOf);
            }
        }

        return new self($classes, $classOf, $beliefs->groups);
    }

    /** Rows of one place on the display, within a fraction of their spread, are told apart by nobody. */
    private static function place(Row $row): string
    {
        $levels = array_map(static fn (float $level): float => round($level, 3), $row->shown->levels);

        return $row->shown->kind->name.' '.round($row->z / (self::SAME * $row->sigma)).' '.implode(' ', $levels);
    }

    /** I = H(Y) − Σ p·H(Y | group): the expected information about what has to be repaired, in bits. */
    public function bits(Beliefs $beliefs): float
    {
        $byClass = array_fill(0, \count($this->classes), 0.0);
        $conditional = 0.0;
        foreach ($beliefs->weights as $at => $weight) {
            if (0.0 === $weight) {
                continue;
            }
            $class = $this->classOf[$at];
            $byClass[$class] += $weight;
            if (!$this->isMixed[$at]) {
                $conditional += $weight * $this->entropies[$class];
            }
        }
        foreach ($this->mixed as $classes) {
            $own = [];
            $sum = 0.0;
            foreach ($classes as $class => $atoms) {
                $weight = 0.0;
                foreach ($atoms as $at) {
                    $weight += $beliefs->weights[$at];
                }
                $sum += $weight;
                foreach ($weight > 0.0 ? $this->classes[$class] : [] as $cell => $p) {
                    $own[$cell] = ($own[$cell] ?? 0.0) + $weight * $p;
                }
            }
            // p·H(Y|group) from the joint probabilities: their own entropy less that of the group.
            $conditional += $sum > 0.0 ? self::entropy($own) + $sum * log($sum) : 0.0;
        }

        return max(0.0, (self::entropy($this->mixture($byClass)) - $conditional) / \M_LN2);
    }

    /** @return list<float> probability of each outcome */
    public function chances(Beliefs $beliefs): array
    {
        $byClass = array_fill(0, \count($this->classes), 0.0);
        foreach ($beliefs->weights as $at => $weight) {
            $byClass[$this->classOf[$at]] += $weight;
        }

        return $this->mixture($byClass);
    }

    /** What is believed once the outcome is there. */
    public function after(Beliefs $beliefs, int $outcome): Beliefs
    {
        $weights = [];
        $sum = 0.0;
        foreach ($beliefs->weights as $at => $weight) {
            $weights[] = $own = $weight * $this->classes[$this->classOf[$at]][$outcome];
            $sum += $own;
        }
        foreach ($weights as $at => $weight) {
            $share = $weight / max($sum, 1e-300);
            $weights[$at] = $share > self::GONE ? $share : 0.0;
        }

        return $beliefs->weighed($weights);
    }

    /**
     * @param array<int, float> $byClass weights
     *
     * @return list<float>
     */
    private function mixture(array $byClass): array
    {
        return self::mixed($this->classes, $byClass);
    }

    /**
     * @param list<list<float>> $classes
     * @param array<int, float> $byClass weights
     *
     * @return list<float>
     */
    private static function mixed(array $classes, array $byClass): array
    {
        $mixture = array_fill(0, \count($classes[0] ?? []), 0.0);
        foreach ($byClass as $class => $weight) {
            foreach ($weight > 0.0 ? $classes[$class] : [] as $cell => $p) {
                $mixture[$cell] += $weight * $p;
            }
        }

        return array_values($mixture);
    }

    /** @param array<int, float> $probabilities need not sum to 1 */
    private static function entropy(array $probabilities): float
    {
        $nats = 0.0;
        foreach ($probabilities as $p) {
            if ($p > 0.0) {
                $nats -= $p * log($p);
            }
        }

        return $nats;
    }

    /**
     * @param array{Row, float}|null $again
     *
     * @return list<float>
     */
    private static function somethingElse(Outcomes $outcomes, Row $sound, ?array $again, float $disturbed): array
    {
        [$other, $share] = null === $again ? [$outcomes->broad(), $disturbed] : [$outcomes->of($again[0]), $again[1]];

        return array_map(static fn (float $other, float $sound): float => $share * $other + (1.0 - $share) * $sound, $other, $outcomes->of($sound));
    }
}
