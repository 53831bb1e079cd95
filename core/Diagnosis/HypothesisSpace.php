<?php

declare(strict_types=1);

namespace YellowProbe\Diagnosis;

use YellowProbe\Fault\FaultCatalogue;
use YellowProbe\Fault\FaultSite;
use YellowProbe\Fault\UnlistedLoad;
use YellowProbe\Installation\Circuit;
use YellowProbe\Installation\House;
use YellowProbe\Installation\Part;
use YellowProbe\Installation\Protection;

/**
 * Every single fault of the catalogue at every place of a house, as it stays and, where something brings it out, as it
 * comes and goes; nothing wrong now; and something else; with priors. Pairs are grown from them when singles fail.
 */
final class HypothesisSpace
{
    /** How often something is plugged in that the survey does not hold (a survey fact is wrong in 5 to 20 % of cases). */
    private const UNLISTED = 0.1;

    /** A device opens for what is behind it; that somebody names the wrong one, or that it is led astray, is left to one in ten. */
    private const ELSEWHERE = 0.1;

    /** @return non-empty-list<Hypothesis> priors sum to 1, but for findings and what the survey may have got wrong; only their ratios count */
    public static function of(House $house, Rates $rates, Story $story = new Story()): array
    {
        $given = $rates->given($story);
        $atTimes = $rates->atTimes($story);
        $noticed = $rates->noticed($story);
        $findings = array_map(static fn (array $found): array => [$rates->found($found[0]), $found[1]], $story->findings);
        $behind = self::behind($house, $story->tripped);
        $rooms = array_map($rates->inRoom(...), $house->places);
        $lit = self::lit($house);
        $told = new ToldPlaces($house, $story->where);
        $ran = new Running($house, $story->running);
        $hypotheses = [];
        $placed = $given['sound'] ?? 0.0;
        foreach (FaultCatalogue::all() as $slug => $kind) {
            $sites = $kind->sites($house);
            $share = $given[$slug] ?? 0.0;
            if ([] === $sites) {
                // A kind that this house has no place for is no cause here.
                continue;
            }
            $placed += $share;
            $asks = $noticed[$slug] ?? Noticed::always();
            $weight = array_map(static fn (FaultSite $site): float => $site->weight * $asks->on($site->role, isset($lit[$site->circuit ?? ''])) * max([1.0, ...array_map(static fn (string $place): float => $rooms[$place][$slug] ?? 1.0, $site->places)]), $sites);
            $weights = array_sum($weight);
            $logs = array_map(log(...), $asks->shares($kind->severities()));
            $comes = [] === $kind->conditions() ? 0.0 : $atTimes;
            foreach ($sites as $at => $site) {
                $prior = $share * $weight[$at] / $weights * $told->factor($site) * $ran->factor($kind, $site) * self::found($findings, $slug, $site->places) * (null === $behind || [] === $site->places || [] !== array_intersect_key($behind, array_flip($site->places)) ? 1.0 : self::ELSEWHERE);
                $hypotheses[] = Hypothesis::fault($kind, $site, (1.0 - $comes) * $prior, $logs);
                if ($comes > 0.0) {
                    $hypotheses[] = Hypothesis::intermittent($kind, $site, $comes * $prior, $logs);
                }
            }
        }

        // Beside what the house has places for it is as likely as beside everything.
        $other = $given['other'] ?? 0.0;
        $else = $other * $placed / (1.0 - $other);
        $sound = ($given['sound'] ?? 0.0) * self::found($findings, Hypothesis::SOUND, null);

        // What is found at inspections is no part of a sum: one fault says nothing of another.
        return [Hypothesis::sound($sound, $story->isInspection() ? 1.0 / max($sound, 1e-6) : Pairs::SECOND), Hypothesis::somethingElse($else), ...$hypotheses, ...self::surveyErrors($house, $sound)];
    }

    /**
     * Places on the circuits behind devices that tripped, boards among them.
     *
     * @param list<string> $tripped
     *
     * @return array<string, true>|null null when none is named
     */
    private static function behind(House $house, array $tripped): ?array
    {
        if ([] === $tripped) {
            return null;
        }
        $places = [];
        foreach ($house->parts as $part) {
            $circuit = $house->circuitOfPart($part->id);
            $devices = null === $circuit ? [] : array_map(static fn (Part $device): string => $device->id, Protection::devices($house, $circuit));
            if (null === $circuit || [] !== array_intersect($devices, $tripped)) {
                $places[$part->place] = true;
            }
        }

        return $places;
    }

    /** @return array<string, true> circuits that light something, and those that feed them; all where nothing says which */
    private static function lit(House $house): array
    {
        $own = [];
        foreach ([...$house->partsOfKind('light'), ...$house->partsOfKind('switch')] as $part) {
            $own[$house->circuitOfPart($part->id) ?? ''] = true;
        }
        $lit = array_filter($house->circuits, static fn (Circuit $circuit): bool => [] === $own || [] !== array_filter(array_keys($own), static fn (string $other): bool => $other === $circuit->id || (isset($house->circuits[$other]) && Protection::isFed($house, $other, $circuit->id))));

        return array_fill_keys(array_keys($lit), true);
    }

    /**
     * A finding weighs on the faults at its place; on all where it has none, and on a sound house wherever it was.
     *
     * @param list<array{array<string, float>, string}> $findings factors by kind, place
     * @param list<string>|null                         $places   of the fault; null for the house as a whole
     */
    private static function found(array $findings, string $kind, ?array $places): float
    {
        $factor = 1.0;
        foreach ($findings as [$factors, $place]) {
            if ('' === $place || null === $places || \in_array($place, $places, true)) {
                $factor *= $factors[$kind] ?? 1.0;
            }
        }

        return $factor;
    }

    /**
     * Nothing wrong, but the house is not as surveyed; beside a fault, such an error is one half of a pair.
     *
     * @return list<Hypothesis>
     */
    private static function surveyErrors(House $house, float $sound): array
    {
        $kind = new UnlistedLoad();
        $sites = $kind->sites($house);

        return array_map(static fn (FaultSite $site): Hypothesis => Hypothesis::fault($kind, $site, $sound * self::UNLISTED / \count($sites)), $sites);
    }
}
