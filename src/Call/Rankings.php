<?php

declare(strict_types=1);

namespace App\Call;

use App\Api\Problem;
use App\Api\View\RankingView;
use App\Observation\Entry;
use App\Words\Say;
use YellowProbe\Diagnosis\Evidence;
use YellowProbe\Diagnosis\Hypothesis;
use YellowProbe\Diagnosis\HypothesisSpace;
use YellowProbe\Diagnosis\Implied;
use YellowProbe\Diagnosis\KeptRanking;
use YellowProbe\Diagnosis\Likelihood;
use YellowProbe\Diagnosis\Pairs;
use YellowProbe\Diagnosis\PredictionTable;
use YellowProbe\Diagnosis\Ranking;
use YellowProbe\Installation\House;
use YellowProbe\Installation\Size;
use YellowProbe\Installation\State;
use YellowProbe\Instrument\ComplaintTrial;
use YellowProbe\Instrument\Connection;
use YellowProbe\Instrument\Measurement;
use YellowProbe\Instrument\ReadingParser;
use YellowProbe\Procedure\TestName;
use YellowProbe\Words\Message;

/** The ranking of a call: worked out once for everything that it depends on, whichever request asks for it first. */
final readonly class Rankings
{
    /** Under another name when the view gets another shape: what an older version has kept is not read as the new one. */
    private const RANKING = 'ranking 2';
    private const VIEW = 'ranking view 3';

    public function __construct(private Kept $kept, private TradeData $trade, private DiagnosisViews $views, private Say $say)
    {
    }

    /** @throws Problem when the call has no house yet */
    public function rank(Journal $journal): Ranking
    {
        [$house, $hypotheses, $evidence, $on] = $this->asked($journal);
        $kept = $this->kept->find(self::RANKING, $house, $on);
        if (!$kept instanceof KeptRanking) {
            $new = $this->compute($house, $hypotheses, $evidence, $on)[1];
            if (null !== $new) {
                return $new;
            }
            $kept = $this->kept->find(self::RANKING, $house, $on);
        }

        return $kept instanceof KeptRanking
            ? $kept->restored($house, $hypotheses(), $evidence, $this->kept->sketch(...))
            : Pairs::rank($house, $hypotheses(), $evidence, $this->kept->sketch(...));
    }

    /**
     * The ranking as a page shows it.
     *
     * @throws Problem when the call has no house yet
     */
    public function view(Journal $journal): RankingView
    {
        return $this->compute(...$this->asked($journal))[0];
    }

    /**
     * What has to be worked out before the ranking can be: seconds in all where a house is new or was surveyed otherwise.
     *
     * @return list<Evidence> the first of each measurement whose table is not kept; none when the ranking itself is
     *
     * @throws Problem when the call has no house yet
     */
    public function missing(Journal $journal): array
    {
        [$house, , $evidence, $on] = $this->asked($journal);
        if ($this->kept->has(self::VIEW, $house, $on)) {
            return [];
        }
        $missing = [];
        foreach ($evidence as $piece) {
            $hash = $piece->measurement->hash();
            if (!isset($missing[$hash]) && !$this->kept->hasTable($house, $piece->measurement)) {
                $missing[$hash] = $piece;
            }
        }

        return array_values($missing);
    }

    /** Works out what each cause would show in a measurement, and what a reading there may imply, so that the ranking need not wait for it. */
    public function prepare(Journal $journal, Measurement $measurement): void
    {
        if (null !== $journal->house) {
            $hypotheses = $this->hypotheses($journal->house, $journal);
            foreach ([$measurement, ...Implied::possible($journal->house, $this->weighed($journal->house, $journal, $hypotheses), $measurement)] as $ahead) {
                $this->kept->table($journal->house, $ahead, $hypotheses);
            }
        }
    }

    /**
     * @param \Closure(): non-empty-list<Hypothesis> $hypotheses
     * @param list<Evidence>                         $evidence
     * @param list<mixed>                            $on
     *
     * @return array{RankingView, Ranking|null} the ranking itself when it was this request that worked it out
     */
    private function compute(House $house, \Closure $hypotheses, array $evidence, array $on): array
    {
        $new = null;
        $view = $this->kept->get(self::VIEW, $house, $on, function () use ($house, $hypotheses, $evidence, $on, &$new): RankingView {
            $new = Pairs::rank($house, $hypotheses(), $evidence, $this->kept->sketch(...));
            // Kept before the view is: who waits for that one finds this one too.
            $this->kept->keep(self::RANKING, $house, $on, KeptRanking::of($new));

            return $this->views->ranking($house, $new);
        });

        return [$view, $new];
    }

    /**
     * @return array{House, \Closure(): non-empty-list<Hypothesis>, list<Evidence>, list<mixed>} what a ranking is made of, and all that it depends on
     *
     * @throws Problem when the call has no house yet
     */
    private function asked(Journal $journal): array
    {
        $house = $journal->house ?? throw Problem::conflict('This call has no house yet. Readings can be taken all the same; import or survey the house to have them judged.');
        if (!Size::isInteractive($house)) {
            throw Problem::conflict($this->say->of(new Message('large.house', ['points' => Size::points($house), 'most' => Size::INTERACTIVE_POINTS]), $house->ruleSet));
        }
        $hypotheses = $this->hypotheses($house, $journal);
        $evidence = $this->weighed($house, $journal, $hypotheses);

        return [$house, $hypotheses, $evidence, [self::read($evidence), [$journal->story(), $this->trade->rates()->version], $journal->repaired()]];
    }

    /**
     * @param list<Evidence> $evidence
     *
     * @return list<mixed> what of the readings a ranking depends on
     */
    public static function read(array $evidence): array
    {
        return array_map(static fn (Evidence $piece): array => [$piece->id, $piece->measurement->hash(), $piece->reading->raw, $piece->exposure->key(), $piece->blunder, $piece->repaired], $evidence);
    }

    /** @return \Closure(): non-empty-list<Hypothesis> worked out once, when they are first asked for */
    private function hypotheses(House $house, Journal $journal): \Closure
    {
        $known = null;

        return function () use ($house, $journal, &$known): array {
            $repaired = $journal->repaired();

            return $known ??= array_map(static fn (Hypothesis $hypothesis): Hypothesis => $hypothesis->after($repaired), HypothesisSpace::of($house, $this->trade->rates(), $journal->story()));
        };
    }

    /**
     * @param \Closure(): non-empty-list<Hypothesis> $hypotheses
     *
     * @return list<Evidence> the readings that say something of this house, what they imply of the devices before them, and the complaint tried again
     */
    private function weighed(House $house, Journal $journal, \Closure $hypotheses): array
    {
        $readings = $journal->readings();
        $trials = $journal->trials();
        $exposures = Episodes::of([...array_map(static fn (TakenReading $reading): Entry => $reading->entry, $readings), ...array_column($trials, 0)]);
        $evidence = $tables = [];
        $table = function (Measurement $measurement) use ($house, $hypotheses, &$tables): PredictionTable {
            // What is measured again has the same table.
            return $tables[$measurement->hash()] ??= $this->kept->table($house, $measurement, $hypotheses);
        };
        foreach ($readings as $at => $reading) {
            // What a repair without a name has changed nobody can say.
            if (null !== $reading->withdrawn || null === $reading->connection || \in_array(Hypothesis::ELSE, $reading->repaired, true)) {
                continue;
            }
            $measurement = new Measurement($reading->state(), $reading->instrument, $reading->connection);
            $evidence[] = new Evidence(
                $reading->id(),
                $measurement,
                ReadingParser::parse($reading->raw, $reading->instrument),
                static fn (): PredictionTable => $table($measurement),
                $this->say->of(TestName::of($house, $measurement), $house->ruleSet),
                $exposures[$at],
                null === $reading->doubted ? Likelihood::BLUNDER : Likelihood::DOUBTED,
                $reading->repaired,
            );
        }
        $trial = new ComplaintTrial();
        $measurement = new Measurement(State::resting($house), $trial, Connection::around());
        foreach ($trials as $at => [$entry, $outcome, $repaired]) {
            if (!\in_array(Hypothesis::ELSE, $repaired, true)) {
                $evidence[] = new Evidence($entry->id(), $measurement, ReadingParser::parse($outcome, $trial), static fn (): PredictionTable => $table($measurement), $trial->words(), $exposures[\count($readings) + $at], repaired: $repaired);
            }
        }

        return [...$evidence, ...Implied::holds($house, $evidence, $table)];
    }
}
