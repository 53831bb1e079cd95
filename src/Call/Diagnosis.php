<?php

declare(strict_types=1);

namespace App\Call;

use App\Api\Problem;
use Psr\Cache\CacheItemPoolInterface;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Contracts\Cache\CacheInterface;
use YellowProbe\Diagnosis\Candidate;
use YellowProbe\Diagnosis\Contradiction;
use YellowProbe\Diagnosis\Contradictions;
use YellowProbe\Diagnosis\Evidence;
use YellowProbe\Diagnosis\Hypothesis;
use YellowProbe\Diagnosis\HypothesisSpace;
use YellowProbe\Diagnosis\KeptRanking;
use YellowProbe\Diagnosis\Likelihood;
use YellowProbe\Diagnosis\Pairs;
use YellowProbe\Diagnosis\Planner;
use YellowProbe\Diagnosis\PredictionTable;
use YellowProbe\Diagnosis\Predictor;
use YellowProbe\Diagnosis\Ranking;
use YellowProbe\Diagnosis\Standing;
use YellowProbe\Fault\FaultCatalogue;
use YellowProbe\Installation\House;
use YellowProbe\Installation\Labels;
use YellowProbe\Installation\State;
use YellowProbe\Instrument\Connection;
use YellowProbe\Instrument\Measurement;
use YellowProbe\Instrument\ReadingParser;
use YellowProbe\Procedure\Opened;
use YellowProbe\Procedure\Practice;
use YellowProbe\Procedure\TestCatalogue;
use YellowProbe\Procedure\TestPlan;

