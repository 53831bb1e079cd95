<?php

declare(strict_types=1);

namespace YellowProbe\Tests\Installation;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use YellowProbe\Installation\Access;
use YellowProbe\Installation\Excitation;
use YellowProbe\Installation\Factors;
use YellowProbe\Installation\House;
use YellowProbe\Installation\HouseError;
use YellowProbe\Installation\HouseNetwork;
use YellowProbe\Installation\Part\PartKinds;
use YellowProbe\Installation\Role;
use YellowProbe\Installation\State;
use YellowProbe\Network\Elimination;
use YellowProbe\Network\Network;

/** Each kind of part alone: its terminals, and the ohms between two of them in each of its states. */
final class PartsTest extends TestCase
{
    /** @return iterable<string, array{array<string, mixed>, array<string, mixed>, bool, string, string, float|null}> part, state, mains, from, to, ohms (null: open) */
    public static function parts(): iterable
    {
        $on = [];
        $off = ['positions' => ['p' => 'off']];
        yield 'main switch closed' => [['kind' => 'main-switch'], $on, true, 'Lin', 'Lout', 0.0004];
        yield 'main switch open, line' => [['kind' => 'main-switch'], $off, true, 'Lin', 'Lout', null];
        yield 'main switch open, neutral' => [['kind' => 'main-switch'], $off, true, 'Nin', 'Nout', null];
        yield 'residual device' => [['kind' => 'residual-device'], $on, true, 'Nin', 'Nout', 0.001];
        yield 'residual device of other make' => [['kind' => 'residual-device', 'poleOhms' => 0.0025], $on, true, 'Lin', 'Lout', 0.0025];
        yield 'breaker of 6 A' => [['kind' => 'breaker', 'ratedAmperes' => 6], $on, true, 'in', 'out', 0.05];
        yield 'breaker of 32 A' => [['kind' => 'breaker', 'ratedAmperes' => 32], $on, true, 'in', 'out', 0.0035];
        yield 'breaker off' => [['kind' => 'breaker', 'ratedAmperes' => 32], $off, true, 'in', 'out', null];
        yield 'RCBO' => [['kind' => 'rcbo', 'ratedAmperes' => 16], $on, true, 'Lin', 'Lout', 0.012];
        yield 'RCBO off, neutral switched' => [['kind' => 'rcbo', 'ratedAmperes' => 16], $off, true, 'Nin', 'Nout', null];
        yield 'RCBO off, neutral solid' => [['kind' => 'rcbo', 'ratedAmperes' => 16, 'switchesNeutral' => false], $off, true, 'Nin', 'Nout', 0.012];
        yield 'five stretches of a bar' => [['kind' => 'bar', 'role' => 'N', 'terminals' => 6], $on, true, 't1', 't6', 0.00025];
        yield 'socket' => [['kind' => 'socket'], $on, true, 'L', 'front-L', 0.01];
        yield 'double socket, from outlet to outlet' => [['kind' => 'socket', 'outlets' => ['left', 'right']], $on, true, 'left-N', 'right-N', 0.02];
        yield 'socket, nothing between its poles' => [['kind' => 'socket'], $on, true, 'L', 'N', null];
        yield 'wall switch on' => [['kind' => 'switch'], $on, true, 'COM', 'L1', 0.005];
        yield 'wall switch off' => [['kind' => 'switch'], $off, true, 'COM', 'L1', null];
        yield 'two-way switch at 1' => [['kind' => 'switch', 'ways' => 2], ['positions' => ['p' => '1']], true, 'COM', 'L1', 0.005];
        yield 'two-way switch at 2' => [['kind' => 'switch', 'ways' => 2], ['positions' => ['p' => '2']], true, 'COM', 'L1', null];
        yield 'two-way switch at 2, other strapper' => [['kind' => 'switch', 'ways' => 2], ['positions' => ['p' => '2']], true, 'COM', 'L2', 0.005];
        // 230² / 60 = 881.67 Ω hot, a fourteenth of it cold, and two contacts of the holder.
        yield 'filament, alight' => [['kind' => 'light', 'watts' => 60], $on, true, 'SL', 'N', 881.677];
        yield 'filament, cold' => [['kind' => 'light', 'watts' => 60], $on, false, 'SL', 'N', 62.986];
        yield 'electronic lamp to a tester' => [['kind' => 'light', 'lamp' => 'led', 'watts' => 9], $on, false, 'SL', 'N', null];
        yield 'lamp out of its holder' => [['kind' => 'light', 'watts' => 60], ['loads' => ['p' => 'out']], false, 'SL', 'N', null];
        yield 'heater on' => [['kind' => 'appliance', 'watts' => 2000], $on, true, 'L', 'N', 26.45];
        yield 'heater off' => [['kind' => 'appliance', 'watts' => 2000], ['loads' => ['p' => 'off']], true, 'L', 'N', null];
        yield 'damp heater, off, line to earth' => [['kind' => 'appliance', 'watts' => 2000, 'leakMegohms' => 0.1], ['loads' => ['p' => 'off']], false, 'L', 'E', 100000.0];
        yield 'damp heater, disconnected' => [['kind' => 'appliance', 'watts' => 2000, 'leakMegohms' => 0.1], ['loads' => ['p' => 'out']], false, 'L', 'E', null];
        yield 'filter to a tester' => [['kind' => 'appliance', 'filterNanofarads' => 10], $on, false, 'L', 'E', null];
        // 1 / (2π · 50 · 10 nF) = 318.3 kΩ of reactance.
        yield 'filter to the mains' => [['kind' => 'appliance', 'filterNanofarads' => 10], $on, true, 'N', 'E', 318309.9];
        yield 'breaker of two poles' => [['kind' => 'two-pole-breaker', 'ratedAmperes' => 32], $on, true, 'in1', 'out1', 0.0035];
        yield 'breaker of two poles, off' => [['kind' => 'two-pole-breaker', 'ratedAmperes' => 32], $off, true, 'in2', 'out2', null];
        yield 'breaker of two poles, from leg to leg' => [['kind' => 'two-pole-breaker', 'ratedAmperes' => 32], $on, true, 'in1', 'in2', null];
        yield 'changeover on the mains' => [['kind' => 'changeover'], $on, true, 'mainL', 'outL', 0.001];
        yield 'changeover on the mains, the other side' => [['kind' => 'changeover'], $on, true, 'otherL', 'outL', null];
        yield 'changeover on the other side' => [['kind' => 'changeover'], ['positions' => ['p' => '2']], true, 'otherN', 'outN', 0.001];
        yield 'changeover off' => [['kind' => 'changeover'], $off, true, 'mainN', 'outN', null];
        yield 'source with its own link' => [['kind' => 'source', 'link' => 'always'], $on, true, 'N', 'E', 0.005];
        yield 'source without a link' => [['kind' => 'source', 'link' => 'never'], $on, true, 'N', 'E', null];
        yield 'source at rest' => [['kind' => 'source', 'lineOhms' => 0.4], $on, false, 'L', 'N', 0.4];
        yield 'source switched off' => [['kind' => 'source'], $off, true, 'L', 'N', null];
        yield 'residual outlet, face' => [['kind' => 'residual-outlet'], $on, true, 'line-L', 'front-L', 0.015];
        yield 'residual outlet, tripped' => [['kind' => 'residual-outlet'], $off, true, 'line-N', 'load-N', null];
        yield 'residual outlet, tripped, earth stays' => [['kind' => 'residual-outlet'], $off, true, 'E', 'front-E', 0.01];
        yield 'split outlet, line side parted' => [['kind' => 'split-outlet'], $on, true, 'upper-L', 'lower-L', null];
        yield 'split outlet, neutral tab' => [['kind' => 'split-outlet'], $on, true, 'upper-N', 'lower-N', 0.001];
        yield 'split outlet, line tab left in' => [['kind' => 'split-outlet', 'lineTab' => true], $on, true, 'top-L', 'bottom-L', 0.021];
        yield 'split outlet with two neutrals' => [['kind' => 'split-outlet', 'neutralTab' => false], $on, true, 'upper-N', 'lower-N', null];
        yield 'intermediate switch, straight' => [['kind' => 'intermediate-switch'], ['positions' => ['p' => '1']], true, 'A1', 'B1', 0.005];
        yield 'intermediate switch, crossed' => [['kind' => 'intermediate-switch'], ['positions' => ['p' => '2']], true, 'A1', 'B2', 0.005];
        yield 'intermediate switch, crossed, not straight' => [['kind' => 'intermediate-switch'], ['positions' => ['p' => '2']], true, 'A1', 'B1', null];
        yield 'surge device below its volts' => [['kind' => 'surge-device'], $on, true, 'L', 'E', null];
        yield 'functional earth of an RCBO' => [['kind' => 'rcbo', 'ratedAmperes' => 16, 'functionalEarth' => true], $off, true, 'Nin', 'FE', 300e3];
        yield 'electrode' => [['kind' => 'electrode', 'ohms' => 73], $on, true, 'E', '@ground', 73.0];
        yield 'pipe into the ground' => [['kind' => 'metalwork', 'groundOhms' => 12], $on, true, 'E', '@ground', 12.0];
        yield 'structure that is nowhere' => [['kind' => 'metalwork'], $on, true, 'E', '@ground', null];
        // 230²/35 = 1511 Ω hot, a thirteenth of it cold, and the holder.
        yield 'halogen, cold' => [['kind' => 'light', 'lamp' => 'halogen', 'watts' => 35], $on, false, 'SL', 'N', 116.274];
        yield 'neon to a tester' => [['kind' => 'light', 'lamp' => 'neon', 'watts' => 1], $on, false, 'SL', 'N', null];
        yield 'fluorescent to a tester' => [['kind' => 'light', 'lamp' => 'fluorescent', 'watts' => 36], $on, false, 'SL', 'N', null];
        // 300 W at a power factor of 0.6: 230² · 0.6/300 = 105.8 Ω; its winding for direct current.
        yield 'motor' => [['kind' => 'appliance', 'watts' => 300, 'powerFactor' => 0.6, 'windingOhms' => 20], $on, true, 'L', 'N', 105.8];
        yield 'motor to a tester' => [['kind' => 'appliance', 'watts' => 300, 'powerFactor' => 0.6, 'windingOhms' => 20], $on, false, 'L', 'N', 20.0];
        yield 'electronics to a tester of few volts' => [['kind' => 'appliance', 'watts' => 100, 'electronic' => true], $on, false, 'L', 'N', null];
        yield 'element, off: half of it hangs on the neutral' => [['kind' => 'appliance', 'watts' => 2000, 'element' => true], ['loads' => ['p' => 'off']], true, 'middle', 'N', 13.225];
        yield 'element, off, no way through' => [['kind' => 'appliance', 'watts' => 2000, 'element' => true], ['loads' => ['p' => 'off']], true, 'L', 'N', null];
        yield 'a load of another voltage' => [['kind' => 'appliance', 'watts' => 1000, 'ratedVolts' => 240], $on, true, 'L', 'N', 57.6];
        yield 'junction' => [['kind' => 'junction'], $on, true, 'L', 'N', null];
    }

