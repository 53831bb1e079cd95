<?php

declare(strict_types=1);

namespace App\Call;

use App\Api\View\ContradictionView;
use App\Api\View\ForcingView;
use App\Api\View\NextTestView;
use App\Api\View\PathStepView;
use App\Api\View\PredictionView;
use App\Api\View\RankingView;
use App\Api\View\ReasonView;
use App\Api\View\SuspectView;
use App\Words\Percent;
use App\Words\Say;
use YellowProbe\Diagnosis\Candidate;
use YellowProbe\Diagnosis\Contradiction;
use YellowProbe\Diagnosis\Evidence;
use YellowProbe\Diagnosis\Expectation;
use YellowProbe\Diagnosis\Forcing;
use YellowProbe\Diagnosis\Implied;
use YellowProbe\Diagnosis\Planner;
use YellowProbe\Diagnosis\Ranking;
use YellowProbe\Diagnosis\Worth;
use YellowProbe\Fault\Condition;
use YellowProbe\Installation\House;
use YellowProbe\Installation\Labels;
use YellowProbe\Installation\Part;
use YellowProbe\Installation\State;
use YellowProbe\Installation\StateChange;
use YellowProbe\Instrument\CurrentPath;
use YellowProbe\Instrument\Measurement;
use YellowProbe\Instrument\PathStep;
use YellowProbe\Procedure\Occupants;
use YellowProbe\Procedure\TestName;
use YellowProbe\Safety\NeedsIsolation;

