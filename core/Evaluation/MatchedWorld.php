<?php

declare(strict_types=1);

namespace YellowProbe\Evaluation;

use YellowProbe\Diagnosis\Exposure;
use YellowProbe\Diagnosis\Hypothesis;
use YellowProbe\Diagnosis\Likelihood;
use YellowProbe\Diagnosis\Presence;
use YellowProbe\Diagnosis\Unnamed;
use YellowProbe\Fault\Change;
use YellowProbe\Fault\Condition;
use YellowProbe\Fault\FaultNature;
use YellowProbe\Installation\Factors;
use YellowProbe\Installation\House;
use YellowProbe\Instrument\Instrument;
use YellowProbe\Instrument\Measurement;
use YellowProbe\Instrument\PatternInstrument;
use YellowProbe\Instrument\Shown;

/**
 * Truth drawn as the inference assumes: causes by their priors, "nothing wrong now" and "something else" among them, and
 * severities as often as the complaint asks, evenly within a step; shared factors as normals; blunders at their rate. The house is as surveyed.
 */
final readonly class MatchedWorld implements World
{
    /** Times one severity from which on the next is another thing, not more of the same. */
    private const GAP = 100.0;

    public function truth(House $surveyed, array $hypotheses, Dice $dice): Truth
    {
        $cause = $hypotheses[$dice->weighted(array_map(static fn (Hypothesis $hypothesis): float => $hypothesis->prior, $hypotheses))];
        $factors = self::factors($surveyed, $dice);

        if (Hypothesis::ELSE === $cause->id) {
            return new Truth($surveyed, null, null, $factors);
        }
        $presence = $cause->intermittent ? self::presence($cause, $dice) : Presence::Always;

        return new Truth($surveyed, self::change($surveyed, $cause, $dice), $cause->repair, $factors, $presence);
    }

    /** Whether it is there while the house rests is one draw; whether it is once a load brings it out, where a load does, another. */
    private static function presence(Hypothesis $cause, Dice $dice): Presence
    {
        $atRest = $dice->chance(Exposure::UNKNOWN);
        $loaded = \in_array(Condition::Load, $cause->conditions(), true) ? $dice->chance(Exposure::FORCED) : $atRest;

        return Presence::from(($atRest ? Presence::AtRest->value : 0) | ($loaded ? Presence::Forced->value : 0));
    }

    public function done(Measurement $measurement, House $house, Dice $dice): Measurement
    {
        return $measurement;
    }

    public function gain(Instrument $instrument, float $drawn): float
    {
        return exp($instrument->accuracy()->gainSpread() * $drawn);
    }

    /** A cause without a name disturbs as many readings as the ranking expects of it. */
    public function blunder(Truth $truth, Instrument $instrument, Dice $dice): ?Shown
    {
        return $dice->chance(null === $truth->hypothesis ? Unnamed::TOUCHED : Likelihood::BLUNDER) ? self::anything($instrument, $dice) : null;
    }

    /**
     * Causes that change the circuit or how a device acts, for a world in which every visit has one.
     *
     * @param non-empty-list<Hypothesis> $hypotheses
     *
     * @return non-empty-list<Hypothesis>
     */
    public static function showing(House $house, array $hypotheses): array
    {
        $showing = array_values(array_filter($hypotheses, static fn (Hypothesis $hypothesis): bool => null !== $hypothesis->kind && FaultNature::Survey !== $hypothesis->kind->nature() && !$hypothesis->intermittent && false === ($hypothesis->changes($house)[0]?->leavesNetwork() ?? true)));

        return [] === $showing ? throw new \LogicException('This house has no place for a fault.') : $showing;
    }

    /** What a cause changes, its severity anywhere between those of its kind. */
    public static function change(House $house, Hypothesis $cause, Dice $dice): ?Change
    {
        return null === $cause->kind || null === $cause->site ? null : $cause->kind->change($house, $cause->site, self::severity($cause, $dice));
    }

    /** @return float in Ω, as often as the complaint asks; 0 where the kind has none */
    public static function severity(Hypothesis $cause, Dice $dice): float
    {
        return self::ohms($cause->ohms(), array_map(exp(...), $cause->logs()), $dice);
    }

    /**
     * One of them, or up to half a step beside it; nothing lies in the gap between what still joins and what is as good as open.
     *
     * @param non-empty-list<float> $severities in Ω, or 0 where the kind has none
     * @param non-empty-list<float> $often
     */
    public static function ohms(array $severities, array $often, Dice $dice): float
    {
        $at = $dice->weighted($often);
        $share = $dice->uniform() - 0.5;
        $beside = $severities[$at + ($share > 0.0 ? 1 : -1)] ?? 0.0;

        return $severities[$at] > 0.0 && $beside > 0.0 && abs(log($beside / $severities[$at])) < log(self::GAP) ? $severities[$at] * ($beside / $severities[$at]) ** abs($share) : $severities[$at];
    }

    public static function factors(House $house, Dice $dice): Factors
    {
        $drawn = [];
        foreach (Factors::spreads($house) as $factor => $spread) {
            $drawn[$factor] = $spread * $dice->normal() * ($dice->chance(Factors::TAIL) ? Factors::tail($factor, $spread) : 1.0);
        }

        return new Factors($drawn);
    }

    /** Any lamps, or any place on the display. */
    public static function anything(Instrument $instrument, Dice $dice): Shown
    {
        if ($instrument instanceof PatternInstrument) {
            return Shown::levels(array_fill(0, 3, $dice->chance(0.5) ? 1e4 : 0.0));
        }
        $top = $instrument->scale()->top();

        return $dice->chance(0.2) ? Shown::over(2.0 * $top) : Shown::value($top * 10.0 ** (-5.0 * $dice->uniform()));
    }
}