    /**
     * @param array<string, mixed> $part
     * @param array<string, mixed> $state
     */
    #[DataProvider('parts')]
    public function testWhatIsBetweenTwoTerminals(array $part, array $state, bool $mains, string $from, string $to, ?float $ohms): void
    {
        $network = self::network($part, $state, $mains);
        $a = $network->node("p.$from");
        $b = $network->node(str_starts_with($to, '@') ? $to : "p.$to");
        [$siemens] = Elimination::of($network, $b)->ports([$a])->norton($a);
        if (null === $ohms) {
            self::assertSame(0.0, $siemens->modulus());
        } else {
            self::assertEqualsWithDelta(1.0, $ohms * $siemens->modulus(), 1e-5);
        }
    }

    public function testEveryKindNamesItsTerminalsWithARoleAndAnAccess(): void
    {
        $needs = ['service' => ['system' => 'TT'], 'bar' => ['role' => 'E', 'terminals' => 3]];
        foreach (PartKinds::slugs() as $slug) {
            $house = self::house(['kind' => $slug] + ($needs[$slug] ?? []));
            self::assertNotEmpty($house->terminals, $slug);
            foreach ($house->terminals as $id => $terminal) {
                self::assertSame("p.$terminal->key", $id);
            }
        }
        $socket = self::house(['kind' => 'socket', 'outlets' => ['left', 'right']])->terminals;
        self::assertSame(Access::Front, $socket['p.right-E']->access);
        self::assertSame(Access::CoverOff, $socket['p.E']->access);
        self::assertSame(Role::Earth, $socket['p.right-E']->role);
        self::assertSame(Role::SwitchedLine, self::house(['kind' => 'light'])->terminals['p.SL']->role);
        self::assertSame(Role::Leg2, self::house(['kind' => 'service', 'system' => 'split'])->terminals['p.L2']->role);
    }

