<?php

declare(strict_types=1);

namespace YellowProbe\Evaluation;

use YellowProbe\Diagnosis\Candidate;
use YellowProbe\Diagnosis\Evidence;
use YellowProbe\Diagnosis\Hypothesis;
use YellowProbe\Diagnosis\Pairs;
use YellowProbe\Diagnosis\Planner;
use YellowProbe\Diagnosis\PredictionTable;
use YellowProbe\Diagnosis\Predictor;
use YellowProbe\Diagnosis\Presence;
use YellowProbe\Diagnosis\Ranking;
use YellowProbe\Diagnosis\Standing;
use YellowProbe\Diagnosis\Stop;
use YellowProbe\Diagnosis\StopAdvice;
use YellowProbe\Installation\House;
use YellowProbe\Installation\Part;
use YellowProbe\Installation\State;
use YellowProbe\Installation\StateChange;
use YellowProbe\Instrument\Bench;
use YellowProbe\Instrument\ComplaintTrial;
use YellowProbe\Instrument\Connection;
use YellowProbe\Instrument\DeviceWatch;
use YellowProbe\Instrument\Instrument;
use YellowProbe\Instrument\Measurement;
use YellowProbe\Instrument\Reading;
use YellowProbe\Instrument\ReadingFormat;
use YellowProbe\Instrument\ReadingParser;
use YellowProbe\Instrument\Shown;
use YellowProbe\Instrument\ShownKind;
use YellowProbe\Procedure\Opened;
use YellowProbe\Procedure\Price;
use YellowProbe\Procedure\TestPlan;
use YellowProbe\Procedure\Watched;

/**
 * One visit from the complaint to the advice to stop: the planner asks, the hidden truth answers with its tester's noise.
 *
 * Where it is asked to mend, the visit goes on: what leads is repaired, the test that spoke for it most is done again as the
 * proof, and the planner looks for what is left. What the distributor has to mend he has mended before it goes on.
 */
final class Visit
{
    private const MOST_TESTS = 90;
    private const MOST_REPAIRS = 3;

    /** The complaint tried again: switched on, plugged in, waited for. */
    private const TRIAL_MINUTES = 3.0;

    /** Who tried it once and saw nothing tries it once more before the tools are packed. */
    private const TRIALS = 2;

    /** What was still there when it was tried last is tried again before anybody leaves, so many times in a visit. */
    private const AGAIN = 3;

    /** @var array<string, float> tester => standard normal of this visit */
    private array $gains = [];

    /** @var array<string, Shown|null> measurement => what a cause without a name makes of it; it does so again when it is repeated */
    private array $disturbed = [];

    /**
     * @param non-empty-list<Hypothesis>                                        $hypotheses
     * @param \Closure(Ranking, list<Candidate>, Tables): (Candidate|null)|null $choice     which of the candidates is done; the first when left out
     * @param bool                                                              $mends      whether it goes on after the first advice to repair
     * @param bool                                                              $isAsked    whether something is complained of that can be tried again
     */
    public function __construct(private readonly House $house, private readonly array $hypotheses, private readonly Tables $tables, private readonly World $world, private readonly ?\Closure $choice = null, private readonly bool $mends = false, private readonly bool $isAsked = true)
    {
    }

    public function run(Truth $truth, Dice $dice): Outcome
    {
        $course = new Course(State::resting($this->house), Opened::none(), $truth);
        $planner = new Planner($this->house, fn (Measurement $measurement): PredictionTable => $this->tables->of($measurement));
        $steps = [];
        $advice = null;
        while (true) {
            $ranking = Pairs::rank($this->house, array_map(static fn (Hypothesis $hypothesis): Hypothesis => $hypothesis->after($course->repaired), $this->hypotheses), $course->evidence);
            if ([] === $steps || 0 === $course->repairs) {
                $steps[] = self::probabilities($ranking);
            }
            $candidates = $planner->next($ranking, $course->state, $course->opened);
            $stop = Stop::advised($ranking, $candidates);
            $next = null === $this->choice ? $candidates[0] ?? null : ($this->choice)($ranking, $candidates, $this->tables);
            $isLong = $course->tests >= self::MOST_TESTS;
            if (StopAdvice::Test === $stop->advice && null !== $next && !$isLong) {
                $this->take($course, $next->plan, $next->minutes, $dice);
                continue;
            }
            $advice ??= $stop->advice;
            $lead = array_values(array_unique(array_map(static fn (Standing $standing): string => $standing->hypothesis->repair, $ranking->suspects()[0]->standings)));
            $course->named = array_values(array_unique([...$course->named, ...$lead]));
            if ($this->mends && [] !== $course->evidence && $course->repairs < self::MOST_REPAIRS && !$isLong && \in_array($stop->advice, [StopAdvice::Repair, StopAdvice::Explain, StopAdvice::Swap, StopAdvice::Distributor], true)) {
                $this->mend($course, $lead, $ranking, $dice);
            } elseif ($course->isBack && $course->again++ < self::AGAIN) {
                $this->tryAgain($course, $dice);
            } else {
                return new Outcome($course->truth, $steps, $course->tests, $course->minutes, $advice, $course->named, $course->isBroughtOut);
            }
        }
    }

