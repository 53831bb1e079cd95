<?php

declare(strict_types=1);

namespace YellowProbe\Tests\Survey;

use PHPUnit\Framework\TestCase;
use YellowProbe\Installation\HouseDraft;
use YellowProbe\Survey\BoardJudgement;
use YellowProbe\Survey\Jumpers;
use YellowProbe\Survey\Sheet;

final class BoardJudgementTest extends TestCase
{
    public function testWhatGoesOffTogetherWhatIsTooSmallAndWhatNothingProtects(): void
    {
        $house = (new HouseDraft('9 Larch Row', ['system' => 'TN-C-S'], 6, 'Hall', 'A', 60.0))
            ->direct()
            ->way('porch', 'Porch sockets', 'radial', 20)
            ->residualDevice('rcd-a', 'Device A')
            ->way('ring', 'Ring', 'ring', 32)
            ->way('shower', 'Shower', 'dedicated', 45)
            ->way('alarms', 'Smoke alarms', 'dedicated', 6)
            ->way('lights', 'Lights', 'lighting', 6)
            ->sockets('porch', [['porch-1', 'Porch', 'Porch', 9.0]])
            ->sockets('ring', [['a', 'Socket a', 'Hall', 6.0], ['b', 'Socket b', 'Hall', 6.0]], 6.0)
            ->fixed('shower', 'shower-1', 'Shower', 'Bathroom', 12.0, ['watts' => 9000], ['mm2' => 10, 'cpcMm2' => 4])
            ->fixed('alarms', 'alarms-1', 'Smoke alarms', 'Hall', 8.0, ['watts' => 5], ['mm2' => 1.5, 'cpcMm2' => 1])
            ->lights('lights', [['l1', 'Hall light', 'Hall', 5.0, 3.0]])
            ->house();
        [$main, $device] = BoardJudgement::of($house);

        self::assertSame(['Main switch', 109.0], [$main->device, $main->sum]);
        // 45 + 0.4 · (20 + 32 + 6 + 6) = 70.6 A on a switch of 60.
        self::assertEqualsWithDelta(70.6, $main->diverse, 1e-9);
        self::assertStringContainsString('too small', $main->remarks[0]);
        self::assertSame(['Ring', 'Shower', 'Smoke alarms', 'Lights'], $device->circuits);
        self::assertNull($device->amperes, 'its rating was not read off');
        self::assertCount(2, $device->remarks);
        self::assertStringContainsString('All lights go off', $device->remarks[0]);
        self::assertStringContainsString('alarms live on their battery', $device->remarks[1]);
        self::assertCount(1, BoardJudgement::unprotected($house));
        self::assertStringStartsWith('Porch sockets: sockets without residual protection', BoardJudgement::unprotected($house)[0]);
    }

    public function testAJumperIsHeldAgainstWhatIsBehindItAndWhatMayCome(): void
    {
        $ways = array_map(static fn (float $amperes): array => ['device' => 'breaker', 'amperes' => $amperes], [32.0, 32.0, 16.0, 6.0]);
        $sheet = static fn (float $mm2, int $blanks): Sheet => Sheet::read(['ruleSet' => 'A', 'groups' => [['name' => 'Device A', 'milliamps' => 30, 'jumperMm2' => $mm2]], 'ways' => [...$ways, ...array_fill(0, $blanks, ['device' => 'blank'])]]);
        self::assertSame([], Jumpers::of($sheet(0.0, 0)), 'not read off, not judged');
        // 32 + 0.4 · (32 + 16 + 6) = 53.6 A with diversity, of 86; 6 mm² carry 47, 10 carry 64, 25 carry 112.
        self::assertStringContainsString('86 A of ratings behind it, 54 A with diversity: too small even', Jumpers::of($sheet(6.0, 0))[0]->words);
        self::assertTrue(Jumpers::of($sheet(6.0, 0))[0]->isTooSmall);
        self::assertFalse(Jumpers::of($sheet(10.0, 0))[0]->isTooSmall);
        // Two empty ways of 16 A: 53.6 + 0.4 · 32 = 66.4 A.
        self::assertStringContainsString('enough now, too small once the 2 empty ways', Jumpers::of($sheet(10.0, 2))[0]->words);
        self::assertTrue(Jumpers::of($sheet(10.0, 2))[0]->isTooSmall);
        self::assertStringContainsString('carries all of it', Jumpers::of($sheet(25.0, 1))[0]->words);
        $this->expectExceptionMessage('Expected 4, 6, 10, 16, 25 mm²');
        $sheet(3.0, 0);
    }
}
