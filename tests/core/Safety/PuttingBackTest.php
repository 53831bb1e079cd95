<?php

declare(strict_types=1);

namespace YellowProbe\Tests\Safety;

use PHPUnit\Framework\TestCase;
use YellowProbe\Installation\State;
use YellowProbe\Installation\StateChange;
use YellowProbe\Safety\PuttingBack;
use YellowProbe\Safety\Temporary;
use YellowProbe\Tests\Houses;

final class PuttingBackTest extends TestCase
{
    public function testLinksThenConductorsThenDevicesFromTheFeederOnAndLoadsAtAnyTime(): void
    {
        $house = Houses::demo('wicket-lane');
        $done = [
            new StateChange('load', 'desktop', 'out'),
            new StateChange('set', 'main', 'off'),
            new StateChange('set', 'way5', 'off'),
            new StateChange('set', 'rcd-b', 'off'),
            new StateChange('lift', 'ring-up-r1/N@1'),
            new StateChange('link', 'way5.out', 'ring-up-r1/N@1'),
        ];
        $state = State::resting($house);
        $subjects = [];
        foreach ($done as $change) {
            $state = $state->after($change);
        }
        $expected = [[Temporary::LINK, 'ring-up-r1/N@1'], [Temporary::CONDUCTOR, 'ring-up-r1/N@1'], [Temporary::DEVICE, 'main'], [Temporary::DEVICE, 'rcd-b'], [Temporary::DEVICE, 'way5']];
        // Put back one by one, always what is open first: in that order, and the house is at rest in the end.
        while ([] !== $all = PuttingBack::of($house, $state)) {
            $last = $all[\count($all) - 1];
            self::assertSame([Temporary::LOAD, 'desktop', true], [$last->kind, $last->done->subject, $last->isOpen], 'a load waits for nothing');
            if (1 === \count($all)) {
                $state = $state->after($last->done->undoneTo(State::resting($house)));
                continue;
            }
            self::assertTrue($all[0]->isOpen);
            self::assertSame([false], array_unique(array_map(static fn (Temporary $each): bool => $each->isOpen, \array_slice($all, 1, -1))) ?: [false]);
            $subjects[] = [$all[0]->kind, $all[0]->done->subject];
            $state = $state->after($all[0]->done->undoneTo(State::resting($house)));
        }
        self::assertSame(array_column($expected, 0), array_column($subjects, 0));
        self::assertSame(['main', 'rcd-b', 'way5'], array_column(\array_slice($subjects, 2), 1));
        self::assertSame(State::resting($house)->hash(), $state->hash());
    }
}
