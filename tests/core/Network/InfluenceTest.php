<?php

declare(strict_types=1);

namespace YellowProbe\Tests\Network;

use Eris\Generator;
use Eris\Generators;
use Eris\TestTrait;
use PHPUnit\Framework\TestCase;
use YellowProbe\Fault\FaultCatalogue;
use YellowProbe\Instrument\Bench;
use YellowProbe\Instrument\DirectOhmmeter;
use YellowProbe\Network\Complex;
use YellowProbe\Network\Elimination;
use YellowProbe\Network\Influence;
use YellowProbe\Network\Network;
use YellowProbe\Network\NetworkBuilder;
use YellowProbe\Network\SmallSystem;
use YellowProbe\Procedure\TestCatalogue;
use YellowProbe\Tests\Houses;

/**
 * Impedances and closed forms against what a whole elimination gives, and properties of any passive network. The seed is
 * fixed in phpunit.dist.xml; a failure prints the network it shrank to.
 */
final class InfluenceTest extends TestCase
{
    use TestTrait;

    public function testThreeNodesByHand(): void
    {
        // 2 Ω from the datum to a, 3 Ω from a to b, 5 Ω from b to the datum: Z_aa = 2‖8 = 1.6, Z_bb = 5‖5 = 2.5,
        // Z_ab = 1.6 · 5/8 = 1.0.
        $network = (new NetworkBuilder())->resistor('p', 'zero', 'a', 2.0)->resistor('q', 'a', 'b', 3.0)->resistor('r', 'b', 'zero', 5.0)->source('s', 'zero', 'a', new Complex(10.0), 1e9)->build();
        $inverse = Elimination::of($network, $network->node('zero'))->inverse();
        [$a, $b, $zero] = array_map($network->node(...), ['a', 'b', 'zero']);
        self::assertEqualsWithDelta([1.6, 2.5, 1.0, 0.0], [$inverse->between($a, $a)[0], $inverse->between($b, $b)[0], $inverse->between($b, $a)[0], $inverse->between($a, $zero)[0]], 1e-8);
    }

    public function testImpedancesAreReciprocalPositiveAndAtMostTheLargerOfTheirOwn(): void
    {
        $this->limitTo(60)->forAll(self::networks())->then(static function (array $ohms): void {
            $network = self::ladder($ohms);
            $inverse = Elimination::of($network, $network->node('n0'))->inverse();
            $last = \count($ohms);
            for ($i = 1; $i <= $last; ++$i) {
                $own = $inverse->between($network->node("n$i"), $network->node("n$i"))[0];
                [$siemens] = Elimination::of($network, $network->node('n0'))->ports([$network->node("n$i")])->norton($network->node("n$i"));
                self::assertEqualsWithDelta(1.0, $own * $siemens->re, 1e-9, 'the same as the port seen alone');
                $across = $inverse->between($network->node('n1'), $network->node("n$i"))[0];
                self::assertGreaterThan(0.0, $across);
                self::assertLessThanOrEqual($own * (1.0 + 1e-12), $across);
                self::assertSame($across, $inverse->between($network->node("n$i"), $network->node('n1'))[0]);
            }
        });
    }

    public function testAContactInClosedFormIsTheNetworkEliminatedWithIt(): void
    {
        $this->limitTo(60)->forAll(self::networks(), Generators::choose(1, 40), Generators::choose(1, 40), Generators::choose(-30, 60))->then(static function (array $ohms, int $i, int $j, int $decibels): void {
            $network = self::ladder($ohms);
            [$a, $b] = [$network->node('n'.(1 + $i % \count($ohms))), $network->node('n'.($j % (1 + \count($ohms))))];
            $lead = $network->node('n1');
            $siemens = 10.0 ** (-$decibels / 10.0);
            $influence = Influence::on(Elimination::of($network, $network->node('n0')), [[$lead => new Complex(1.0)]], 1);
            $moved = $a === $b ? null : $influence->moved([[$a, $b, $siemens, 0.0, 0.0, 0.0]]);
            if (null === $moved) {
                self::assertTrue($a === $b || $siemens > 0.0); // too few digits: the caller eliminates again

                return;
            }
            $whole = Elimination::of($network->changed([], [[$a, $b, new Complex($siemens), Complex::zero()]]), $network->node('n0'));
            [$re] = $whole->voltages();
            self::assertEqualsWithDelta($re[$lead], $influence->sum(0)->plus($moved->of(0))->re, 1e-6 * abs($influence->sum(0)->re));
            [$seen] = $whole->ports([$lead])->norton($lead);
            $own = $influence->response(0, $lead)->re;
            self::assertEqualsWithDelta(1.0 / $seen->re, $own + $moved->of(0, 1)->re, 1e-6 * $own);
            // More conductance never raises the impedance of a passive network (Rayleigh).
            self::assertLessThanOrEqual(1e-12 * $own, $moved->of(0, 1)->re);
        });
    }