    private function take(Course $course, TestPlan $plan, float $minutes, Dice $dice): void
    {
        $course->minutes += $minutes;
        ++$course->tests;
        if (!$this->stands($course, $plan)) {
            return;
        }
        $course->opened = $course->opened->after($this->house, $plan);
        $course->state = $plan->measurement->state;
        $id = $course->id();
        $course->plans[$id] = $plan;
        $course->evidence[] = new Evidence($id, $plan->measurement, $this->read($course, $plan, $dice), fn (): PredictionTable => $this->tables->of($plan->measurement), $plan->id, repaired: $course->repaired);
    }

    /**
     * Whether what is closed stays closed for a live test. One device that opens is what was learnt instead; that those before
     * the test held is learnt once, since each holds for the same reason every time.
     */
    private function stands(Course $course, TestPlan $plan): bool
    {
        $before = Watched::by($this->house, $plan->measurement);
        foreach (Watched::isLive($this->house, $plan->measurement) ? $this->opening($course) : [] as $device) {
            $watch = Watched::device($device, $plan->measurement->state);
            if (null !== $watch && 'off' !== $watch->state->position($device->id, 'on') && $this->opens($course->truth, $watch)) {
                $this->watched($course, $watch, DeviceWatch::TRIPS);
                $course->state = $watch->state->after(new StateChange('set', $device->id, 'off'));

                return false;
            }
        }
        foreach ($before as $device => $watch) {
            $key = $device.' '.implode(' ', $course->repaired);
            if (!isset($course->held[$key])) {
                $course->held[$key] = true;
                $this->watched($course, $watch, DeviceWatch::HOLDS);
            }
        }

        return true;
    }

    /** @return list<Part> devices that do not stay closed while the house rests */
    private function opening(Course $course): array
    {
        return $course->opening[implode(' ', $course->repaired)] ??= !$course->truth->isCause() ? [] : array_values(array_filter($this->house->parts, function (Part $part) use ($course): bool {
            $watch = Watched::device($part, State::resting($this->house));

            return null !== $watch && $this->opens($course->truth, $watch);
        }));
    }

    private function opens(Truth $truth, Measurement $watch): bool
    {
        return (new Bench($truth->house, $watch->state, $watch->instrument, $watch->connection, $truth->factors))->read($truth->change($watch->state))->levels[0] >= 1.0;
    }

    private function watched(Course $course, Measurement $watch, string $pattern): void
    {
        $course->evidence[] = new Evidence($course->id(), $watch, ReadingParser::parse($pattern, $watch->instrument), fn (): PredictionTable => $this->tables->of($watch), $watch->instrument->words(), repaired: $course->repaired);
    }

    /**
     * What leads is repaired, the complaint tried again, and the test that spoke for it most done once more as the proof.
     *
     * @param non-empty-list<string> $lead repairs that the leading suspect asks for
     */
    private function mend(Course $course, array $lead, Ranking $ranking, Dice $dice): void
    {
        ++$course->repairs;
        // Who finds nothing at a place has made it again all the same, and goes on to the next.
        $done = array_merge(...array_map(Hypothesis::repairsOf(...), $lead));
        $right = array_values(array_intersect($done, Hypothesis::repairsOf((string) $course->truth->hypothesis)));
        array_push($course->repaired, ...([] === $right ? $done : $right));
        $course->truth = $course->truth->after($course->repaired);
        $proof = $course->plans[self::telling($ranking, $course->plans)];
        $minutes = (new Price($this->house))->minutes($course->state, $proof, $course->opened);
        $course->isBack = false;
        for ($trial = 0; $this->isAsked && $trial < self::TRIALS && !$course->isBack; ++$trial) {
            $this->tryAgain($course, $dice);
        }
        $this->take($course, $proof, $minutes, $dice);
    }