/** Rankings, next tests and predictions as the page sees them. */
final readonly class DiagnosisViews
{
    private const MOST_SUSPECTS = 8;
    /** Causes below this are shown together. */
    private const SMALL = 0.05;
    /** Of the way of a current, what makes one part in a hundred of the resistance, and at most so many elements. */
    private const SHOWN_SHARE = 0.01;
    private const MOST_STEPS = 8;
    private const MOST_PLACES = 6;

    public function __construct(private Kept $kept, private OutcomeViews $outcomes, private Say $say)
    {
    }

    public function ranking(House $house, Ranking $ranking): RankingView
    {
        $suspects = [];
        $listed = 0.0;
        foreach (\array_slice($ranking->suspects(), 0, self::MOST_SUSPECTS) as $suspect) {
            $lead = $suspect->lead()->hypothesis;
            $where = $suspect->where();
            $suspects[] = new SuspectView(
                $lead->id,
                $suspect->title(),
                array_keys(\array_slice($where, 0, self::MOST_PLACES)),
                max(0, \count($where) - self::MOST_PLACES),
                $suspect->alike(),
                $suspect->places($house),
                $suspect->probability,
                $lead->isMended() ? '' : $lead->kind?->class() ?? '',
                array_map(static fn (array $reason): ReasonView => new ReasonView(Implied::source($reason['observation']), $reason['nats'], $reason['sentence']), $suspect->reasons()),
                array_values(\array_slice($where, 0, self::MOST_PLACES)),
                round($suspect->atTimes(), 3),
                Percent::of($suspect->probability),
                $isSmall = $suspect->probability < self::SMALL,
            );
            $listed += $isSmall ? 0.0 : $suspect->probability;
        }

        return new RankingView(\count(array_unique(array_map(static fn (Evidence $piece): string => Implied::source($piece->id), $ranking->evidence))), $suspects, Percent::of(1.0 - $listed));
    }

    /**
     * @param list<Contradiction> $contradictions
     *
     * @return list<ContradictionView>
     */
    public function contradictions(Ranking $ranking, array $contradictions): array
    {
        $where = [];
        foreach ($ranking->evidence as $piece) {
            $where[$piece->id] = $piece->where;
        }

        return array_map(static fn (Contradiction $odd): ContradictionView => new ContradictionView(Implied::source($odd->observation), $where[$odd->observation] ?? '', $odd->words()), $contradictions);
    }

    /** @param list<Condition> $forced */
    public function nextTest(House $house, Ranking $ranking, State $now, Candidate $candidate, array $forced = []): NextTestView
    {
        $plan = $candidate->plan;
        $changes = $now->changesTo($plan->measurement->state);

        return new NextTestView(
            $plan->id,
            $plan->procedure->slug(),
            $this->say->of(TestName::of($house, $plan->measurement), $house->ruleSet),
            $plan->measurement->instrument->slug(),
            $plan->measurement->connection->terminals,
            $plan->measurement->connection->around,
            round($candidate->bits, 3),
            Worth::of($candidate->bits, $ranking, $forced)->value,
            round($candidate->minutes, 1),
            $plan->procedure->hazard(),
            $plan->procedure->cannotShow(),
            array_map(static fn (StateChange $change): string => $change->words($house), $changes),
            CallViews::ledger($house, $now, $plan->measurement->state),
            $this->outcomes->of($house, $plan->measurement, $ranking, $forced)[0],
            array_map(static fn (Part $appliance): string => $appliance->name, Occupants::losing($house, $now, $plan)),
            self::before($ranking, $plan->measurement),
            NeedsIsolation::of($house, $now, $plan->measurement),
        );
    }

    public function forcing(House $house, Ranking $ranking, State $now, Forcing $forcing): ForcingView
    {
        return new ForcingView($forcing->by->value, $forcing->words(), $forcing->caution(), round($forcing->bits, 3), Worth::of($forcing->bits, $ranking, [$forcing->by])->value, round($forcing->minutes, 1), $this->nextTest($house, $ranking, $now, new Candidate($forcing->plan, $forcing->bits, $forcing->minutes, $forcing->bits / $forcing->minutes, 0.0), [$forcing->by]));
    }

    /** What was read there since the last repair. */
    private static function before(Ranking $ranking, Measurement $measurement): ?string
    {
        foreach ($ranking->evidence as $piece) {
            if ($piece->repaired === $ranking->repaired && $piece->measurement->hash() === $measurement->hash()) {
                return $piece->reading->raw;
            }
        }

        return null;
    }

    /**
     * @param list<string>    $cautions
     * @param list<Condition> $forced what is done meanwhile to bring out what comes and goes
     */
    public function prediction(House $house, Ranking $ranking, Measurement $measurement, array $cautions, array $forced): PredictionView
    {
        $expectation = new Expectation($this->kept->sound($house, $measurement), $measurement->instrument);
        $path = CurrentPath::of($house, $measurement);
        [$outcomes, $from, $to] = $this->outcomes->of($house, $measurement, $ranking, $forced);
        $bits = Planner::worth($house, $ranking, $measurement, $forced);

        return new PredictionView(
            $this->say->of(TestName::of($house, $measurement), $house->ruleSet),
            $expectation->text(),
            $expectation->range(),
            $outcomes,
            $from,
            $to,
            round($bits, 3),
            Worth::of($bits, $ranking, $forced)->value,
            $cautions,
            $this->loop($house, $path),
            array_map(static fn (PathStep $step): PathStepView => new PathStepView(ucfirst(Labels::element($house, $step->element)), round(100.0 * $step->current, 1), round(100.0 * $step->resistance, 1)), \array_slice(array_values(array_filter($path->steps, static fn (PathStep $step): bool => $step->resistance >= self::SHOWN_SHARE)), 0, self::MOST_STEPS)),
        );
    }

    /** @return list<string> "part|role" of both ends of every core that the test current passes */
    private function loop(House $house, CurrentPath $path): array
    {
        $shares = $path->shares();
        $ends = [];
        foreach ($house->cables as $cable) {
            foreach ($cable->cores as $core) {
                foreach (isset($shares[$core->element()]) ? $core->ends : [] as $terminal) {
                    if (null !== $terminal) {
                        $ends[$house->partOf($terminal)->id.'|'.$core->role->value] = true;
                    }
                }
            }
        }

        return array_map(strval(...), array_keys($ends));
    }
}
