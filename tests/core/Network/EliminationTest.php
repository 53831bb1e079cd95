<?php

declare(strict_types=1);

namespace YellowProbe\Tests\Network;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use YellowProbe\Network\Complex;
use YellowProbe\Network\Elimination;
use YellowProbe\Network\Network;
use YellowProbe\Network\NetworkBuilder;
use YellowProbe\Network\NumericalError;

final class EliminationTest extends TestCase
{
    public function testALadderByHand(): void
    {
        // 12 V behind 1 Ω into 2 Ω in series with (3 Ω ‖ 6 Ω = 2 Ω): 12/5 A = 2.4 A, 4.8 V across the pair.
        $network = (new NetworkBuilder())
            ->source('battery', 'zero', 'a', new Complex(12.0), 1.0)
            ->resistor('series', 'a', 'b', 2.0)
            ->resistor('three', 'b', 'zero', 3.0)
            ->resistor('six', 'b', 'zero', 6.0)
            ->build();
        $solution = Elimination::of($network, $network->node('zero'))->solve();

        self::assertEqualsWithDelta(9.6, $solution->volts('a')?->re, 1e-12);
        self::assertEqualsWithDelta(4.8, $solution->volts('b')?->re, 1e-12);
        self::assertEqualsWithDelta(2.4, $solution->amperes('series')?->re, 1e-12);
        self::assertEqualsWithDelta(0.8, $solution->amperes('six')?->re, 1e-12);
        self::assertNull($solution->amperes('nothing'));
    }

    public function testACapacitorTurnsThePhasor(): void
    {
        // 100 V over 100 Ω and −j100 Ω in series: I = 100/(100 − j100) = 0.5 + j0.5 A, U_C = −j100·I = 50 − j50 V.
        $network = (new NetworkBuilder())
            ->source('source', 'zero', 'a', new Complex(100.0), 1e-9)
            ->resistor('r', 'a', 'b', 100.0)
            ->admittance('c', 'b', 'zero', 0.0, 0.01)
            ->build();
        $solution = Elimination::of($network, $network->node('zero'))->solve();

        self::assertEqualsWithDelta(50.0, $solution->volts('b')?->re, 1e-6);
        self::assertEqualsWithDelta(-50.0, $solution->volts('b')?->im, 1e-6);
        self::assertEqualsWithDelta(\M_SQRT1_2, $solution->amperes('c')?->modulus(), 1e-8);
    }

    public function testAnOpenedJointKeepsTheDigitsOfTheInsulationBehindIt(): void
    {
        // 40 contacts of 1 mΩ in a row, each with 100 GΩ to earth; the joint after the tenth is open. The tester must
        // see ten insulations in parallel, 10 GΩ, although contacts and insulation are fourteen decades apart.
        $builder = new NetworkBuilder();
        for ($i = 0; $i < 40; ++$i) {
            $builder->resistor("insulation$i", "n$i", 'earth', 1e11);
            if (10 !== $i && $i > 0) {
                $builder->resistor("contact$i", 'n'.($i - 1), "n$i", 1e-3);
            }
        }
        $network = $builder->build();
        [$siemens] = Elimination::of($network, $network->node('earth'))->ports([$network->node('n0')])->norton($network->node('n0'));

        self::assertEqualsWithDelta(1.0, 1e10 * $siemens->re, 1e-12);
    }

    public function testABranchLeftOutGivesWhatANetworkWithoutItGives(): void
    {
        $network = self::grid(7, 0);
        $datum = $network->node('n0');
        $all = Elimination::of($network, $datum);
        foreach ([3, 11, 17] as $branch) {
            $port = $network->node('n48');
            $ends = [$network->from[$branch], $network->to[$branch]];
            $ports = $all->ports([$port, ...$ends], [$branch]);
            $rebuilt = $network->changed([$branch], []);
            [$y, $j] = $ports->norton($port);
            [$expected, $current] = Elimination::of($rebuilt, $datum)->ports([$port])->norton($port);

            self::assertEqualsWithDelta(1.0, $y->re / $expected->re, 1e-12);
            self::assertEqualsWithDelta($current->re, $j->re, 1e-12 * abs($current->re) + 1e-15);
        }
    }

    public function testPortsAgreeWithTheWholeSolution(): void
    {
        $network = self::grid(6, 3);
        $elimination = Elimination::of($network, $network->node('n0'), [$network->node('n7')]);
        $solution = $elimination->solve();
        $ports = [$network->node('n7'), $network->node('n20'), $network->node('n35')];
        $volts = $elimination->ports($ports)->volts();
        foreach (['n7', 'n20', 'n35'] as $name) {
            self::assertEqualsWithDelta($solution->volts($name)?->re, $volts[$network->node($name)]?->re, 1e-12);
        }
        self::assertLessThan(1e-12, $solution->residual);
    }