    public function testManyChangesAtOnceAreTheNetworkEliminatedWithThem(): void
    {
        $many = 0;
        $this->limitTo(80)->forAll(self::networks(), Generators::vector(4, Generators::choose(1, 40)), Generators::choose(-30, 30), Generators::choose(1, 40))->then(static function (array $ohms, array $at, int $decibels, int $opened) use (&$many): void {
            $network = self::ladder($ohms);
            $nodes = array_map(static fn (int $i): int => $network->node('n'.($i % (1 + \count($ohms)))), array_values(array_filter($at, \is_int(...))));
            [$lead, $other] = [$network->node('n1'), $network->node('n2')];
            $siemens = 10.0 ** (-$decibels / 10.0);
            $rung = (int) $network->branch('rung'.(1 + $opened % \count($ohms)));
            // Two contacts, one of them with a source, and a rung taken out: what a core landed elsewhere is made of.
            $changes = [[$nodes[0], $nodes[1], $siemens, 0.0, 0.0, 0.0], [$nodes[2], $nodes[3], 2.0 * $siemens, 0.0, 0.3, -0.1], [$network->from[$rung], $network->to[$rung], -$network->yRe[$rung], 0.0, 0.0, 0.0]];
            $influence = Influence::on(Elimination::of($network, $network->node('n0')), [[$lead => new Complex(1.0)], [$other => new Complex(1.0)]], 2);
            $moved = $nodes[0] === $nodes[1] || $nodes[2] === $nodes[3] ? null : $influence->moved($changes);
            if (null === $moved) {
                return; // eliminated again
            }
            ++$many;
            $whole = Elimination::of($network->changed([$rung], [[$nodes[0], $nodes[1], new Complex($siemens), Complex::zero()], [$nodes[2], $nodes[3], new Complex(2.0 * $siemens), new Complex(0.3, -0.1)]]), $network->node('n0'));
            [$re, $im] = $whole->voltages();
            [$drivenRe] = $whole->voltages([$other => new Complex(1.0)]);
            foreach ([[$influence->sum(0)->plus($moved->of(0))->re, $re[$lead], 0, 0], [$moved->of(1)->im, $im[$other], 1, 0], [$influence->response(0, $other)->plus($moved->of(0, 2))->re, $drivenRe[$lead], 0, 2]] as [$closed, $exact, $sum, $by]) {
                self::assertEqualsWithDelta($exact, $closed, 1e-9 + 1e-9 * abs($exact) + 3.0 * $moved->rounding * $moved->of($sum, $by)->modulus(), 'within the rounding that it says');
            }
        });
        self::assertGreaterThan(30, $many);
    }

    public function testAnOpenedBridgeIsNotGuessed(): void
    {
        $network = self::ladder([5.0, 7.0, 9.0]);
        $branch = (int) $network->branch('rung2');
        $influence = Influence::on(Elimination::of($network, $network->node('n0')), [[$network->node('n1') => new Complex(1.0)]], 1);
        self::assertNotNull($influence->moved([[$network->from[$branch], $network->to[$branch], 1.0, 0.0, 0.0, 0.0]]));
        $bridge = (new NetworkBuilder())->resistor('r', 'zero', 'a', 1.0)->resistor('only', 'a', 'b', 1.0)->source('s', 'zero', 'a', new Complex(1.0), 1.0)->build();
        $only = (int) $bridge->branch('only');
        $beyond = Influence::on(Elimination::of($bridge, $bridge->node('zero')), [[$bridge->node('b') => new Complex(1.0)]], 1);
        self::assertNull($beyond->moved([[$bridge->from[$only], $bridge->to[$only], -1.0, 0.0, 0.0, 0.0]]));
        // Landed elsewhere at the same time, what hangs on it has a way again: 1 Ω from the datum, 0 V there.
        $moved = $beyond->moved([[$bridge->from[$only], $bridge->to[$only], -1.0, 0.0, 0.0, 0.0], [$bridge->node('zero'), $bridge->node('b'), 1.0, 0.0, 0.0, 0.0]]);
        self::assertNotNull($moved);
        self::assertEqualsWithDelta(0.0, $beyond->sum(0)->plus($moved->of(0))->re, 1e-12);
        self::assertEqualsWithDelta(1.0, $beyond->response(0, $bridge->node('b'))->plus($moved->of(0, 1))->re, 1e-12);
    }

