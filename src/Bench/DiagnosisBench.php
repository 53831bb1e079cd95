<?php

declare(strict_types=1);

namespace App\Bench;

use YellowProbe\Diagnosis\Evidence;
use YellowProbe\Diagnosis\Hypothesis;
use YellowProbe\Diagnosis\Planner;
use YellowProbe\Diagnosis\PredictionTable;
use YellowProbe\Diagnosis\Predictor;
use YellowProbe\Diagnosis\Ranker;
use YellowProbe\Installation\Factors;
use YellowProbe\Installation\House;
use YellowProbe\Installation\State;
use YellowProbe\Instrument\Bench;
use YellowProbe\Instrument\Measurement;
use YellowProbe\Instrument\ReadingFormat;
use YellowProbe\Instrument\ReadingParser;
use YellowProbe\Procedure\TestCatalogue;
use YellowProbe\Procedure\TestPlan;

/** How long the diagnosis of one call takes: forty sound readings, of every kind of test that the house has in turn. */
final readonly class DiagnosisBench
{
    public const READINGS = 40;
    private const RUNS = 3;

    /** @var non-empty-list<TestPlan> */
    public array $plans;

    /** @param non-empty-list<Hypothesis> $hypotheses */
    public function __construct(private House $house, public array $hypotheses)
    {
        $kinds = $plans = [];
        foreach (TestCatalogue::plans($house) as $plan) {
            $kinds[$plan->procedure->slug()][] = $plan;
        }
        // As a person would: not a dozen of one kind because that can be done at many points.
        for ($round = 0; \count($plans) < self::READINGS && [] !== $kinds; ++$round) {
            $kinds = array_filter($kinds, static fn (array $own): bool => isset($own[$round]));
            array_push($plans, ...array_column($kinds, $round));
        }
        $this->plans = [] === $plans ? throw new \LogicException('This house has no tests.') : \array_slice($plans, 0, self::READINGS);
    }

    /** @return array<string, Timing> what => time */
    public function times(): array
    {
        $columns = $tables = [];
        foreach ($this->plans as $plan) {
            $begun = hrtime(true);
            $tables[$plan->id] = Predictor::table($this->house, $plan->measurement, $this->hypotheses);
            $columns[] = (hrtime(true) - $begun) / 1e3;
        }
        $evidence = $this->evidence($tables);
        $ranking = Ranker::rank($this->hypotheses, $evidence);
        $now = State::resting($this->house);
        $kept = [];
        $planner = new Planner($this->house, function (Measurement $measurement, array $hypotheses) use (&$kept): PredictionTable {
            /** @var non-empty-list<Hypothesis> $hypotheses */
            return $kept[$measurement->hash()] ??= Predictor::sketch($this->house, $measurement, $hypotheses);
        });
        $planner->next($ranking, $now);

        return [
            'a prediction column' => Timing::among($columns),
            'all columns, cold' => Timing::among([array_sum($columns)]),
            'rank again' => Timing::of(fn () => Ranker::rank($this->hypotheses, $evidence), self::RUNS),
            'next test of '.\count($kept).', predictions kept' => Timing::of(static fn () => $planner->next($ranking, $now), self::RUNS),
            'next test, nothing kept' => Timing::of(fn () => Planner::sketching($this->house)->next($ranking, $now), self::RUNS),
        ];
    }

    /**
     * @param array<string, PredictionTable> $tables by test
     *
     * @return list<Evidence>
     */
    private function evidence(array $tables): array
    {
        $evidence = [];
        foreach ($this->plans as $at => $plan) {
            $measurement = $plan->measurement;
            $shown = (new Bench($this->house, $measurement->state, $measurement->instrument, $measurement->connection, new Factors()))->read();
            $reading = ReadingParser::parse(ReadingFormat::displayed($shown, $measurement->instrument), $measurement->instrument);
            $evidence[] = new Evidence(\sprintf('%02d', $at), $measurement, $reading, static fn (): PredictionTable => $tables[$plan->id], $plan->id);
        }

        return $evidence;
    }
}
