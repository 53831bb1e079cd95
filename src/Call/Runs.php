<?php

declare(strict_types=1);

namespace App\Call;

use App\Api\View\AgreementView;
use App\Api\View\SeriesMemberView;
use App\Api\View\SeriesSummary;
use App\Api\View\SeriesView;
use App\Observation\Repaired;
use App\Words\Say;
use YellowProbe\Diagnosis\Spread;
use YellowProbe\Installation\House;
use YellowProbe\Installation\StateChange;
use YellowProbe\Instrument\Measurement;
use YellowProbe\Instrument\Reading;
use YellowProbe\Instrument\ReadingParser;
use YellowProbe\Procedure\Series;
use YellowProbe\Procedure\TestName;
use YellowProbe\Procedure\TestPlan;
use YellowProbe\Procedure\TwoStates;
use YellowProbe\Rules\Difference;
use YellowProbe\Safety\NeedsIsolation;

/** Runs of readings of a call: which there are, and how far each has come. A run begins anew after a repair. */
final readonly class Runs
{
    public function __construct(private Say $say)
    {
    }

    /** @return list<SeriesSummary> those begun first */
    public function all(House $house, Journal $journal): array
    {
        $taken = self::taken($journal);
        // What is begun, then the runs from place to place, then the pairs of states, which are many.
        $order = $summaries = [];
        foreach (self::known($house) as $series) {
            $done = \count(self::readings($series, $taken));
            $words = $this->say->of($series->words, $house->ruleSet);
            $order[] = [0 === $done, $series->isPair(), $words];
            $summaries[] = new SeriesSummary($series->id, $words, \count($series->plans), $done);
        }
        array_multisort($order, $summaries);

        return $summaries;
    }

    /** @return array<string, Series> by id */
    public static function known(House $house): array
    {
        return Series::all($house) + TwoStates::all($house);
    }

    public function view(House $house, Journal $journal, Series $series): SeriesView
    {
        $now = $journal->state();
        $readings = self::readings($series, self::taken($journal));
        $spread = Spread::of($house, $series, array_map(self::parsed(...), $readings));
        $members = [];
        foreach ($series->plans as $at => $plan) {
            $member = $spread->members[$at];
            $then = $plan->measurement->state;
            $members[] = new SeriesMemberView(
                $plan->id,
                $this->say->of(TestName::of($house, $plan->measurement), $house->ruleSet),
                self::place($house, $plan, $series),
                $plan->measurement->instrument->slug(),
                $plan->measurement->connection->terminals,
                $plan->measurement->connection->around,
                CallViews::ledger($house, $now, $then),
                array_map(static fn (StateChange $change): string => $change->words($house), $now->changesTo($then)),
                $member['expected'],
                ($readings[$at] ?? null)?->raw,
                ($readings[$at] ?? null)?->judged->fit?->value,
                $member['expectedAt'],
                $member['readAt'],
                $member['outlier'],
                NeedsIsolation::of($house, $now, $plan->measurement),
            );
        }
        $procedure = $series->plans[0]->procedure;

        $both = $series->isPair() && 2 === \count($readings);
        $difference = $both ? Difference::of($house, $series, [self::parsed($readings[0]), self::parsed($readings[1])]) : null;

        return new SeriesView($series->id, $this->say->of($series->words, $house->ruleSet), $procedure->needs(), $procedure->cannotShow(), $procedure->hazard(), $members, null === $difference ? null : AgreementView::of($difference), $now->hash());
    }

    private static function place(House $house, TestPlan $plan, Series $series): string
    {
        if ($series->isPair()) {
            return $plan === $series->plans[0] ? 'As the house rests' : 'Then';
        }
        $circuits = $plan->measurement->circuits($house);
        $terminal = $plan->measurement->connection->terminals[0] ?? null;
        $part = null !== $terminal && $house->hasTerminal($terminal) ? $house->partOf($terminal) : null;

        return null !== $part && 'board' !== $house->places[$part->place]->kind ? $part->name : (isset($circuits[0]) ? $house->circuits[$circuits[0]]->name : $plan->words);
    }

    private static function parsed(TakenReading $reading): Reading
    {
        return ReadingParser::parse($reading->raw, $reading->instrument);
    }

    /** @return array<string, TakenReading> tester and leads, and these with the state => the latest that stands, since the last repair */
    private static function taken(Journal $journal): array
    {
        $taken = [];
        $isAfterRepair = null !== $journal->last(Repaired::class);
        foreach ($journal->readings() as $reading) {
            if (null === $reading->withdrawn && null !== $reading->connection && $reading->proof === $isAfterRepair) {
                $taken[self::key($reading->instrument->slug(), $reading->connection->toArray())] = $reading;
                $taken[(new Measurement($reading->state(), $reading->instrument, $reading->connection))->hash()] = $reading;
            }
        }

        return $taken;
    }

    /**
     * @param array<string, TakenReading> $taken
     *
     * @return array<int, TakenReading> by place in the run
     */
    private static function readings(Series $series, array $taken): array
    {
        $readings = [];
        foreach ($series->plans as $at => $plan) {
            $reading = $taken[$series->isPair() ? $plan->measurement->hash() : self::keyOf($plan->measurement)] ?? null;
            if (null !== $reading) {
                $readings[$at] = $reading;
            }
        }

        return $readings;
    }

    private static function keyOf(Measurement $measurement): string
    {
        return self::key($measurement->instrument->slug(), $measurement->connection->toArray());
    }

    /** @param array<string, mixed> $connection */
    private static function key(string $instrument, array $connection): string
    {
        return $instrument.json_encode($connection, \JSON_THROW_ON_ERROR);
    }
}
