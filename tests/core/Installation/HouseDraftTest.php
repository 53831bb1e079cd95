<?php

declare(strict_types=1);

namespace YellowProbe\Tests\Installation;

use PHPUnit\Framework\TestCase;
use YellowProbe\Installation\Excitation;
use YellowProbe\Installation\Factors;
use YellowProbe\Installation\House;
use YellowProbe\Installation\HouseDraft;
use YellowProbe\Installation\HouseNetwork;
use YellowProbe\Installation\Knowing;
use YellowProbe\Installation\Labels;
use YellowProbe\Installation\LineMap;
use YellowProbe\Installation\State;
use YellowProbe\Network\Elimination;

final class HouseDraftTest extends TestCase
{
    public function testAPlugLiesInTheSocketsCircuitAndAFixedLoadInItsOwn(): void
    {
        $house = self::house();
        self::assertSame('sockets', $house->circuitOfPart('lamp'));
        self::assertSame('heater', $house->circuitOfPart('tank'));
        self::assertSame('lights', $house->circuitOfPart('porch-sw'));
        self::assertSame('heater', $house->circuitOfPart('way3'));
        self::assertNull($house->circuitOfPart('met'));
        self::assertNull($house->circuitOfPart('nobody'));
    }

    public function testTheHouseRestsWithLightsOffAndLoadsAsTold(): void
    {
        $rest = State::resting(self::house());
        self::assertSame('off', $rest->position('porch-sw', 'on'));
        self::assertSame('off', $rest->load('tank'));
        self::assertSame('on', $rest->load('lamp'));
        self::assertSame(['1', '2'], [$rest->position('foot', 'on'), $rest->position('head', 'on')], 'the two switches stand so that the light is off');
    }

    public function testATwoWayLightIsLitInTwoOfItsFourPositions(): void
    {
        $house = self::house();
        $lit = [];
        foreach (['1', '2'] as $foot) {
            foreach (['1', '2'] as $head) {
                $state = State::fromArray(['positions' => ['foot' => $foot, 'head' => $head]]);
                $network = HouseNetwork::build($house, $state, Excitation::mains());
                $solution = Elimination::of($network, $network->node('steps.N'))->solve();
                if (($solution->volts('steps.lamp-L')?->modulus() ?? 0.0) > 200.0) {
                    $lit[] = $foot.$head;
                }
            }
        }
        self::assertSame(['11', '22'], $lit);
    }

    public function testEveryCableThatWasDraftedIsAssumedAndSoIsTheSpreadOfItsCircuit(): void
    {
        $house = self::house();
        foreach ($house->cables as $cable) {
            self::assertTrue(null === $cable->circuit || Knowing::Assumed === $cable->lengthMetres->knowing, $cable->id);
        }
        $spreads = Factors::spreads($house);
        self::assertSame(0.25, $spreads['length:sockets']);
        self::assertArrayHasKey('supply', $spreads);
        self::assertArrayNotHasKey('length:met', $spreads);
    }

    public function testNamesThatAPersonCanRead(): void
    {
        $house = self::house();
        self::assertSame('Bench · L', Labels::terminal($house, 'bench.front-L'));
        self::assertSame('Bench · N behind the plate', Labels::terminal($house, 'bench.N'));
        self::assertSame('Porch light · SL', Labels::terminal($house, 'porch.SL'));
        self::assertSame('the neutral of Sockets at Neutral bar', Labels::joint($house, 'sockets-r1/N@1'));
        self::assertSame('the line of the tails at Main switch', Labels::joint($house, 'tail-l/L@2'));
        self::assertSame('Way 1 · line out', Labels::terminal($house, 'way1.out'));
        self::assertSame('Way 3 · neutral out', Labels::terminal($house, 'way3.Nout'));
        self::assertSame('Earth bar · terminal 2', Labels::terminal($house, 'met.t2'));
        self::assertSame('unheard.of', Labels::terminal($house, 'unheard.of'));
    }

    public function testASwitchHangsBelowItsLight(): void
    {
        $stops = array_column(LineMap::of(self::house(), 'lights')['stops'], null, 'part');
        self::assertSame(0, $stops['porch']['row']);
        self::assertSame(0, $stops['yard']['row']);
        self::assertGreaterThan(0, $stops['porch-sw']['row']);
        self::assertSame('porch', $stops['porch-sw']['after']);
        self::assertGreaterThan(0, $stops['steps']['row']);
        $at = array_map(static fn (array $stop): string => $stop['column'].','.$stop['row'], $stops);
        self::assertCount(\count($at), array_unique($at), 'no two stops at one spot');
    }

    private static function house(): House
    {
        return (new HouseDraft('Draft', ['system' => 'TN-C-S'], 4))
            ->direct()
            ->way('sockets', 'Sockets', 'radial', 20)
            ->way('lights', 'Lights', 'lighting', 6)
            ->rcboWay('heater', 'Heater', 'dedicated', 16)
            ->sockets('sockets', [['bench', 'Bench', 'Shed', 7.0]])
            ->lights('lights', [['porch', 'Porch light', 'Porch', 4.0, 3.0], ['yard', 'Yard light', 'Yard', 9.0, 3.0]])
            ->twoWayLight('lights', 'porch', 'steps', 'Steps light', 'Steps', 5.0, ['foot', 'Foot', 'Porch'], ['head', 'Head', 'Loft'])
            ->fixed('heater', 'tank', 'Tank', 'Loft', 8.0, ['watts' => 2700], ['mm2' => 2.5, 'cpcMm2' => 1.5], 'off')
            ->appliance('lamp', 'Desk lamp', 'bench.front', ['watts' => 12])
            ->house();
    }
}