    public function testWithOtherNumbersItIsWhatThatNetworkGivesFromNothing(): void
    {
        $network = self::grid(6, 3);
        $datum = $network->node('n0');
        $first = Elimination::of($network, $datum);
        $before = $first->voltages();
        foreach ([['down8'], ['source'], array_keys($network->elements)] as $names) {
            $numbers = new NetworkBuilder();
            foreach ($names as $name) {
                'source' === $name ? $numbers->source($name, 'n0', 'n35', new Complex(110.0), 0.1) : $numbers->resistor((string) $name, 'a', 'b', 0.7);
            }
            $other = $network->renumbered($numbers->build()) ?? self::fail('All of these are in the grid.');
            $like = $first->like($other) ?? self::fail('The branches are between the same nodes.');
            $anew = Elimination::of($other, $datum);
            self::assertSame($anew->voltages(), $like->voltages());
            self::assertSame($anew->inverse()->apart($network->node('n9'), $network->node('n26')), $like->inverse()->apart($network->node('n9'), $network->node('n26')));
            self::assertEquals($anew->ports([$network->node('n14')]), $like->ports([$network->node('n14')]));
            self::assertNotSame($before, $like->voltages());
        }
        self::assertSame($before, $first->voltages(), 'the first stays what it was');
        self::assertNull($first->like(self::grid(5, 3)));
    }

    /** @return iterable<string, array{int}> */
    public static function seeds(): iterable
    {
        foreach (range(1, 8) as $seed) {
            yield "seed $seed" => [$seed];
        }
    }

    #[DataProvider('seeds')]
    public function testExactRationalsAgree(int $seed): void
    {
        $network = self::random($seed, 12, 11, 1);
        $datum = $network->node('n0');
        $solution = Elimination::of($network, $datum)->solve();
        foreach (ExactSolver::volts($network, $datum) as $node => $volts) {
            $name = (string) array_search($node, $network->nodes, true);
            // With one source nothing of either sign meets, so even nanovolts keep twelve digits.
            self::assertEqualsWithDelta($volts, $solution->volts($name)->re ?? \NAN, 1e-12 * abs($volts), "node $name");
        }
    }

    #[DataProvider('seeds')]
    public function testReciprocity(int $seed): void
    {
        // A current at a makes the same voltage at b as the same current at b makes at a, sources at rest.
        $network = self::random($seed, 20, 5);
        $datum = $network->node('n0');
        $volts = static function (string $from, string $at) use ($network, $datum): float {
            $driven = $network->drivenBetween($datum, $network->node($from));

            return Elimination::of($driven, $datum)->solve()->volts($at)->re ?? \NAN;
        };

        self::assertEqualsWithDelta(1.0, $volts('n3', 'n11') / $volts('n11', 'n3'), 1e-11);
    }

    #[DataProvider('seeds')]
    public function testThePowerOfTheSourcesIsWhatTheResistancesTakeUp(int $seed): void
    {
        $network = self::random($seed, 20);
        $solution = Elimination::of($network, $network->node('n0'))->solve();
        $given = $taken = 0.0;
        foreach ($network->elements as $element => $branch) {
            $names = array_flip($network->nodes);
            $drop = ($solution->volts($names[$network->from[$branch]])->re ?? \NAN) - ($solution->volts($names[$network->to[$branch]])->re ?? \NAN);
            $amperes = $solution->amperes($element)->re ?? \NAN;
            // u = R·i − e, so u·i = R·i² − e·i: what a branch takes less what its source gives sums to zero.
            $taken += $amperes ** 2 / $network->yRe[$branch];
            $given += $network->jRe[$branch] / $network->yRe[$branch] * $amperes;
            self::assertFalse(is_nan($drop));
        }

        self::assertGreaterThan(0.0, $taken);
        self::assertEqualsWithDelta(1.0, $given / $taken, 1e-9);
    }

