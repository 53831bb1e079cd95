<?php

declare(strict_types=1);

namespace YellowProbe\Diagnosis;

use YellowProbe\Installation\House;
use YellowProbe\Installation\HouseError;
use YellowProbe\Installation\State;
use YellowProbe\Installation\StateChange;
use YellowProbe\Instrument\Connection;
use YellowProbe\Instrument\Measurement;
use YellowProbe\Instrument\Reading;
use YellowProbe\Instrument\ShownKind;
use YellowProbe\Instrument\Unit;

/**
 * Readings that cannot all be true: each is left out in turn, and what all causes together give it from the rest is held
 * against what a reading of anything would have. For the oddest a simple reason is sought: another pair of conductors,
 * the house not in the state on record, a load left in, a slip of the unit.
 */
final class Contradictions
{
    /** Nearly all that a blunder of one or two per cent can cost a reading (log 0.015 is −4.2). */
    private const LEAST_NATS = 3.0;
    private const LEAST_READINGS = 3;

    /** By how much the fit to all readings may be too kind to one of them, and so many that are looked into. */
    private const KIND = 2.0;
    private const MOST = 5;

    /** Nats below the leading cause from which on one adds nothing to the sum over all. */
    private const NEGLIGIBLE = 9.0;

    /** @return list<Contradiction> the strongest first */
    public static function among(House $house, Ranking $ranking): array
    {
        $evidence = $ranking->evidence;
        if (\count($evidence) < self::LEAST_READINGS || [] === $ranking->standings) {
            return [];
        }
        $alive = self::alive($ranking->standings);
        $hypotheses = array_map(static fn (Standing $standing): Hypothesis => $standing->hypothesis, $alive);
        $whole = self::evidenceOf($alive);
        $odd = [];
        foreach ($evidence as $at => $piece) {
            // With the factors as they were fitted to all readings, this one among them: a little too kind, and enough to pass it over.
            $nats = log($piece->display->broad($piece->reading)) - ($whole - self::evidenceOf($alive, $at));
            if ($nats >= self::LEAST_NATS - self::KIND) {
                $odd[$at] = $nats;
            }
        }
        arsort($odd);
        $found = [];
        foreach (\array_slice($odd, 0, self::MOST, true) as $at => $_) {
            $piece = $evidence[$at];
            $rest = $evidence;
            unset($rest[$at]);
            $without = Ranker::rank($hypotheses, array_values($rest));
            $nats = log($piece->display->broad($piece->reading)) - ($whole - self::evidenceOf($without->standings));
            if ($nats >= self::LEAST_NATS) {
                $found[] = new Contradiction($piece->id, $nats, self::reason($house, $piece, $without));
            }
        }
        usort($found, static fn (Contradiction $a, Contradiction $b): int => [$b->nats, $a->observation] <=> [$a->nats, $b->observation]);

        return $found;
    }

    /**
     * The causes that could lead if the reading that speaks most against them were left out; the others change nothing.
     *
     * @param non-empty-list<Standing> $standings
     *
     * @return non-empty-list<Standing>
     */
    private static function alive(array $standings): array
    {
        $alive = [];
        $top = max(array_map(static fn (Standing $standing): float => $standing->log, $standings));
        foreach ($standings as $standing) {
            if ($standing->log - min([0.0, ...$standing->each]) >= $top - self::NEGLIGIBLE) {
                $alive[] = $standing;
            }
        }

        return [] === $alive ? $standings : $alive;
    }

    /**
     * Log of the probability of all readings, over all causes.
     *
     * @param list<Standing> $standings
     * @param int|null       $but       a reading that is left out, the fit as it is
     */
    private static function evidenceOf(array $standings, ?int $but = null): float
    {
        $logs = array_map(static fn (Standing $standing): float => $standing->log - (null === $but ? 0.0 : $standing->each[$but]), $standings);
        $top = max([-\INF, ...$logs]);

        return $top + log(array_sum(array_map(static fn (float $log): float => exp($log - $top), $logs)));
    }

    private static function reason(House $house, Evidence $piece, Ranking $without): ?string
    {
        $named = array_values(array_filter($without->standings, static fn (Standing $standing): bool => Hypothesis::ELSE !== $standing->hypothesis->id));
        $lead = $named[0]->hypothesis;
        foreach (self::slips($piece->reading) as $words => $reading) {
            if (self::fits($house, $piece->measurement, $reading, $lead, $piece->repaired)) {
                return $words;
            }
        }
        foreach (self::alternatives($house, $piece->measurement) as [$words, $measurement]) {
            if (self::fits($house, $measurement, $piece->reading, $lead, $piece->repaired)) {
                return $words;
            }
        }

        return null;
    }

    /** @return array<string, Reading> */
    private static function slips(Reading $reading): array
    {
        $slipped = static fn (float $factor): Reading => new Reading(ShownKind::Value, $reading->raw, $factor * $reading->value, $factor * $reading->resolution);

        return ShownKind::Value !== $reading->kind ? [] : ['the unit were a thousand times larger' => $slipped(1e3), 'the unit were a thousand times smaller' => $slipped(1e-3), 'the point were one place to the left' => $slipped(0.1), 'the point were one place to the right' => $slipped(10.0)];
    }

    /** @return list<array{string, Measurement}> */
    private static function alternatives(House $house, Measurement $measurement): array
    {
        $found = [];
        $leads = $measurement->connection->terminals;
        foreach ([] === $measurement->connection->around ? $leads : [] as $at => $terminal) {
            foreach (['L', 'N', 'E'] as $pole) {
                $other = preg_replace('/[LNE]$/', $pole, $terminal) ?? $terminal;
                if ($other !== $terminal && $house->hasTerminal($other) && !\in_array($other, $leads, true)) {
                    $found[] = ["a lead was on $pole instead of ".substr($terminal, -1), new Measurement($measurement->state, $measurement->instrument, Connection::leads(...array_replace($leads, [$at => $other])))];
                }
            }
        }
        $resting = State::resting($house);
        if ($resting->hash() !== $measurement->state->hash()) {
            $found[] = ['the house was not in the state on record', new Measurement($resting, $measurement->instrument, $measurement->connection)];
        }
        foreach ($house->partsOfKind('appliance', 'light') as $load) {
            if (\in_array($house->circuitOfPart($load->id), $measurement->circuits($house), true) && 'on' !== $measurement->state->load($load->id)) {
                $found[] = ["$load->name was left in and on", new Measurement($measurement->state->after(new StateChange('load', $load->id, 'on')), $measurement->instrument, $measurement->connection)];
            }
        }

        return $found;
    }

    /** @param list<string> $repaired by then */
    private static function fits(House $house, Measurement $measurement, Reading $reading, Hypothesis $cause, array $repaired): bool
    {
        try {
            $rows = Predictor::table($house, $measurement, [Hypothesis::sound(1.0), $cause, ...$cause->singles()])->after($repaired)->rows($cause);
        } catch (HouseError) {
            return false; // a lead on an end that this state has landed
        }
        foreach ($rows as $row) {
            // A number has to be met; that both are over range, or that lamps agree, says enough by itself.
            if (Fit::Fits === (new Expectation($row, $measurement->instrument))->fit($reading) && (ShownKind::Over !== $reading->kind || Unit::Pattern === $measurement->instrument->unit() || ShownKind::Over === $row->shown->kind)) {
                return true;
            }
        }

        return false;
    }
}