    /** The complaint tried again after a repair. */
    private function tryAgain(Course $course, Dice $dice): void
    {
        $trial = new ComplaintTrial();
        $isThere = $dice->chance($trial->probability(ComplaintTrial::shown($course->truth->isCause()), $trial->patterns()[1]));
        $measurement = new Measurement(State::resting($this->house), $trial, Connection::around());
        $hypotheses = $this->hypotheses;
        $reading = ReadingParser::parse($trial->patterns()[(int) $isThere], $trial);
        $course->minutes += self::TRIAL_MINUTES;
        $course->isBack = ComplaintTrial::isBack($reading);
        $course->evidence[] = new Evidence($course->id(), $measurement, $reading, fn (): PredictionTable => Predictor::table($this->house, $measurement, $hypotheses), $trial->words(), repaired: $course->repaired);
    }

    /**
     * The reading that speaks most for what leads, beside the house as surveyed: to be taken again as the proof.
     *
     * @param array<array-key, TestPlan> $plans of the readings, by id
     */
    private static function telling(Ranking $ranking, array $plans): string
    {
        $each = $ranking->suspects()[0]->lead()->each;
        $sound = array_values(array_filter($ranking->standings, static fn (Standing $standing): bool => Hypothesis::SOUND === $standing->hypothesis->id))[0]->each;
        $gains = [];
        foreach ($ranking->evidence as $at => $piece) {
            if (isset($plans[$piece->id])) {
                $gains[$piece->id] = $each[$at] - $sound[$at];
            }
        }

        return (string) array_search(max([-\INF, ...array_values($gains)]), $gains, true);
    }

    private function read(Course $course, TestPlan $plan, Dice $dice): Reading
    {
        $truth = $course->truth;
        $measurement = $this->world->done($plan->measurement, $this->house, $dice);
        $instrument = $measurement->instrument;
        $shown = $this->disturbed($truth, $measurement, $dice);
        if (null === $shown) {
            try {
                $shown = $this->noisy((new Bench($truth->house, $measurement->state, $instrument, $measurement->connection, $truth->factors))->read($truth->change($measurement->state)), $instrument, $dice);
                $course->isBroughtOut = $course->isBroughtOut || $this->isBroughtOut($truth, $measurement);
            } catch (\YellowProbe\Installation\HouseError) {
                $shown = Shown::nothing(); // a lead on an end that is not lifted in the state that is really there
            }
        }

        return ReadingParser::parse(ReadingFormat::displayed($shown, $instrument), $instrument);
    }

    private function isBroughtOut(Truth $truth, Measurement $measurement): bool
    {
        $causes = $measurement->state->isLoaded() && Presence::Forced === $truth->presence ? array_filter($this->hypotheses, static fn (Hypothesis $hypothesis): bool => $truth->hypothesis === $hypothesis->id) : [];

        return [] !== array_merge(...array_map($this->tables->of($measurement)->noticed(...), array_values($causes)));
    }

    private function disturbed(Truth $truth, Measurement $measurement, Dice $dice): ?Shown
    {
        if (null !== $truth->hypothesis) {
            return $this->world->blunder($truth, $measurement->instrument, $dice);
        }
        $hash = $measurement->hash();
        if (!\array_key_exists($hash, $this->disturbed)) {
            $this->disturbed[$hash] = $this->world->blunder($truth, $measurement->instrument, $dice);
        }

        return null === $this->disturbed[$hash] ? null : $this->noisy($this->disturbed[$hash], $measurement->instrument, $dice);
    }

    private function noisy(Shown $shown, Instrument $instrument, Dice $dice): Shown
    {
        if (ShownKind::Value !== $shown->kind) {
            return $shown;
        }
        $gain = $this->world->gain($instrument, $this->gains[$instrument->slug()] ??= $dice->normal());
        $value = max(0.0, $shown->value * $gain + $instrument->accuracy()->repeatability($instrument->scale(), $shown) * $dice->normal());

        return $value > $instrument->scale()->top() ? Shown::over($value) : Shown::value($value);
    }

    /** @return array<string, float> */
    private static function probabilities(Ranking $ranking): array
    {
        $probabilities = [];
        foreach ($ranking->standings as $standing) {
            $probabilities[$standing->hypothesis->repair] = ($probabilities[$standing->hypothesis->repair] ?? 0.0) + $standing->probability;
        }

        return $probabilities;
    }
}
