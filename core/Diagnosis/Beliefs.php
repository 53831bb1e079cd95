<?php

declare(strict_types=1);

namespace YellowProbe\Diagnosis;

use YellowProbe\Fault\Condition;

/**
 * What is believed, taken apart as far as outcomes differ: one atom for each cause, severity and time that it is there. Atoms of one group want
 * the same repair, so telling them apart is worth nothing.
 */
final readonly class Beliefs
{
    /** Atoms below this do not change what a test is worth. */
    private const LEAST = 1e-4;

    /**
     * @param list<Atom>  $atoms
     * @param list<int>   $groups  of each atom, from 0 without gaps
     * @param list<float> $weights of each atom, summing to 1
     * @param array<string, float> $unnamed how likely a cause without a name is on each circuit, see {@see Unnamed::of()}
     */
    public function __construct(public array $atoms, public array $groups, public array $weights, public array $unnamed = [])
    {
    }

    /**
     * @param list<Standing> $standings all, or those that matter
     * @param list<Condition> $by       what is done to bring out what comes and goes, where something is
     */
    public static function of(array $standings, array $by = [Condition::Load]): self
    {
        $atoms = $groups = $weights = $known = $unnamed = [];
        foreach ($standings as $standing) {
            $unnamed += $standing->circuits;
            $group = $known[$standing->hypothesis->remedy] ??= \count($known);
            foreach ($standing->atoms($by) as [$atom, $share]) {
                if ($share >= self::LEAST) {
                    // While it is there, what comes and goes shows what stays shows.
                    $key = $standing->hypothesis->stem.' '.$atom->severity.' '.$atom->presence->value;
                    $atoms[$key] = isset($atoms[$key]) && $atoms[$key]->hypothesis->intermittent ? $atoms[$key] : $atom;
                    $groups[$key] = $group;
                    $weights[$key] = ($weights[$key] ?? 0.0) + $standing->probability * $share;
                }
            }
        }
        $sum = array_sum($weights);

        return new self(array_values($atoms), array_values($groups), array_map(static fn (float $weight): float => $weight / $sum, array_values($weights)), $unnamed);
    }

    /** Bits that a test would tell which settled what is to be repaired. */
    public function openBits(): float
    {
        $shares = array_fill(0, \count($this->groups), 0.0);
        foreach ($this->groups as $at => $group) {
            $shares[$group] += $this->weights[$at];
        }

        return array_sum(array_map(static fn (float $share): float => $share > 0.0 ? -$share * log($share, 2.0) : 0.0, $shares));
    }

    /** @param list<float> $weights */
    public function weighed(array $weights): self
    {
        return new self($this->atoms, $this->groups, $weights, $this->unnamed);
    }
}
