<?php

declare(strict_types=1);

namespace YellowProbe\Evaluation;

use YellowProbe\Diagnosis\Candidate;
use YellowProbe\Diagnosis\Ranking;
use YellowProbe\Procedure\TestPlan;

/** The written list to compare with: the same kinds of test in the same order in every house, whatever the readings say. */
final readonly class FixedOrder
{
    /** What asks for nothing to be opened comes first, then live tests, then the dead ones; docs/evaluation.md has the reasons. Live tests for which a point is opened come after the last of the live ones. */
    public const TESTS = [
        'function-check', 'plug-in-check', 'supply-polarity', 'polarity-live', 'residual-clamp', 'residual-pair', 'earthing-current', 'cpc-current', 'ze', 'electrode-loop', 'zs', 'rcd-times', 'rcd-ramp',
        'insulation-joined', 'insulation', 'insulation-halves', 'neutral-to-neutral', 'line-to-other-neutral', 'neutral-to-earth', 'r1-r2', 'ring-ends', 'ring-cross-ln', 'ring-cross-le', 'ring-order', 'r2-long-lead', 'bonding-continuity',
    ];

    private const LAST_LIVE = 'rcd-ramp';

    /**
     * The kind that stands first in the list, at the places in the order of the house; kinds that the list does not name come last.
     *
     * @param list<Candidate> $candidates
     */
    public static function choose(Ranking $ranking, array $candidates, Tables $tables): ?Candidate
    {
        $place = array_flip(self::TESTS);
        $listed = static fn (TestPlan $plan, string $slug): float => isset($place[$slug]) && $tables->opensLive($plan) ? $place[self::LAST_LIVE] + 0.5 : (float) ($place[$slug] ?? \count($place));
        $rank = static fn (Candidate $candidate): array => [$listed($candidate->plan, $candidate->plan->procedure->slug()), $candidate->plan->procedure->slug(), $candidate->plan->id];
        usort($candidates, static fn (Candidate $a, Candidate $b): int => $rank($a) <=> $rank($b));

        return $candidates[0] ?? null;
    }
}
