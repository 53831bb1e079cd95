<?php

declare(strict_types=1);

namespace YellowProbe\Tests\Procedure;

use PHPUnit\Framework\TestCase;
use YellowProbe\Installation\State;
use YellowProbe\Instrument\PatternInstrument;
use YellowProbe\Instrument\ReadingParser;
use YellowProbe\Procedure\Series;
use YellowProbe\Procedure\TwoStates;
use YellowProbe\Rules\Difference;
use YellowProbe\Rules\Verdict;
use YellowProbe\Tests\Houses;

final class TwoStatesTest extends TestCase
{
    public function testBothStatesAreSwitchedNeverPartedAndNeverForADeadTester(): void
    {
        foreach (Houses::varied() as $house) {
            $resting = State::resting($house)->hash();
            foreach (TwoStates::all($house) as $id => $pair) {
                self::assertTrue($pair->isPair());
                [$first, $second] = $pair->plans;
                self::assertSame($resting, $first->measurement->state->hash(), $id);
                self::assertNotSame($resting, $second->measurement->state->hash(), $id);
                self::assertSame($first->measurement->connection->toArray(), $second->measurement->connection->toArray());
                self::assertFalse($second->measurement->instrument->deadOnly(), $id);
                self::assertSame([[], []], [$second->measurement->state->lifted, $second->measurement->state->links], $id);
            }
        }
    }

    public function testAnOwnBreakerOffIsAPairAtTheDeviceBeforeIt(): void
    {
        $house = Houses::varied()[0];
        $pairs = array_filter(array_keys(TwoStates::all($house)), static fn (string $id): bool => str_starts_with($id, 'two-states:residual-clamp:'));
        self::assertNotSame([], $pairs);
    }

    public function testTheDifferenceIsHeldAgainstWhatTheHouseShouldMakeOfIt(): void
    {
        $house = Houses::ringAndLights();
        $pair = self::pair(TwoStates::all($house), 'two-states:ne-under-load:a.front:N-E');
        $tester = $pair->plans[0]->measurement->instrument;
        $judged = static fn (string $first, string $second) => Difference::of($house, $pair, [ReadingParser::parse($first, $tester), ReadingParser::parse($second, $tester)]);
        // Two kilowatts at the first point of a ring drop about a volt in the neutral; nine are a joint.
        self::assertSame(Verdict::Good, $judged('0.10', '1.10')->verdict);
        $far = $judged('0.10', '9.40');
        self::assertSame(Verdict::Bad, $far->verdict);
        self::assertStringContainsString('It moved by +9.30 V', $far->sentence);
        self::assertStringContainsString('9.40 − 0.10', $far->working);
    }

    public function testALampGoesFromDarkToLit(): void
    {
        foreach (Houses::varied() as $house) {
            foreach (TwoStates::all($house) as $id => $pair) {
                $tester = $pair->plans[0]->measurement->instrument;
                if (str_contains($id, 'function-check') && str_ends_with($id, ':on') && $tester instanceof PatternInstrument) {
                    $patterns = $tester->patterns();
                    $lit = Difference::of($house, $pair, [ReadingParser::parse($patterns[0], $tester), ReadingParser::parse($patterns[\count($patterns) - 1], $tester)]);
                    self::assertSame(Verdict::Good, $lit->verdict, $lit->sentence);
                    $dark = Difference::of($house, $pair, [ReadingParser::parse($patterns[0], $tester), ReadingParser::parse($patterns[0], $tester)]);
                    self::assertSame(Verdict::Bad, $dark->verdict, $dark->sentence);

                    return;
                }
            }
        }
        self::fail('No house has a light that rests dark.');
    }

    /** @param array<string, Series> $pairs */
    private static function pair(array $pairs, string $id): Series
    {
        return $pairs[$id] ?? throw new \LogicException("No $id among ".implode(', ', array_keys($pairs)));
    }
}