    public function testAnIslandHasNoVoltageUntilSomethingJoinsIt(): void
    {
        $network = (new NetworkBuilder())
            ->source('source', 'zero', 'a', new Complex(10.0), 1.0)
            ->resistor('island', 'x', 'y', 5.0)
            ->build();
        $elimination = Elimination::of($network, $network->node('zero'));

        self::assertNull($elimination->solve()->volts('x'));
        self::assertNull($elimination->solve()->volts('y'));
        self::assertEqualsWithDelta(10.0, $elimination->solve()->volts('a')?->re, 1e-12);
        $ports = $elimination->ports([$network->node('x'), $network->node('a')]);
        self::assertNull($ports->volts()[$network->node('x')]);
        $ports->join($network->node('x'), $network->node('a'), 1e-6);
        self::assertEqualsWithDelta(10.0, $ports->volts()[$network->node('x')]?->re, 1e-9);
    }

    public function testAnIdealLinkIsOneNodeAndAShortedElementCarriesNothing(): void
    {
        $network = (new NetworkBuilder())
            ->source('source', 'zero', 'a', new Complex(10.0), 2.0)
            ->link('a', 'b')
            ->resistor('shorted', 'a', 'b', 7.0)
            ->resistor('load', 'b', 'zero', 3.0)
            ->build();

        self::assertSame($network->node('a'), $network->node('b'));
        self::assertNull($network->branch('shorted'));
        self::assertEqualsWithDelta(6.0, Elimination::of($network, $network->node('zero'))->solve()->volts('b')?->re, 1e-12);
    }

    public function testWhatIsNotPassiveIsRefused(): void
    {
        $this->expectException(\InvalidArgumentException::class);
        $this->expectExceptionMessage('"bad"');
        (new NetworkBuilder())->resistor('bad', 'a', 'b', 0.0);
    }

    public function testASourceWithNowhereToDriveItsCurrentIsAnError(): void
    {
        $network = (new NetworkBuilder())->resistor('r', 'zero', 'a', 1.0)->build();
        $lone = new Network(3, $network->from, $network->to, $network->yRe, $network->yIm, $network->jRe, $network->jIm, $network->nodes + ['c' => 2], $network->elements, $network->incident + [2 => []]);
        self::assertNull(Elimination::of($lone, 0)->solve()->volts('c'));
        $this->expectException(NumericalError::class);
        // Two nodes joined only to each other, and 1 A driven into the pair from outside: no branch can carry it away.
        $pair = (new NetworkBuilder())->resistor('r', 'zero', 'a', 1.0)->resistor('s', 'c', 'd', 1.0)->build();
        $driven = $pair->drivenBetween($pair->node('zero'), $pair->node('c'));
        $cut = new Network($driven->nodeCount, $driven->from, $driven->to, [...\array_slice($driven->yRe, 0, -1), 0.0], $driven->yIm, $driven->jRe, $driven->jIm, $driven->nodes, $driven->elements, $driven->incident);
        Elimination::of($cut, $cut->node('zero'))->solve();
    }

    /** A square grid of contacts with insulation to the datum and a source in a corner. */
    private static function grid(int $side, int $seed): Network
    {
        mt_srand(99 + $seed);
        $builder = new NetworkBuilder();
        for ($i = 0; $i < $side * $side; ++$i) {
            if (0 !== ($i + 1) % $side) {
                $builder->resistor("right$i", "n$i", 'n'.($i + 1), mt_rand(1, 100) / 1000.0);
            }
            if ($i + $side < $side * $side) {
                $builder->resistor("down$i", "n$i", 'n'.($i + $side), mt_rand(1, 100) / 1000.0);
            }
        }
        $builder->source('source', 'n0', 'n'.($side * $side - 1), new Complex(230.0), 0.1);

        return $builder->build();
    }

    /** Resistances over eight to fourteen decades at random, connected. */
    private static function random(int $seed, int $nodes, int $decades = 11, int $sources = 2): Network
    {
        mt_srand($seed);
        $builder = new NetworkBuilder();
        $builder->node('n0');
        for ($i = 1; $i < $nodes; ++$i) {
            $builder->resistor("tree$i", "n$i", 'n'.mt_rand(0, $i - 1), 10.0 ** mt_rand(-3, $decades));
        }
        for ($i = 0; $i < $nodes; ++$i) {
            $a = mt_rand(0, $nodes - 1);
            $b = mt_rand(0, $nodes - 1);
            if ($a !== $b) {
                $builder->resistor("extra$i", "n$a", "n$b", 10.0 ** mt_rand(-3, $decades));
            }
        }
        $builder->source('one', 'n0', 'n'.($nodes - 1), new Complex(230.0), 0.1);
        2 === $sources && $builder->source('two', 'n1', 'n'.($nodes - 2), new Complex(9.0), 30.0);

        return $builder->build();
    }
}
