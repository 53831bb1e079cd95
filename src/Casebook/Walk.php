<?php

declare(strict_types=1);

namespace App\Casebook;

use App\Call\TradeData;
use App\Command\JobReadings;
use YellowProbe\Diagnosis\Asking;
use YellowProbe\Diagnosis\Hypothesis;
use YellowProbe\Diagnosis\HypothesisSpace;
use YellowProbe\Diagnosis\Pairs;
use YellowProbe\Diagnosis\Ranking;
use YellowProbe\Diagnosis\Story;
use YellowProbe\Installation\Attributes;
use YellowProbe\Installation\State;
use YellowProbe\Safety\ImmediateDanger;

/** Goes through the steps of a case as they are told, and holds the ranking and the proposals after each against what the case expects. */
final readonly class Walk
{
    private const PLAINLY_BETTER = 1e-9;

    public function __construct(private TradeData $trade)
    {
    }

    /**
     * @param int|null $only the one step that is walked; all when left out
     *
     * @return list<StepResult>
     */
    public function through(CaseFile $case, ?int $only = null): array
    {
        $results = $readings = [];
        $seen = $case->complaint->pairs('findings');
        foreach ($case->steps as $at => $step) {
            foreach ($step->map('readings') as $reading) {
                if (\is_array($reading->raw['job'] ?? null)) {
                    $readings[] = $reading->object('job');
                }
            }
            $seen = [...$seen, ...$step->pairs('seen')];
            if (null === $only || $only === $at) {
                $results[] = $this->step($case, $at, $step, $readings, $seen);
            }
        }

        return $results;
    }

    /**
     * @param list<Attributes>            $readings
     * @param list<array{string, string}> $seen
     */
    private function step(CaseFile $case, int $at, Attributes $step, array $readings, array $seen): StepResult
    {
        $begun = microtime(true);
        $house = $case->house;
        $story = $this->story($case, $seen);
        $hypotheses = HypothesisSpace::of($house, $this->trade->rates(), $story);
        $ranking = Pairs::rank($house, $hypotheses, JobReadings::of($house, $readings, $hypotheses));
        // As the last reading has left it.
        $now = [] === $readings ? State::resting($house) : JobReadings::measurement($house, $readings[\count($readings) - 1])->state;
        $dangers = ImmediateDanger::of($house, $ranking, $story, $now);
        $proposals = Proposals::of($house, $ranking, $now, $dangers, [] === $readings ? Asking::of($house, $story) : []);
        $seconds = microtime(true) - $begun;

        $expect = $step->object('expect');
        [$shares, $sites] = $this->shares($case, $hypotheses, $ranking);
        $missed = self::bounds($expect, $shares, $sites, $ranking);
        [$next, $isForbidden, $unmatched] = self::acts($expect, $proposals);
        $isDangerDue = $expect->has('danger');
        $isDangerSaid = [] !== $dangers;
        if ($isDangerDue && [] === array_filter($expect->object('danger')->map('makeSafe'), static fn (Attributes $act): bool => $proposals->makesSafe(self::act($act)))) {
            $missed[] = 'danger not said: '.$expect->object('danger')->string('words');
        }

        return new StepResult($case->name, $at, [...$missed, ...$next], $shares, $ranking->probability(Hypothesis::ELSE), $proposals->words(), $isForbidden, $unmatched, $seconds, $isDangerDue, $isDangerSaid);
    }

    /**
     * What was told, with what the page would suggest of its words, tapped.
     *
     * @param list<array{string, string}> $seen
     */
    private function story(CaseFile $case, array $seen): Story
    {
        $told = $case->complaint;
        [$words, $when, $on] = array_map(static fn (string $key): string => $told->has($key) ? $told->string($key, '') : '', ['words', 'when', 'on']);
        $heard = $this->trade->heard();

        return new Story($told->strings('symptoms'), [...$told->strings('contexts'), ...$heard->contexts("$words; $when")], $seen, $told->strings('tripped'), $told->strings('where'), $heard->appliances($case->house, $on));
    }

    /**
     * @param non-empty-list<Hypothesis> $hypotheses
     *
     * @return array{array<string, float>, array<string, bool>} share of each cause, and whether this house has a place for it
     */
    private function shares(CaseFile $case, array $hypotheses, Ranking $ranking): array
    {
        $touching = new Touching($case->house);
        $shares = $sites = [];
        foreach ($case->causes as $name => $cause) {
            $is = static fn (Hypothesis $hypothesis): bool => $touching->is($hypothesis, $cause->strings('anyOf'), $cause->strings('where'));
            $shares[$name] = 0.0;
            foreach ($ranking->standings as $standing) {
                $shares[$name] += $is($standing->hypothesis) ? $standing->probability : 0.0;
            }
            $sites[$name] = [] !== array_filter($hypotheses, $is);
        }

        return [$shares, $sites];
    }

    /**
     * @param array<string, float> $shares
     * @param array<string, bool>  $sites
     *
     * @return list<string>
     */
    private static function bounds(Attributes $expect, array $shares, array $sites, Ranking $ranking): array
    {
        $missed = [];
        $percent = static fn (float $share): string => \sprintf('%.1f %%', 100.0 * $share);
        foreach (self::numbers($expect, 'atLeast') as $cause => $least) {
            if (($sites[$cause] ?? false) && $shares[$cause] < $least) {
                $missed[] = "$cause {$percent($shares[$cause])}, expected at least {$percent($least)}";
            }
        }
        foreach (self::numbers($expect, 'atMost') as $cause => $most) {
            if (($shares[$cause] ?? 0.0) > $most) {
                $missed[] = "$cause {$percent($shares[$cause])}, expected at most {$percent($most)}";
            }
        }
        foreach ($expect->pairs('notAbove') as [$less, $more]) {
            if (($sites[$more] ?? false) && ($shares[$less] ?? 0.0) > $shares[$more] + self::PLAINLY_BETTER) {
                $missed[] = "$less {$percent($shares[$less] ?? 0.0)} stands above $more {$percent($shares[$more])}";
            }
        }
        $first = $expect->string('firstNamed', '');
        if ('' !== $first && ($sites[$first] ?? false)) {
            foreach ($shares as $cause => $share) {
                if ($share > $shares[$first] + self::PLAINLY_BETTER) {
                    $missed[] = "$cause {$percent($share)} is named before $first {$percent($shares[$first])}";
                }
            }
        }
        foreach (['unknownAtMost' => Hypothesis::ELSE, 'nothingWrongAtMost' => Hypothesis::SOUND] as $key => $id) {
            $most = $expect->number($key, 1.0);
            if ($ranking->probability($id) > $most) {
                $missed[] = "$id {$percent($ranking->probability($id))}, expected at most {$percent($most)}";
            }
        }

        return $missed;
    }

    /** @return array{list<string>, bool, list<string>} what is missing, whether something forbidden is proposed, and acts that cannot be compared */
    private static function acts(Attributes $expect, Proposals $proposals): array
    {
        if (!$expect->has('next')) {
            return [[], false, []];
        }
        $read = static fn (string $key): array => array_map(self::act(...), $expect->object('next')->has($key) ? array_values($expect->object('next')->map($key)) : []);
        [$wanted, $never] = [$read('oneOf'), $read('never')];
        $missed = [];
        if ([] !== $wanted && [] === array_filter($wanted, $proposals->begins(...))) {
            $missed[] = 'proposed '.$proposals->words().'; expected one of '.implode(', ', array_map(static fn (Act $act): string => $act->words(), $wanted));
        }
        $forbidden = array_filter($never, $proposals->holds(...));
        foreach ($forbidden as $act) {
            $missed[] = 'proposed what is never done: '.$act->words();
        }

        return [$missed, [] !== $forbidden, array_values(array_map(static fn (Act $act): string => $act->words(), array_filter([...$wanted, ...$never], static fn (Act $act): bool => !$proposals->isNamed($act))))];
    }

    private static function act(Attributes $act): Act
    {
        return new Act($act->string('act'), $act->string('what', ''));
    }

    /** @return array<string, float> */
    private static function numbers(Attributes $of, string $key): array
    {
        $numbers = [];
        foreach (\is_array($of->raw[$key] ?? null) ? $of->raw[$key] : [] as $name => $value) {
            $numbers[(string) $name] = is_numeric($value) ? (float) $value : throw new \RuntimeException("$of->path/$key/$name: a number is expected.");
        }

        return $numbers;
    }
}
