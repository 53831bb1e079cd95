<?php

declare(strict_types=1);

namespace YellowProbe\Tests\Fault;

use PHPUnit\Framework\TestCase;
use YellowProbe\Diagnosis\Hypothesis;
use YellowProbe\Diagnosis\HypothesisSpace;
use YellowProbe\Diagnosis\Story;
use YellowProbe\Fault\Fault;
use YellowProbe\Fault\FaultCatalogue;
use YellowProbe\Fault\FaultSite;
use YellowProbe\Installation\House;
use YellowProbe\Installation\State;
use YellowProbe\Installation\StateChange;
use YellowProbe\Instrument\Bench;
use YellowProbe\Instrument\Connection;
use YellowProbe\Instrument\Instruments;
use YellowProbe\Tests\Houses;

/** What is wrong with what people plug in. */
final class PluggedTest extends TestCase
{
    public function testOnlyWhatHasAPlugAndAnOverloadOnceForACircuit(): void
    {
        $house = self::withKettle();
        self::assertSame(['fridge', 'kettle'], self::places($house, 'appliance-short'));
        self::assertSame(['fridge', 'kettle'], self::places($house, 'appliance-leak'));
        self::assertSame(['rad'], self::places($house, 'overload'));
        self::assertSame(['kettle.L', 'kettle.N'], FaultCatalogue::get('overload')->sites($house)[0]->things, 'at the largest');
        self::assertSame([], self::places(Houses::ringsAndHeater(), 'appliance-leak'), 'a wired heater has no plug');
    }

    public function testPulledOutItIsGone(): void
    {
        $house = self::withKettle();
        foreach ([['appliance-leak', 'kettle', 1e4, 'leakage-clamp', ['+rcd/L', '+rcd/N'], 0.0225], ['overload', 'rad', 4.5, 'clamp', ['+rad-r1/L'], 45.0], ['appliance-short', 'kettle', 1.5, 'clamp', ['+rad-r1/L'], 80.0]] as [$kind, $site, $ohms, $tester, $around, $least]) {
            $change = Fault::at($house, $kind, $site, $ohms)->change($house);
            $read = static fn (State $state): float => (new Bench($house, $state, Instruments::get($tester), Connection::around(...$around)))->read($change)->value;
            $resting = State::resting($house);
            self::assertGreaterThan($least, $read($resting), $kind);
            self::assertLessThan($least / 2.0, $read($resting->after(new StateChange('load', 'kettle', 'out'))), "$kind, pulled out");
            self::assertEqualsWithDelta($read($resting), $read($resting->after(new StateChange('load', 'kettle', 'off'))), 0.15 * $read($resting), "$kind, only switched off");
        }
    }

    public function testWhereNothingIsPluggedInSomethingElseIsNoLikelierForIt(): void
    {
        $else = static function (House $house): float {
            $sum = $share = 0.0;
            foreach (HypothesisSpace::of($house, Houses::rates(), new Story(['overcurrent-trip'])) as $hypothesis) {
                $sum += $hypothesis->prior;
                $share += Hypothesis::ELSE === $hypothesis->id ? $hypothesis->prior : 0.0;
            }

            return $share / $sum;
        };
        $given = Houses::rates()->given(new Story(['overcurrent-trip']))['other'];
        self::assertEqualsWithDelta($given, $else(self::withKettle()), 0.01, 'overload and shorts have places');
        self::assertEqualsWithDelta($given, $else(Houses::ringsAndHeater()), 0.01, 'and where they have none their share is nobody\'s');
    }

    private static function withKettle(): House
    {
        $document = Houses::worked()->document;
        \assert(\is_array($document['parts']) && \is_array($document['parts']['fridge']));
        $document['parts']['kettle'] = ['name' => 'Kettle', 'pluggedInto' => 's1.front', 'watts' => 2200] + $document['parts']['fridge'];

        return House::fromDocument($document);
    }

    /** @return list<string> */
    private static function places(House $house, string $kind): array
    {
        return array_map(static fn (FaultSite $site): string => $site->id, FaultCatalogue::get($kind)->sites($house));
    }
}
