<?php

declare(strict_types=1);

namespace YellowProbe\Evaluation;

use YellowProbe\Diagnosis\Display;
use YellowProbe\Diagnosis\Hypothesis;
use YellowProbe\Diagnosis\Outcomes;
use YellowProbe\Installation\House;
use YellowProbe\Procedure\TestCatalogue;

/**
 * Causes that no test of the catalogue tells apart: their outcomes' distributions differ by a total variation of at most a
 * tenth under every test that can be planned in the house, for all pairs of a group (complete linkage). Worked out before
 * any visit.
 */
final readonly class Groups
{
    private const VARIATION = 0.1;

    /** @param array<string, int> $of hypothesis => group */
    private function __construct(public array $of)
    {
    }

    /** @param non-empty-list<Hypothesis> $hypotheses */
    public static function of(House $house, array $hypotheses, Tables $tables): self
    {
        $named = array_values(array_filter($hypotheses, static fn (Hypothesis $hypothesis): bool => Hypothesis::ELSE !== $hypothesis->id && !$hypothesis->intermittent));
        /** @var array<string, list<list<float>>> $seen hypothesis => distribution under each test */
        $seen = [];
        foreach (TestCatalogue::plans($house) as $plan) {
            $table = $tables->of($plan->measurement);
            $rows = array_merge(...array_map(static fn (Hypothesis $hypothesis): array => $table->rows($hypothesis), $named));
            $outcomes = new Outcomes(new Display($plan->measurement->instrument), $rows, []);
            $known = [];
            foreach ($named as $hypothesis) {
                $sum = [];
                $own = $table->rows($hypothesis);
                foreach ($own as $row) {
                    foreach ($known[spl_object_id($row)] ??= $outcomes->of($row) as $cell => $probability) {
                        $sum[$cell] = ($sum[$cell] ?? 0.0) + $probability / \count($own);
                    }
                }
                $seen[$hypothesis->id][] = array_values($sum);
            }
        }
        $groups = $of = [];
        foreach ($named as $hypothesis) {
            foreach ($groups as $at => $members) {
                if ([] === array_filter($members, static fn (string $member): bool => self::apart($seen[$member], $seen[$hypothesis->id]))) {
                    $groups[$at][] = $hypothesis->id;
                    $of[$hypothesis->id] = $at;
                    continue 2;
                }
            }
            $of[$hypothesis->id] = \count($groups);
            $groups[] = [$hypothesis->id];
        }
        $of[Hypothesis::ELSE] = \count($groups);

        return new self($of);
    }

    /**
     * @param array<string, float> $probabilities by hypothesis
     *
     * @return array<string, float> by group, likeliest first
     */
    public function sum(array $probabilities): array
    {
        $sums = [];
        foreach ($probabilities as $hypothesis => $probability) {
            $group = $this->group($hypothesis);
            $sums[$group] = ($sums[$group] ?? 0.0) + $probability;
        }
        arsort($sums);

        return $sums;
    }

    /** The group of a cause; of a pair, those of both. */
    public function group(string $hypothesis): string
    {
        $groups = array_map(fn (string $one): int => $this->of[$one], explode('&', $hypothesis));
        sort($groups);

        return '#'.implode('&', $groups);
    }

    /** @return list<int> members of each group, the largest first */
    public function sizes(): array
    {
        $sizes = array_values(array_count_values($this->of));
        rsort($sizes);

        return $sizes;
    }

    /**
     * @param list<list<float>> $a
     * @param list<list<float>> $b
     */
    private static function apart(array $a, array $b): bool
    {
        foreach ($a as $test => $cells) {
            if ($cells === $b[$test]) {
                continue;
            }
            $variation = 0.0;
            foreach ($cells as $cell => $probability) {
                $variation += 0.5 * abs($probability - $b[$test][$cell]);
            }
            if ($variation > self::VARIATION) {
                return true;
            }
        }

        return false;
    }
}
