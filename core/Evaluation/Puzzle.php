<?php

declare(strict_types=1);

namespace YellowProbe\Evaluation;

use YellowProbe\Diagnosis\Atom;
use YellowProbe\Diagnosis\Beliefs;
use YellowProbe\Diagnosis\Forecast;
use YellowProbe\Diagnosis\Hypothesis;
use YellowProbe\Diagnosis\Loss;

/**
 * A diagnosis small enough to be solved: a few causes, a few tests of at most three outcomes, each in a state of the house;
 * minutes to get from state to state, what that adds to the putting back included.
 */
final readonly class Puzzle
{
    /**
     * @param Beliefs           $beliefs   before the first test
     * @param list<Forecast>    $tests     what each would show
     * @param list<float>       $minutes   of each, in its state
     * @param list<int>         $states    that each is done in; 0 is the state the visit begins in
     * @param list<list<float>> $moving    minutes from state to state
     */
    public function __construct(public Beliefs $beliefs, public array $tests, public array $minutes, public array $states, public array $moving)
    {
    }

    /** Up to ten causes and eight tests: some live, some dead, some with a place opened besides; each tells some causes from the rest. */
    public static function random(Dice $dice, int $causes = 10, int $tests = 8): self
    {
        $weights = [];
        for ($cause = 0; $cause < $causes; ++$cause) {
            $weights[] = -log(1.0 - $dice->uniform());
        }
        $sum = array_sum($weights);
        $beliefs = self::beliefs(array_map(static fn (float $weight): float => $weight / $sum, $weights));
        $forecasts = $minutes = $states = [];
        for ($test = 0; $test < $tests; ++$test) {
            $cells = [];
            for ($cause = 0; $cause < $causes; ++$cause) {
                $likely = $dice->chance(0.6) ? 0 : 1 + (int) $dice->chance(0.5);
                $cells[] = array_map(static fn (int $outcome): float => $outcome === $likely ? 0.94 : 0.03, [0, 1, 2]);
            }
            $forecasts[] = self::test($cells);
            $minutes[] = 0.5 + 4.5 * $dice->uniform();
            $states[] = $dice->weighted([0.4, 0.4, 0.2]);
        }

        return new self($beliefs, $forecasts, $minutes, $states, [[0.0, 14.0, 22.0], [0.0, 0.0, 8.0], [0.0, 0.0, 0.0]]);
    }

    /** @param list<float> $weights summing to 1 */
    public static function beliefs(array $weights): Beliefs
    {
        return new Beliefs(array_map(static fn (int $cause): Atom => new Atom(Hypothesis::sound(1.0)), array_keys($weights)), array_keys($weights), $weights);
    }

    /** @param list<list<float>> $cells of each cause: the probabilities of the outcomes */
    public static function test(array $cells): Forecast
    {
        $causes = array_keys($cells);

        return new Forecast($cells, $causes, $causes);
    }

    /** Minutes of a test from a state. */
    public function price(int $state, int $test): float
    {
        return $this->moving[$state][$this->states[$test]] + $this->minutes[$test];
    }

    /** Every cause wants a repair of its own. */
    public function loss(): Loss
    {
        $causes = array_keys($this->beliefs->weights);

        return new Loss($causes, $causes, $causes);
    }
}
