<?php

declare(strict_types=1);

namespace YellowProbe\Diagnosis;

use YellowProbe\Procedure\TestPlan;

/** The cheapest of each kind of test in turn, so that a cheap kind does not crowd out the rest. */
final class InTurn
{
    /**
     * @param list<array{TestPlan, float}> $candidates the better ones first
     *
     * @return list<array{TestPlan, float}>
     */
    public static function of(array $candidates, int $most): array
    {
        $kinds = [];
        foreach ($candidates as $candidate) {
            $kinds[$candidate[0]->procedure->slug()][] = $candidate;
        }
        $chosen = [];
        for ($rank = 0; \count($chosen) < $most && [] !== $kinds; ++$rank) {
            foreach ($kinds as $slug => $list) {
                if (isset($list[$rank])) {
                    $chosen[] = $list[$rank];
                } else {
                    unset($kinds[$slug]);
                }
            }
        }

        return \array_slice($chosen, 0, $most);
    }
}