    public function testWhatConductsOnlyAboveItsVolts(): void
    {
        $thresholds = static fn (array $part): array => array_map(static fn (array $threshold): array => [$threshold[2], $threshold[3]], self::network($part, [], false)->thresholds);
        self::assertSame([[430.0, 1.0 / 20e3], [430.0, 1.0 / 20e3]], $thresholds(['kind' => 'surge-device']));
        self::assertSame([[390.0, 1.0 / 20e3], [390.0, 1.0 / 20e3]], $thresholds(['kind' => 'surge-device', 'clampVolts' => 390]));
        self::assertSame([[90.0, 1.0 / 200e3]], $thresholds(['kind' => 'light', 'lamp' => 'neon', 'watts' => 1]));
        self::assertSame([[90.0, 1.0 / 100e3]], $thresholds(['kind' => 'appliance', 'watts' => 100, 'electronic' => true]));
        self::assertSame([[60.0, 1.0 / 200e3]], $thresholds(['kind' => 'rcbo', 'ratedAmperes' => 16, 'electronics' => true]));
        self::assertSame([], $thresholds(['kind' => 'light', 'watts' => 60]));
    }

    public function testFactorsStretchWhatTheyName(): void
    {
        $volts = static fn (Factors $factors): float => self::openVolts(self::network(['kind' => 'service', 'system' => 'TN-S', 'outsideVolts' => 2.0], [], true, $factors), 'p.L', 'p.E');
        self::assertEqualsWithDelta(230.0, $volts(new Factors()), 0.01);
        self::assertEqualsWithDelta(230.0 * exp(0.02), $volts(new Factors(['volts' => 0.02])), 0.01);
        $neutral = static fn (Factors $factors): float => self::openVolts(self::network(['kind' => 'service', 'system' => 'TN-S', 'outsideVolts' => 2.0], [], true, $factors), 'p.N', 'p.E');
        self::assertEqualsWithDelta(2.0, $neutral(new Factors()), 0.001);
        self::assertEqualsWithDelta(2.0 * exp(0.5), $neutral(new Factors(['outside' => 0.5])), 0.001);
        $loop = static function (Factors $factors): float {
            $network = self::network(['kind' => 'service', 'system' => 'TN-S', 'lineOhms' => 0.1, 'protectiveOhms' => 0.4], [], true, $factors);
            [$siemens] = Elimination::of($network, $network->node('p.E'))->ports([$network->node('p.L')])->norton($network->node('p.L'));

            return 1.0 / $siemens->modulus();
        };
        self::assertEqualsWithDelta(0.5, $loop(new Factors()), 1e-9);
        self::assertEqualsWithDelta(1.0, $loop(new Factors(['supply' => log(2.0)])), 1e-9);
        self::assertSame(1.0, (new Factors(['load' => 3.0]))->times('leakage'));
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function wrong(): iterable
    {
        yield 'a bar without terminals' => [['kind' => 'bar', 'role' => 'N', 'terminals' => 0], '/parts/p/terminals'];
        yield 'a bar for nothing' => [['kind' => 'bar', 'role' => 'X', 'terminals' => 2], '/parts/p/role'];
        yield 'an earthing nobody knows' => [['kind' => 'service', 'system' => 'IT'], '/parts/p/system'];
        yield 'a negative rating' => [['kind' => 'breaker', 'ratedAmperes' => -6], '/parts/p/ratedAmperes'];
        yield 'a lamp nobody knows' => [['kind' => 'light', 'lamp' => 'gas'], '/parts/p/lamp'];
        yield 'a plug in no socket' => [['kind' => 'appliance', 'pluggedInto' => 'wall.front'], '/parts/p/pluggedInto'];
        yield 'text for a number' => [['kind' => 'appliance', 'watts' => 'many'], '/parts/p/watts'];
    }

    /** @param array<string, mixed> $part */
    #[DataProvider('wrong')]
    public function testAPartThatCannotBeIsRefusedWithItsPlace(array $part, string $path): void
    {
        try {
            self::network($part, [], true);
            self::fail('It was taken.');
        } catch (HouseError $error) {
            self::assertSame($path, $error->path);
            self::assertNotSame('', $error->getMessage());
        }
    }

    private static function openVolts(Network $network, string $a, string $b): float
    {
        $solution = Elimination::of($network, $network->node($b))->solve();

        return $solution->volts($a)?->modulus() ?? \NAN;
    }

    /**
     * @param array<string, mixed> $part
     * @param array<string, mixed> $state
     */
    private static function network(array $part, array $state, bool $mains, Factors $factors = new Factors()): Network
    {
        return HouseNetwork::build(self::house($part), State::fromArray($state), $mains ? Excitation::mains() : Excitation::direct(), $factors);
    }

    /** @param array<string, mixed> $part */
    private static function house(array $part): House
    {
        return House::fromDocument(['format' => House::FORMAT, 'places' => ['here' => ['kind' => 'point']], 'parts' => ['p' => ['place' => 'here'] + $part], 'cables' => [], 'circuits' => []]);
    }
}
