<?php

declare(strict_types=1);

namespace YellowProbe\Diagnosis;

use YellowProbe\Fault\FaultCatalogue;
use YellowProbe\Installation\House;

/** Every single fault of the catalogue at every place of a house, nothing wrong now, and something else; with priors. */
final class HypothesisSpace
{
    /** @return non-empty-list<Hypothesis> priors sum to 1 */
    public static function of(House $house, Rates $rates, Story $story = new Story()): array
    {
        $given = $rates->given($story);
        $hypotheses = [];
        // A kind that this house has no place for is somebody else's fault: its share goes to something else.
        $else = $given['other'] ?? 0.0;
        foreach (FaultCatalogue::all() as $slug => $kind) {
            $sites = $kind->sites($house);
            $share = $given[$slug] ?? 0.0;
            if ([] === $sites) {
                $else += $share;
                continue;
            }
            $weights = array_sum(array_map(static fn ($site): float => $site->weight, $sites));
            foreach ($sites as $site) {
                $hypotheses[] = Hypothesis::fault($kind, $site, $share * $site->weight / $weights);
            }
        }

        return [Hypothesis::sound($given['sound'] ?? 0.0), Hypothesis::somethingElse($else), ...$hypotheses];
    }
}
