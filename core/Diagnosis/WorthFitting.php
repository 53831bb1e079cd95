<?php

declare(strict_types=1);

namespace YellowProbe\Diagnosis;

/**
 * Which causes deserve the whole fit: what counts by what a glance says of it, and so many of what counts only by what a whole
 * fit could find at most, the likeliest of these. Coming and going, which is fitted for each episode anew, only by what it is.
 */
final class WorthFitting
{
    /** Causes fitted at once for what could be found at most, and how often: what is found dashes the hopes of others. */
    public const HOPES = 6;
    public const ROUNDS = 4;

    /**
     * @param list<Standing>                          $standings
     * @param array<string, list<LikelihoodResult>>   $glances   by cause and severity
     * @param float                                   $least     log of prior times likelihood from which on a cause counts
     * @param array<int, true>                        $fitted    by place among the standings: those that have been
     *
     * @return array<int, true> by place among the standings
     */
    public static function of(array $standings, array $glances, float $least, int $hopes, array $fitted = []): array
    {
        $worth = $most = [];
        foreach (array_diff_key($standings, $fitted) as $at => $standing) {
            if ($standing->log >= $least) {
                $worth[$at] = true;
            } elseif ($hopes > 0 && !$standing->hypothesis->intermittent && ($own = self::most($standing->hypothesis, $glances[$standing->hypothesis->id] ?? [])) >= $least) {
                $most[] = [$own, $standing->hypothesis->id, $at];
            }
        }
        rsort($most);

        return $worth + array_fill_keys(array_column(\array_slice($most, 0, $hopes), 2), true);
    }

    /** @param list<LikelihoodResult> $glances by severity */
    private static function most(Hypothesis $hypothesis, array $glances): float
    {
        return [] === $glances ? -\INF : log($hypothesis->prior) + max(array_map(static fn (LikelihoodResult $result, float $often): float => $result->most + $often, $glances, $hypothesis->logs()));
    }
}
