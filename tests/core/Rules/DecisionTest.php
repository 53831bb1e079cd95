<?php

declare(strict_types=1);

namespace YellowProbe\Tests\Rules;

use PHPUnit\Framework\TestCase;
use YellowProbe\Installation\House;
use YellowProbe\Installation\State;
use YellowProbe\Instrument\Connection;
use YellowProbe\Instrument\Instruments;
use YellowProbe\Instrument\Measurement;
use YellowProbe\Instrument\ReadingParser;
use YellowProbe\Rules\Agreement;
use YellowProbe\Rules\Consistency;
use YellowProbe\Rules\MendOrList;
use YellowProbe\Rules\Taken;
use YellowProbe\Rules\Verdict;
use YellowProbe\Tests\Houses;

final class DecisionTest extends TestCase
{
    private static House $house;

    public static function setUpBeforeClass(): void
    {
        self::$house = Houses::ringAndLights();
    }

    public function testALoopIsTheSumOfItsPartsAndTheBreaker(): void
    {
        $ze = ['ze', 'loop-2-wire', 'service.L', 'service.E', '0.20'];
        $r = ['r', 'low-ohm', 'a.L', 'a.E', '0.30'];
        // 0.55 − 0.30 − 0.20 = 0.05 Ω, a breaker; 0.90 leaves 0.40; 0.35 is less than its parts.
        self::assertSame([['zs', Verdict::Good]], self::verdicts($ze, $r, ['zs', 'loop-2-wire', 'a.front-L', 'a.front-E', '0.55']));
        $high = self::agreements($ze, $r, ['zs', 'loop-2-wire', 'a.front-L', 'a.front-E', '0.90']);
        self::assertSame(Verdict::Bad, $high[0]->verdict);
        self::assertStringContainsString('0.40 Ω more than its parts', $high[0]->sentence);
        self::assertStringContainsString('0.90 − (R₁ + R₂) 0.30 − Zₑ 0.20 = 0.40', $high[0]->working);
        self::assertSame(['zs', 'r', 'ze'], $high[0]->readings);
        self::assertStringContainsString('parallel earth paths', self::agreements($ze, $r, ['zs', 'loop-2-wire', 'a.front-L', 'a.front-E', '0.35'])[0]->sentence);
        self::assertSame([], self::agreements($r, ['zs', 'loop-2-wire', 'a.front-L', 'a.front-E', '0.90']), 'without Zₑ nothing can be said');
    }

    public function testFiveTimesIsNoSlowerThanOnceAndOutletsOfOnePlaceReadAlike(): void
    {
        self::assertSame([['5', Verdict::Doubt]], self::verdicts(['1', 'rcd-1', 'a.front-L', 'a.front-E', '24 ms'], ['5', 'rcd-5', 'a.front-L', 'a.front-E', '38 ms']));
        self::assertSame([['5', Verdict::Good]], self::verdicts(['1', 'rcd-1', 'a.front-L', 'a.front-E', '24 ms'], ['5', 'rcd-5', 'a.front-L', 'a.front-E', '28 ms']));
        self::assertSame([], self::verdicts(['1', 'rcd-1-180', 'a.front-L', 'a.front-E', '24 ms'], ['5', 'rcd-5', 'a.front-L', 'a.front-E', '38 ms']), 'another half of the period');
        self::assertSame([['left', Verdict::Doubt]], self::verdicts(['left', 'loop-2-wire', 'a.front-L', 'a.front-E', '0.50'], ['right', 'loop-2-wire', 'a.L', 'a.E', '0.95']));
    }

    public function testMendFewAndQuickListManyWithBothPriced(): void
    {
        // Two of twenty, 20 minutes each, 60 an hour: 40 minutes and 40 + 12 now; 115 and 115 + 12 by coming back.
        $few = MendOrList::of(true, 2, 20, 20.0, 60.0, true, true, 12.0, 60.0);
        self::assertTrue($few->leansToMend);
        self::assertSame([40.0, 52.0, 115.0, 127.0], [$few->mendMinutes, $few->mendMoney, $few->listMinutes, $few->listMoney]);
        foreach (['many' => [true, 6, 20, 5.0, 60.0, true, true], 'too long' => [true, 2, 20, 40.0, 60.0, true, true], 'no parts' => [true, 2, 20, 20.0, 60.0, false, true], 'an inspection, no danger' => [false, 2, 20, 20.0, 60.0, true, false]] as $case => $inputs) {
            self::assertFalse(MendOrList::of(...[...$inputs, 0.0, 60.0])->leansToMend, $case);
        }
        self::assertTrue(MendOrList::of(true, 2, 20, 20.0, 60.0, true, false, 0.0, 60.0)->leansToMend, 'danger is mended on an inspection too, with consent');
        self::assertCount(5, MendOrList::of(false, 2, 20, 20.0, 60.0, true, false, 0.0, 60.0)->because);
    }

    /**
     * @param array{string, string, string, string, string} ...$readings id, tester, leads, typed
     *
     * @return list<array{string, Verdict}> first of those held against each other, verdict
     */
    private static function verdicts(array ...$readings): array
    {
        return array_map(static fn (Agreement $one): array => [$one->readings[0], $one->verdict], self::agreements(...$readings));
    }

    /**
     * @param array{string, string, string, string, string} ...$readings
     *
     * @return list<Agreement>
     */
    private static function agreements(array ...$readings): array
    {
        return Consistency::of(self::$house, array_values(array_map(static function (array $one): Taken {
            $instrument = Instruments::get($one[1]);
            $connection = Connection::leads($one[2], $one[3]);

            return new Taken($one[0], "$one[1] at $one[2]", new Measurement(State::resting(self::$house), $instrument, $connection), ReadingParser::parse($one[4], $instrument));
        }, $readings)));
    }
}