/** The ranking and the next test for a call, with prediction tables kept between requests: they do not depend on what was read. */
final readonly class Diagnosis
{
    public function __construct(#[Autowire(service: 'cache.predictions')] private CacheInterface&CacheItemPoolInterface $predictions, private TradeData $trade)
    {
    }

    /** @throws Problem when the call has no house yet */
    public function rank(Journal $journal): Ranking
    {
        $house = self::house($journal);
        $hypotheses = $this->hypotheses($house, $journal);

        return $this->ranked($house, $journal, $hypotheses, $this->evidence($house, $journal, $hypotheses));
    }

    /**
     * What is made of the ranking of a call for a page, kept with it.
     *
     * @template T
     *
     * @param \Closure(Ranking): T $make
     *
     * @return T
     *
     * @throws Problem when the call has no house yet
     */
    public function viewed(Journal $journal, \Closure $make): mixed
    {
        $house = self::house($journal);
        $hypotheses = $this->hypotheses($house, $journal);
        $evidence = $this->evidence($house, $journal, $hypotheses);

        return $this->predictions->get($this->asked('viewed', $house, $journal, $evidence), fn (): mixed => $make($this->ranked($house, $journal, $hypotheses, $evidence)));
    }

    /**
     * Several requests of a page ask for the same ranking: it is computed by one of them.
     *
     * @param \Closure(): non-empty-list<Hypothesis> $hypotheses
     * @param list<Evidence>                         $evidence
     */
    private function ranked(House $house, Journal $journal, \Closure $hypotheses, array $evidence): Ranking
    {
        $new = null;
        $kept = $this->predictions->get($this->asked('ranking', $house, $journal, $evidence), function () use ($house, $hypotheses, $evidence, &$new): KeptRanking {
            $new = Pairs::rank($house, $hypotheses(), $evidence, $this->sketch(...));

            return KeptRanking::of($new);
        });

        return $new ?? $kept->restored($house, $hypotheses(), $evidence, $this->sketch(...));
    }

    private static function house(Journal $journal): House
    {
        return $journal->house ?? throw Problem::conflict('This call has no house yet. Readings can be taken all the same; import or survey the house to have them judged.');
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
     * @return list<Evidence> the readings that say something of this house
     */
    private function evidence(House $house, Journal $journal, \Closure $hypotheses): array
    {
        $evidence = $tables = [];
        $readings = $journal->readings();
        $exposures = Episodes::of($readings);
        foreach ($readings as $at => $reading) {
            // What a repair without a name has changed nobody can say.
            if (null !== $reading->withdrawn || null === $reading->connection || \in_array(Hypothesis::ELSE, $reading->repaired, true)) {
                continue;
            }
            $measurement = new Measurement(State::fromArray($reading->source->state), $reading->instrument, $reading->connection);
            $evidence[] = new Evidence(
                $reading->source->id->toRfc4122(),
                $measurement,
                ReadingParser::parse($reading->raw, $reading->instrument),
                // What is measured again has the same table.
                function () use ($house, $measurement, $hypotheses, &$tables): PredictionTable {
                    return $tables[$measurement->hash()] ??= $this->table($house, $measurement, $hypotheses);
                },
                self::where($house, $measurement),
                $exposures[$at],
                null === $reading->doubted ? Likelihood::BLUNDER : Likelihood::DOUBTED,
                $reading->repaired,
            );
        }

        return $evidence;
    }

    /**
     * Everything that a ranking depends on.
     *
     * @param list<Evidence> $evidence
     */
    private function asked(string $what, House $house, Journal $journal, array $evidence): string
    {
        $read = array_map(static fn (Evidence $piece): array => [$piece->id, $piece->measurement->hash(), $piece->reading->raw, $piece->exposure->key(), $piece->blunder, $piece->repaired], $evidence);

        return self::key($what, $house, $read, [$journal->story(), $this->trade->rates()->version], $journal->repaired());
    }

    /** @return list<Contradiction> readings that the others speak against, the oddest first */
    public function contradictions(House $house, Ranking $ranking): array
    {
        $hypotheses = array_map(static fn (Standing $standing): Hypothesis => $standing->hypothesis, $ranking->standings);
        $read = array_map(static fn (Evidence $piece): array => [$piece->id, $piece->measurement->hash(), $piece->reading->raw, $piece->exposure->key(), $piece->blunder, $piece->repaired], $ranking->evidence);

        return $this->predictions->get(self::key('contradictions', $house, $read, self::priors($hypotheses)), static fn (): array => Contradictions::among($house, $ranking));
    }

    /**
     * The tests worth most per minute, priced from the state the house is in now; where something is open already, a test
     * costs only itself.
     *
     * @return list<Candidate> best first
     */
    public function nextTests(House $house, Ranking $ranking, State $now, Opened $opened, Practice $practice): array
    {
        $read = array_map(static fn (Evidence $piece): array => [$piece->measurement->hash(), $piece->reading->raw, $piece->exposure->key(), $piece->blunder, $piece->repaired], $ranking->evidence);
        $priors = self::priors(array_map(static fn (Standing $standing): Hypothesis => $standing->hypothesis, $ranking->standings));
        $key = self::key('next', $house, $read, $priors, [$now->hash(), $opened->places(), $practice->key(), $ranking->repaired]);
        /** @var list<array{string, float, float, float, float}> $chosen */
        $chosen = $this->predictions->get($key, fn (): array => array_map(
            static fn (Candidate $candidate): array => [$candidate->plan->id, $candidate->bits, $candidate->minutes, $candidate->rate, $candidate->saves],
            (new Planner($house, fn (TestPlan $plan, array $causes): PredictionTable => $this->sketch($house, $plan->measurement, $causes), $practice, Planner::SKETCHED))->next($ranking, $now, $opened),
        ));
        $plans = TestCatalogue::plans($house);

        return array_map(static fn (array $choice): Candidate => new Candidate($plans[$choice[0]], $choice[1], $choice[2], $choice[3], $choice[4]), $chosen);
    }

    /** Works out what each cause would show in a measurement, so that the ranking need not wait for it. */
    public function prepare(House $house, Ranking $ranking, Measurement $measurement): void
    {
        $this->table($house, $measurement, static fn (): array => self::singles($ranking));
    }

    /**
     * What a test would show under some causes, sketched; those worked out before are kept, cause by cause.
     *
     * @param non-empty-list<Hypothesis> $hypotheses
     */
    private function sketch(House $house, Measurement $measurement, array $hypotheses): PredictionTable
    {
        $item = $this->predictions->getItem(self::key('sketch', $house, [$measurement->hash()]));
        $kept = $item->get();
        $kept = $kept instanceof PredictionTable ? $kept : PredictionTable::of([]);
        $missing = array_values(array_filter($hypotheses, static fn (Hypothesis $hypothesis): bool => Hypothesis::ELSE !== $hypothesis->id && !$kept->has($hypothesis)));
        if ([] !== $missing) {
            $kept = Predictor::sketch($house, $measurement, [Hypothesis::sound(1.0), ...$missing])->with($kept);
            $this->predictions->save($item->set($kept));
        }

        return $kept;
    }

    /**
     * The causes of a ranking that are no pairs, each as it was before any repair.
     *
     * @return list<Hypothesis>
     */
    private static function singles(Ranking $ranking): array
    {
        return array_values(array_filter(array_map(static fn (Standing $standing): Hypothesis => $standing->hypothesis, $ranking->standings), static fn (Hypothesis $hypothesis): bool => [] === $hypothesis->both));
    }

    /** Where a tester is, in words: "Loop L–E at Hall socket". */
    public static function where(House $house, Measurement $measurement): string
    {
        $connection = $measurement->connection;
        if ([] !== $connection->around) {
            return self::around($house, $connection);
        }
        $parts = array_unique(array_map(static fn (string $terminal): string => $house->hasTerminal($terminal) ? $house->partOf($terminal)->id : '', $connection->terminals));
        if (1 === \count($parts) && '' !== $parts[0]) {
            $keys = array_map(static fn (string $terminal): string => preg_replace('/^[a-z]+-(?=[LNE]$)/', '', $house->terminals[$terminal]->key) ?? '', $connection->terminals);

            return \sprintf('%s %s at %s', $measurement->instrument->words(), implode('–', $keys), $house->parts[$parts[0]]->name);
        }
        $names = array_map(static fn (string $terminal): string => Labels::end($house, $terminal), $connection->terminals);

        return $measurement->instrument->words().', '.implode(' to ', $names);
    }

    private static function around(House $house, Connection $connection): string
    {
        $names = [];
        foreach ($connection->around as $signed) {
            $owner = explode('/', substr($signed, 1))[0];
            $circuit = ($house->cables[$owner] ?? null)?->circuit;
            $names[] = null !== $circuit ? $house->circuits[$circuit]->name : $house->parts[$owner]->name;
        }

        return 'Clamp around '.implode(' and ', array_unique($names)).(\count($connection->around) > 1 ? ', line and neutral together' : '');
    }

    /** @param \Closure(): list<Hypothesis> $hypotheses */
    private function table(House $house, Measurement $measurement, \Closure $hypotheses): PredictionTable
    {
        $key = self::key('table', $house, [$measurement->hash()]);

        return $this->predictions->get($key, static fn (): PredictionTable => Predictor::table($house, $measurement, $hypotheses()));
    }

    /** @param array<array-key, mixed> ...$parts */
    private static function key(string $what, House $house, array ...$parts): string
    {
        return hash('xxh128', serialize([$what, $house->document, FaultCatalogue::VERSION, Predictor::VERSION, ...$parts]));
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
