<?php

declare(strict_types=1);

namespace YellowProbe\Tests\Network;

use PHPUnit\Framework\TestCase;
use YellowProbe\Network\Complex;
use YellowProbe\Network\Elimination;
use YellowProbe\Network\EliminationOrder;
use YellowProbe\Network\Netlist;
use YellowProbe\Network\NetworkBuilder;
use YellowProbe\Network\PortNetwork;

final class PortNetworkTest extends TestCase
{
    public function testTwoPortsByHand(): void
    {
        // Port 1 to the datum 2 S, port 2 to the datum 1 S, 3 S between; 6 A into port 1.
        // [5 −3; −3 4]·v = [6; 0]: v = (24/11, 18/11).
        $ports = $this->pair();
        $ports->inject(1, 6.0);
        $volts = $ports->volts();

        self::assertEqualsWithDelta(24.0 / 11.0, $volts[1]?->re, 1e-12);
        self::assertEqualsWithDelta(18.0 / 11.0, $volts[2]?->re, 1e-12);
        self::assertSame(0.0, $volts[0]?->re, 'the datum itself');
        // Seen from port 2: 1 S + 2·3/(2+3) S, and the share 3/5 of the current.
        [$siemens, $amperes] = $ports->norton(2);
        self::assertEqualsWithDelta(2.2, $siemens->re, 1e-12);
        self::assertEqualsWithDelta(3.6, $amperes->re, 1e-12);
    }

    public function testACopyIsACopy(): void
    {
        $ports = $this->pair();
        $copy = clone $ports;
        $copy->join(1, 2, 100.0);
        $copy->join(1, 0, 50.0);
        self::assertEqualsWithDelta(2.2, $ports->norton(2)[0]->re, 1e-12);
        self::assertGreaterThan(20.0, $copy->norton(2)[0]->re);
    }

    public function testAJoinOfAPortWithItselfIsNothing(): void
    {
        $ports = $this->pair();
        $ports->join(1, 1, 7.0);
        self::assertEqualsWithDelta(2.2, $ports->norton(2)[0]->re, 1e-12);
        self::assertTrue($ports->has(2));
        self::assertFalse($ports->has(9));
    }

    public function testAPortThatNothingTouchesHasNoVoltageAndAnAdmittanceOfZero(): void
    {
        $ports = new PortNetwork(0, [1, 2]);
        $ports->join(1, 0, 1.0);
        $ports->inject(1, 5.0);
        self::assertNull($ports->volts()[2]);
        self::assertEqualsWithDelta(5.0, $ports->volts()[1]?->re, 1e-12);
        self::assertSame(0.0, $ports->norton(2)[0]->modulus());
    }

    public function testPhasorsThroughPorts(): void
    {
        // 1 S and j1 S in parallel to the datum, 1 A: v = 1/(1 + j) = 0.5 − j0.5 V.
        $ports = new PortNetwork(0, [1]);
        $ports->join(1, 0, 1.0, 1.0);
        $ports->inject(1, 1.0);
        self::assertEqualsWithDelta(0.5, $ports->volts()[1]?->re, 1e-12);
        self::assertEqualsWithDelta(-0.5, $ports->volts()[1]?->im, 1e-12);
    }

    public function testABranchCanOnlyBeLeftOutBetweenPorts(): void
    {
        $network = (new NetworkBuilder())->resistor('r', 'zero', 'a', 1.0)->resistor('s', 'a', 'b', 1.0)->build();
        $elimination = Elimination::of($network, $network->node('zero'));
        $branch = $network->branch('s');
        self::assertNotNull($branch);
        [$siemens] = $elimination->ports([$network->node('a'), $network->node('b')], [$branch])->norton($network->node('a'));
        self::assertEqualsWithDelta(1.0, $siemens->re, 1e-12);
        $this->expectException(\LogicException::class);
        $elimination->ports([$network->node('a')], [$branch]);
    }

    public function testTheOrderTakesLeavesFirstKeepsTheLastAndLeavesOutTheDatum(): void
    {
        // A star of five leaves: the hub has the highest degree and is not touched before its leaves are gone.
        $builder = new NetworkBuilder();
        foreach (range(1, 5) as $leaf) {
            $builder->resistor("r$leaf", 'hub', "leaf$leaf", 1.0);
        }
        $network = $builder->build();
        $hub = $network->node('hub');
        $datum = $network->node('leaf1');
        $order = EliminationOrder::of($network, $datum);
        self::assertCount(5, $order);
        self::assertNotContains($datum, $order);
        self::assertGreaterThanOrEqual(3, array_search($hub, $order, true));
        $kept = EliminationOrder::of($network, $datum, [$network->node('leaf3')]);
        self::assertSame($network->node('leaf3'), $kept[4]);
        self::assertSame($order, EliminationOrder::of($network, $datum), 'the same network, the same order');
    }

    public function testComplexNumbers(): void
    {
        $a = new Complex(3.0, 4.0);
        self::assertSame(5.0, $a->modulus());
        self::assertEquals(new Complex(-7.0, 24.0), $a->times($a));
        self::assertEqualsWithDelta(1.0, $a->over($a)->re, 1e-15);
        self::assertEquals(new Complex(2.0, 5.0), $a->plus(new Complex(-1.0, 1.0)));
        self::assertEquals(new Complex(4.0, 3.0), $a->minus(new Complex(-1.0, 1.0)));
        $this->expectException(\DivisionByZeroError::class);
        $a->over(Complex::zero());
    }

    public function testBuildingRefusesTwoElementsOfOneNameAndUnknownNodes(): void
    {
        $builder = (new NetworkBuilder())->resistor('r', 'a', 'b', 1.0)->admittance('nothing', 'a', 'b', 0.0, 0.0);
        $network = $builder->build();
        self::assertNull($network->branch('nothing'), 'an admittance of nothing is no element');
        self::assertTrue($network->hasNode('a'));
        try {
            $network->node('z');
            self::fail('There is no such node.');
        } catch (\OutOfBoundsException $error) {
            self::assertStringContainsString('"z"', $error->getMessage());
        }
        $this->expectException(\LogicException::class);
        $builder->resistor('r', 'b', 'c', 1.0);
    }

    public function testANetlistNamesItsNodesAndElements(): void
    {
        $network = (new NetworkBuilder())->source('mains', 'earth', 'a', new Complex(230.0), 2.0)->admittance('filter', 'a', 'earth', 1e-6, 3.141592653589793e-6)->build();
        $text = Netlist::of($network, 50.0, 'earth', "two\nlines");

        self::assertStringStartsWith("* two lines\n", $text);
        self::assertStringContainsString('* 0 is earth', $text);
        self::assertMatchesRegularExpression('/^R1 0 n2 2\.0+e\+0$/m', $text);
        self::assertMatchesRegularExpression('/^I1 0 n2 dc 0 ac 1\.15\d*e\+2 0\.0+e\+0$/m', $text);
        self::assertMatchesRegularExpression('/^C2 n2 0 1\.0\d*e-8$|^C2 n2 0 9\.9\d*e-9$/m', $text);
        self::assertStringContainsString(".ac lin 1 50 50\n.end", $text);
        self::assertStringContainsString(".op\n.end", Netlist::of($network, 0.0, 'earth', 'dc'));
        self::assertStringNotContainsString('C2', Netlist::of($network, 0.0, 'earth', 'dc'));
    }

    private function pair(): PortNetwork
    {
        $ports = new PortNetwork(0, [1, 2]);
        $ports->join(1, 0, 2.0);
        $ports->join(2, 0, 1.0);
        $ports->join(1, 2, 3.0);

        return $ports;
    }
}