    public function testContactsWithAnIsland(): void
    {
        $network = (new NetworkBuilder())->source('s', 'zero', 'a', new Complex(230.0), 1.0)->resistor('r', 'a', 'zero', 10.0)->resistor('far', 'x', 'y', 1.0)->build();
        [$a, $x, $y, $zero] = array_map($network->node(...), ['a', 'x', 'y', 'zero']);
        $influence = Influence::on(Elimination::of($network, $zero), [[$a => new Complex(1.0)]], 1);
        self::assertFalse($influence->reaches($x));
        $tie = [$a, $x, 5.0, 0.0, 0.0, 0.0];
        self::assertSame(0.0, $influence->moved([$tie])?->of(0)->modulus(), 'the only tie of an island carries nothing');
        self::assertSame(0.0, $influence->moved([$tie, [$x, $y, 2.0, 0.0, 0.0, 0.0]])?->of(0)->modulus(), 'whatever else changes there');
        self::assertNull($influence->moved([$tie, [$y, $zero, 1.0, 0.0, 0.0, 0.0]]), 'two ties carry a current through it');
        self::assertSame($influence->moved([[$a, $zero, 1.0, 0.0, 0.0, 0.0]])?->of(0)->re, $influence->moved([$tie, [$a, $zero, 1.0, 0.0, 0.0, 0.0]])?->of(0)->re, 'a tie beside a contact of its own');
        [$re] = $influence->batch([$a, $a], [$x, $zero], [5.0, 1.0]);
        self::assertEqualsWithDelta(230.0 / 1.1, $re[0], 1e-9);
        self::assertEqualsWithDelta(230.0 / 2.1, $re[1], 1e-9, '1 Ω beside the 10');
    }

    public function testAFewEquationsByHand(): void
    {
        // (1 + i)·x + y = 3 + i, 10⁶·x + 2·10⁶·y = 5·10⁶: x = 1, y = 2; with 1 and 0 on the right x = 2/(1 + 2i), y = −x/2.
        // Two unknowns and two right sides: each row its coefficients, then the sides.
        [$solved, $rounding] = SmallSystem::solved([1.0, 1.0, 3.0, 1.0, 1e6, 2e6, 5e6, 0.0], [1.0, 0.0, 1.0, 0.0, 0.0, 0.0, 0.0, 0.0], [1e-9, 1e-9], 2) ?? self::fail('it has a solution');
        self::assertEqualsWithDelta([[[1.0, 0.0], [0.4, -0.8]], [[2.0, 0.0], [-0.2, 0.4]]], $solved, 1e-12);
        self::assertGreaterThan(1e-9 / 2.0, $rounding);
        self::assertNull(SmallSystem::solved([0.0, 0.0], [0.0, 0.0], [0.0], 1), 'nothing to divide by');
    }

    public function testAPreparedBenchReadsEveryFaultAsOneThatEliminatesForIt(): void
    {
        $quick = 0;
        foreach (Houses::varied() as $at => $house) {
            foreach (TestCatalogue::plans($house) as $id => $plan) {
                $residual = $at < 3 && 'residual-clamp' === $plan->procedure->slug(); // cores whose mutual leak is embraced twice
                if (!$residual && 0 !== ($at + crc32($id)) % 97) {
                    continue;
                }
                $measurement = $plan->measurement;
                $bench = new Bench($house, $measurement->state, $measurement->instrument, $measurement->connection);
                $prepared = new Bench($house, $measurement->state, $measurement->instrument, $measurement->connection);
                $prepared->prepare(false);
                self::assertEqualsWithDelta($bench->read()->value, $prepared->read()->value, 1e-9 + 1e-5 * $bench->read()->value, $id);
                // What an ohmmeter shows is not read below a ten-thousandth of its last digit.
                $least = $measurement->instrument instanceof DirectOhmmeter ? 1e-4 * $measurement->instrument->scale()->finest() : 1e-9;
                foreach (FaultCatalogue::all() as $kind) {
                    foreach ($kind->sites($house) as $site) {
                        $change = $kind->change($house, $site, $kind->severities()[0]);
                        [$one, $other] = [$bench->read($change), $prepared->read($change)];
                        self::assertSame($one->kind, $other->kind, "$id {$kind->slug()} $site->id");
                        if (is_finite($one->value)) {
                            self::assertEqualsWithDelta($one->value, $other->value, $least + 1e-5 * $one->value, "$id {$kind->slug()} $site->id");
                        }
                        foreach ($one->levels as $at => $level) {
                            self::assertEqualsWithDelta($level, $other->levels[$at], 1e-7 + 1e-5 * $level, "$id {$kind->slug()} $site->id");
                        }
                        $quick += $one != $other ? 1 : 0;
                    }
                }
            }
        }
        self::assertGreaterThan(100, $quick, 'the closed form was at work: its last digits differ');
    }

    /**
     * Rungs of a ladder, in Ω over nine decades.
     *
     * @return Generator<mixed>
     */
    private static function networks(): Generator
    {
        return Generators::bind(Generators::choose(3, 40), static fn (int $count) => Generators::vector($count, Generators::map(static fn (int $decibels): float => 10.0 ** ($decibels / 10.0), Generators::choose(-30, 60))));
    }

    /** @param array<array-key, mixed> $ohms */
    private static function ladder(array $ohms): Network
    {
        $builder = new NetworkBuilder();
        $builder->source('drive', 'n0', 'n1', new Complex(10.0), 1.0);
        foreach (array_values($ohms) as $at => $rung) {
            \assert(\is_float($rung));
            $to = $at + 1;
            $builder->resistor("rung$to", "n$at", "n$to", $rung);
            if ($at > 1) {
                $builder->resistor("tie$to", 'n'.($at - 2), "n$to", 3.0 * $rung);
            }
        }

        return $builder->build();
    }
}
