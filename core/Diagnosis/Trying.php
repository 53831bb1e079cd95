<?php

declare(strict_types=1);

namespace YellowProbe\Diagnosis;

use YellowProbe\Fault\Remedy;
use YellowProbe\Installation\House;
use YellowProbe\Installation\Part;

/**
 * What is done instead of one more test once two thirds of what is believed want it: a place is opened, an appliance is taken out
 * of use, or somebody is told that nothing of the house is broken and what to use otherwise. Each costs minutes, harms nothing where
 * it was not that, and shows by itself whether it was (handbook, 12).
 */
final readonly class Trying
{
    /** Of what is believed, that wants it (handbook, 12: one box with two thirds is opened). */
    public const ENOUGH = 2.0 / 3.0;

    /** Minutes of a test that is quicker, and what of all that is open it has to tell. */
    private const QUICK_MINUTES = 1.5;
    private const TELLS = 0.5;

    /**
     * @param Opening|null $opening   places to be opened, the likeliest first
     * @param Part|null    $appliance to be taken out of use
     */
    private function __construct(public StopAdvice $advice, public ?Opening $opening, public ?Part $appliance)
    {
    }

    /** Null where nothing holds enough. */
    public static function of(House $house, Ranking $ranking): ?self
    {
        $appliances = $said = [];
        foreach ($ranking->standings as $standing) {
            $hypothesis = $standing->hypothesis;
            if (null === $hypothesis->kind || [] !== $hypothesis->both || $hypothesis->isRepaired) {
                continue;
            }
            if (Remedy::Explain === $hypothesis->kind->remedy()) {
                $said[$hypothesis->kind->slug()] = ($said[$hypothesis->kind->slug()] ?? 0.0) + $standing->probability;
            } elseif (null !== $appliance = self::appliance($house, $hypothesis)) {
                $appliances[$appliance] = ($appliances[$appliance] ?? 0.0) + $standing->probability;
            }
        }
        arsort($appliances);
        $appliance = array_key_first($appliances);
        if (null !== $appliance && $appliances[$appliance] >= self::ENOUGH) {
            return new self(StopAdvice::OutOfUse, null, $house->parts[$appliance]);
        }
        if (max([0.0, ...array_values($said)]) >= self::ENOUGH) {
            return new self(StopAdvice::Explain, null, null);
        }
        $opening = Opening::of($house, $ranking);

        return null === $opening ? null : new self(StopAdvice::Open, $opening, null);
    }

    /** That it is inside, or at whose terminals: with the appliance off either is. */
    private static function appliance(House $house, Hypothesis $hypothesis): ?string
    {
        foreach ([$hypothesis->site->appliance ?? '', ...($hypothesis->site->things ?? [])] as $thing) {
            if ('appliance' === ($house->parts[$thing]->kind ?? '')) {
                return $thing;
            }
        }

        return null;
    }

    /**
     * Whether some test is quicker and settles about as much.
     *
     * @param list<Candidate> $candidates
     */
    public function isBeaten(array $candidates, float $openBits): bool
    {
        // What lies open is looked at in passing.
        foreach (true === $this->opening?->isBare() ? [] : $candidates as $candidate) {
            if ($candidate->minutes <= self::QUICK_MINUTES && $candidate->bits >= self::TELLS * $openBits) {
                return true;
            }
        }

        return false;
    }
}
