<?php

declare(strict_types=1);

namespace YellowProbe\Tests\Survey;

use PHPUnit\Framework\TestCase;
use YellowProbe\Installation\HouseDraft;
use YellowProbe\Survey\BoardJudgement;

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
}
