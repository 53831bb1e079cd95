<?php

declare(strict_types=1);

namespace YellowProbe\Diagnosis;

use YellowProbe\Fault\FaultCatalogue;
use YellowProbe\Installation\House;

/** Every single fault of the catalogue at every place of a house, nothing wrong now, and something else; with priors. */
final class HypothesisSpace
{
    /** Raised whenever a rate changes, so that closed calls can be told apart. */
    public const VERSION = '1';

    /** There was a complaint, so most houses do have a fault; it can have gone by the time of the visit. */
    private const SOUND = 0.12;

    /** Faults that the catalogue does not hold, and faults that the survey has no place for. */
    private const ELSE = 0.06;

    /** @return non-empty-list<Hypothesis> priors sum to 1 */
    public static function of(House $house): array
    {
        $total = 0.0;
        $found = [];
        foreach (FaultCatalogue::all() as $kind) {
            $sites = $kind->sites($house);
            if ([] !== $sites) {
                $total += $kind->ratePerHundred();
                $found[] = [$kind, $sites];
            }
        }
        $hypotheses = [Hypothesis::sound(self::SOUND), Hypothesis::somethingElse([] === $found ? 1.0 - self::SOUND : self::ELSE)];
        foreach ($found as [$kind, $sites]) {
            $share = (1.0 - self::SOUND - self::ELSE) * $kind->ratePerHundred() / $total;
            $weights = array_sum(array_map(static fn ($site): float => $site->weight, $sites));
            foreach ($sites as $site) {
                $hypotheses[] = Hypothesis::fault($kind, $site, $share * $site->weight / $weights);
            }
        }

        return $hypotheses;
    }
}
