<?php

declare(strict_types=1);

namespace App\Call;

use YellowProbe\Diagnosis\Candidate;
use YellowProbe\Diagnosis\Contradiction;
use YellowProbe\Diagnosis\Contradictions;
use YellowProbe\Diagnosis\Forcing;
use YellowProbe\Diagnosis\Hypothesis;
use YellowProbe\Diagnosis\Planner;
use YellowProbe\Diagnosis\PredictionTable;
use YellowProbe\Diagnosis\Ranking;
use YellowProbe\Diagnosis\Standing;
use YellowProbe\Fault\Condition;
use YellowProbe\Installation\House;
use YellowProbe\Installation\State;
use YellowProbe\Instrument\Measurement;
use YellowProbe\Procedure\Opened;
use YellowProbe\Procedure\Practice;
use YellowProbe\Procedure\TestCatalogue;

/** What follows from the ranking of a call: the tests to do next, readings that cannot be true, what to work out ahead. */
final readonly class Diagnosis
{
    public function __construct(private Kept $kept)
    {
    }

    /** @return list<Contradiction> readings that the others speak against, the oddest first */
    public function contradictions(House $house, Ranking $ranking): array
    {
        $hypotheses = array_map(static fn (Standing $standing): Hypothesis => $standing->hypothesis, $ranking->standings);

        return $this->kept->get('contradictions', $house, [Rankings::read($ranking->evidence), self::priors($hypotheses)], static fn (): array => Contradictions::among($house, $ranking));
    }

    /**
     * The tests worth most per minute, priced from the state the house is in now; where something is open already, a test
     * costs only itself.
     *
     * @return list<Candidate> best first
     */
    public function nextTests(House $house, Ranking $ranking, State $now, Opened $opened, Practice $practice): array
    {
        /** @var list<array{string, float, float, float, float}> $chosen */
        $chosen = $this->kept->get('next', $house, self::key($ranking, $now, $opened, $practice), fn (): array => array_map(
            static fn (Candidate $candidate): array => [$candidate->plan->id, $candidate->bits, $candidate->minutes, $candidate->rate, $candidate->saves],
            (new Planner($house, fn (Measurement $measurement, array $causes): PredictionTable => $this->kept->sketch($house, $measurement, $causes), $practice, Planner::SKETCHED))->next($ranking, $now, $opened),
        ));

        return array_map(static fn (array $choice): Candidate => new Candidate(TestCatalogue::plan($house, $choice[0]), $choice[1], $choice[2], $choice[3], $choice[4]), $chosen);
    }

    /** Whether they are worked out already. */
    public function hasNextTests(House $house, Ranking $ranking, State $now, Opened $opened, Practice $practice): bool
    {
        return $this->kept->has('next', $house, self::key($ranking, $now, $opened, $practice));
    }

    public function hasForcings(House $house, Ranking $ranking, State $now, Opened $opened, Practice $practice): bool
    {
        return $this->kept->has('forcing', $house, self::key($ranking, $now, $opened, $practice));
    }

    /** @return list<Forcing> ways to bring out what comes and goes, each with the test that tells most meanwhile */
    public function forcings(House $house, Ranking $ranking, State $now, Opened $opened, Practice $practice): array
    {
        /** @var list<array{string, string, float, float}> $chosen */
        $chosen = $this->kept->get('forcing', $house, self::key($ranking, $now, $opened, $practice), fn (): array => array_map(
            static fn (Forcing $forcing): array => [$forcing->by->value, $forcing->plan->id, $forcing->bits, $forcing->minutes],
            Forcing::best($house, $ranking, $now, $opened, $practice, fn (Measurement $measurement, array $causes): PredictionTable => $this->kept->sketch($house, $measurement, $causes)),
        ));

        return array_map(static fn (array $choice): Forcing => new Forcing(Condition::from($choice[0]), TestCatalogue::plan($house, $choice[1]), $choice[2], $choice[3]), $chosen);
    }

    /** @return list<mixed> what the worth of a test hangs on */
    private static function key(Ranking $ranking, State $now, Opened $opened, Practice $practice): array
    {
        return [Rankings::read($ranking->evidence), self::priors(array_map(static fn (Standing $standing): Hypothesis => $standing->hypothesis, $ranking->standings)), $now->hash(), $opened->places(), $practice->key(), $ranking->repaired];
    }

    /**
     * @param list<Hypothesis> $hypotheses
     *
     * @return array<string, float>
     */
    private static function priors(array $hypotheses): array
    {
        $priors = [];
        foreach ($hypotheses as $hypothesis) {
            $priors[$hypothesis->id] = $hypothesis->prior;
        }
        ksort($priors);

        return $priors;
    }
}
