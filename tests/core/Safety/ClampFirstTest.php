<?php

declare(strict_types=1);

namespace YellowProbe\Tests\Safety;

use PHPUnit\Framework\TestCase;
use YellowProbe\Installation\BoardEnds;
use YellowProbe\Installation\Labels;
use YellowProbe\Installation\Role;
use YellowProbe\Installation\StateChange;
use YellowProbe\Instrument\Connection;
use YellowProbe\Procedure\ResidualClamp;
use YellowProbe\Safety\ClampFirst;
use YellowProbe\Tests\Houses;

/** What is clamped before it is parted, and which jaws count as that. */
final class ClampFirstTest extends TestCase
{
    public function testNeutralsAndEarthsThatAreLiftedAndNothingElse(): void
    {
        $house = Houses::ringAndLights();
        $neutral = BoardEnds::neutralsAtBoard($house, 'ring')[0];
        $earth = str_replace('/N@', '/E@', $neutral);
        $line = str_replace('/N@', '/L@', $neutral);
        $asked = ClampFirst::of($house, [new StateChange('lift', $neutral), new StateChange('lift', $line), new StateChange('lift', $earth), new StateChange('refit', $neutral), new StateChange('set', 'main', 'off')]);
        self::assertSame([$neutral => explode('@', $neutral)[0], $earth => explode('@', $earth)[0]], $asked);
    }

    public function testAJawAroundThatCoreOrAllOfItsKindCountsOneAroundLineAndNeutralDoesNot(): void
    {
        $house = Houses::ringAndLights();
        $element = explode('@', BoardEnds::neutralsAtBoard($house, 'ring')[0])[0];
        self::assertTrue(ClampFirst::embraces($house, Connection::around("+$element"), $element));
        self::assertTrue(ClampFirst::embraces($house, ResidualClamp::conductors($house, 'ring', Role::Neutral), $element), 'both neutrals of a ring, with what leaks along them');
        self::assertFalse(ClampFirst::embraces($house, ResidualClamp::liveConductors($house, 'ring'), $element), 'line and neutral cancel');
        self::assertFalse(ClampFirst::embraces($house, Connection::around('+'.str_replace('/N', '/L', $element)), $element));
    }

    public function testBothEndsOfARingAreToldApartByWhereTheyLead(): void
    {
        $house = Houses::ringAndLights();
        $names = array_map(static fn (string $joint): string => Labels::joint($house, $joint), BoardEnds::neutralsAtBoard($house, 'ring'));
        self::assertCount(2, array_unique($names), implode(', ', $names));
        foreach ($names as $name) {
            self::assertMatchesRegularExpression('/^the neutral of .+ to .+ at /', $name);
        }
        $other = array_values(array_diff(array_map(strval(...), array_keys($house->circuits)), ['ring']))[0];
        self::assertDoesNotMatchRegularExpression('/ to .+ at /', Labels::joint($house, BoardEnds::neutralsAtBoard($house, $other)[0]), 'one conductor needs no direction');
    }
}
