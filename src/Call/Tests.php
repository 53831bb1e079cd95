<?php

declare(strict_types=1);

namespace App\Call;

use App\Api\View\TestSummary;
use App\Words\Say;
use YellowProbe\Diagnosis\Candidate;
use YellowProbe\Diagnosis\Planner;
use YellowProbe\Diagnosis\Ranking;
use YellowProbe\Diagnosis\Worth;
use YellowProbe\Installation\House;
use YellowProbe\Procedure\Practice;
use YellowProbe\Procedure\Price;
use YellowProbe\Procedure\TestCatalogue;
use YellowProbe\Procedure\TestName;
use YellowProbe\Procedure\TestPlan;
use YellowProbe\Words\Message;

/** Every test that a house has, by where it is done and by what people call it. */
final readonly class Tests
{
    public const POINT = 'point';
    public const CIRCUIT = 'circuit';
    public const BOARD = 'board';
    public const ANYWHERE = 'any';
    public const PLACES = [self::POINT, self::CIRCUIT, self::BOARD, self::ANYWHERE];

    private const MOST = 30;

    /** A test takes no less, in minutes: the leads go on and the display is read. */
    private const LEAST_MINUTES = 0.1;

    public function __construct(private Kept $kept, private Say $say)
    {
    }

    /**
     * Tests at a place whose name has words that begin so: of many the cheapest, and of those first what tells most a minute.
     *
     * @param string $where one of PLACES
     * @param string $on    id of the part or of the circuit; anywhere, the part whose tests come first
     *
     * @return list<TestSummary> at most thirty, {@see MOST}
     */
    public function find(House $house, Ranking $ranking, Journal $journal, Practice $practice, string $where, string $on, string $search): array
    {
        $names = $this->names($house);
        $price = new Price($house);
        $found = [];
        foreach (TestCatalogue::plans($house) as $plan) {
            if (self::isAt($house, $plan, $where, $on) && self::isMeant($names[$plan->id][1], $search) && $practice->allows($house, $plan)) {
                $found[$plan->id] = [$plan, $price->minutes($journal->state(), $plan, $journal->opened())];
            }
        }
        $isHere = static fn (TestPlan $plan): bool => self::ANYWHERE !== $where || '' === $on || self::isAt($house, $plan, self::POINT, $on);
        uasort($found, static fn (array $a, array $b): int => [$isHere($b[0]), $a[1], $a[0]->id] <=> [$isHere($a[0]), $b[1], $b[0]->id]);
        $summaries = [];
        $open = Worth::openBits($ranking);
        foreach (\array_slice($found, 0, self::MOST) as [$plan, $minutes]) {
            $bits = Planner::worth($house, $ranking, $plan->measurement);
            $summaries[] = [[$isHere($plan), $bits / max($minutes, self::LEAST_MINUTES)], new TestSummary($plan->id, $names[$plan->id][0], round($minutes, 1), Worth::among($bits, $open)->value)];
        }
        usort($summaries, static fn (array $a, array $b): int => [$b[0], $a[1]->id] <=> [$a[0], $b[1]->id]);

        return array_column($summaries, 1);
    }

    /** One of them as a candidate, priced from the state that the house is in. */
    public static function candidate(House $house, Ranking $ranking, Journal $journal, TestPlan $plan): Candidate
    {
        return new Candidate($plan, Planner::worth($house, $ranking, $plan->measurement), (new Price($house))->minutes($journal->state(), $plan, $journal->opened()), 0.0, 0.0);
    }

    /** @return array<string, array{string, string}> id of each test => its name, and the words that it is found by */
    private function names(House $house): array
    {
        return $this->kept->get('test names', $house, [], function () use ($house): array {
            $names = [];
            foreach (TestCatalogue::plans($house) as $plan) {
                $name = $this->say->of(TestName::of($house, $plan->measurement), $house->ruleSet);
                $names[$plan->id] = [$name, mb_strtolower("$name {$plan->measurement->instrument->words()} ".$this->say->of(new Message("search.{$plan->procedure->slug()}"), $house->ruleSet))];
            }

            return $names;
        });
    }

    private static function isAt(House $house, TestPlan $plan, string $where, string $on): bool
    {
        $connection = $plan->measurement->connection;
        $places = array_unique(array_map(static fn (string $terminal): string => $house->hasTerminal($terminal) ? $house->partOf($terminal)->id : '', $connection->terminals));

        return match ($where) {
            self::POINT => \in_array($on, $places, true),
            self::CIRCUIT => \in_array($on, $plan->measurement->circuits($house), true),
            self::BOARD => [] === array_filter($places, static fn (string $part): bool => 'point' === ($house->places[$house->parts[$part]->place ?? '']->kind ?? '')),
            default => true,
        };
    }

    /** Whether some word begins with each of those that were typed. */
    private static function isMeant(string $words, string $search): bool
    {
        foreach (preg_split('/[^\p{L}\p{N}+]+/u', mb_strtolower($search), -1, \PREG_SPLIT_NO_EMPTY) ?: [] as $begin) {
            if (1 !== preg_match('/(?<![\p{L}\p{N}])'.preg_quote($begin, '/').'/u', $words)) {
                return false;
            }
        }

        return true;
    }
}
