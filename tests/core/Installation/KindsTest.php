<?php

declare(strict_types=1);

namespace YellowProbe\Tests\Installation;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use YellowProbe\Fault\Change;
use YellowProbe\Fault\NewBranch;
use YellowProbe\Installation\House;
use YellowProbe\Installation\HouseDraft;
use YellowProbe\Installation\HouseNetwork;
use YellowProbe\Installation\Protection;
use YellowProbe\Installation\State;
use YellowProbe\Installation\StateChange;
use YellowProbe\Instrument\Bench;
use YellowProbe\Instrument\Connection;
use YellowProbe\Instrument\CurrentPath;
use YellowProbe\Instrument\Instruments;
use YellowProbe\Instrument\Measurement;
use YellowProbe\Instrument\Shown;
use YellowProbe\Instrument\ShownKind;
use YellowProbe\Tests\Houses;

/** Every kind of supply, board, circuit and cable of the trade, each by a figure that belongs to it. */
final class KindsTest extends TestCase
{
    public function testEarthingSystems(): void
    {
        // TN-C-S: 0.06 + 0.06; TN-S: 0.06 + 0.3; TT: 0.06 + 80 + 2 Ω at the incoming terminals.
        foreach (['TN-C-S' => 0.12, 'TN-S' => 0.36, 'TT' => 82.06] as $system => $ohms) {
            self::assertEqualsWithDelta($ohms, $this->read(Houses::twoCircuits($system), 'loop-2-wire', ['service.L', 'service.E'])->value, 2e-3, $system);
        }
    }

    public function testTheOutsideWorldHasAVoltageOfItsOwn(): void
    {
        // TN-S and TT: between neutral and earth at the origin; TN-C-S: between the joined conductor and the ground.
        foreach (['TN-C-S' => [0.0, 3.0], 'TN-S' => [3.0, 0.0], 'TT' => [3.0, 0.0]] as $system => [$neutralEarth, $earthGround]) {
            $house = Houses::with(Houses::twoCircuits($system), 'service', ['outsideVolts' => 3.0]);
            self::assertEqualsWithDelta($neutralEarth, $this->read($house, 'voltmeter-high-z', ['s1.front-N', 's1.front-E'])->value, 0.06, $system);
            self::assertEqualsWithDelta($earthGround, $this->read($house, 'voltmeter-high-z', ['met.t1', HouseNetwork::GROUND])->value, 0.06, $system);
        }
    }

    public function testASplitSupplyHasTwoLegs(): void
    {
        $house = self::quiet('panel-with-multiwire');
        self::assertEqualsWithDelta(120.0, $this->read($house, 'voltmeter-high-z', ['service.L1', 'service.N'])->value, 0.5);
        self::assertEqualsWithDelta(240.0, $this->read($house, 'voltmeter-high-z', ['service.L1', 'service.L2'])->value, 1.0);
        // Equal loads on both legs leave the shared neutral without current; on one leg it carries it all.
        $both = [new StateChange('load', 'counter-l.upper', 'heater'), new StateChange('load', 'counter-r.upper', 'heater')];
        self::assertEqualsWithDelta(0.0, $this->read($house, 'clamp', '+mw-1/N', ...$both)->value, 0.1);
        self::assertGreaterThan(15.0, $this->read($house, 'clamp', '+mw-1/N', $both[0])->value);
        // Two legs of a star: 120 · √3 = 208 V, and equal loads do not cancel: the neutral carries as much as either.
        $star = Houses::with($house, 'service', ['legDegrees' => 120.0]);
        self::assertEqualsWithDelta(207.8, $this->read($star, 'voltmeter-high-z', ['service.L1', 'service.L2'])->value, 1.0);
        $line = $this->read($star, 'clamp', '+mw-1/B', ...$both)->value;
        self::assertEqualsWithDelta($line, $this->read($star, 'clamp', '+mw-1/N', ...$both)->value, 0.03 * $line);
    }

    public function testASecondSourceOnAChangeover(): void
    {
        $house = Houses::backedUp();
        $islanded = new StateChange('set', 'over', '2');
        self::assertEqualsWithDelta(230.0, $this->read($house, 'voltmeter-high-z', ['s1.front-L', 's1.front-N'], $islanded)->value, 1.0);
        self::assertEqualsWithDelta(0.0, $this->read($house, 'voltmeter-high-z', ['s1.front-N', 's1.front-E'], $islanded)->value, 0.1);
        // The generator's 0.5 Ω stands for the street's 0.12.
        $grid = $this->read($house, 'loop-2-wire', ['s1.front-L', 's1.front-N'])->value;
        self::assertEqualsWithDelta($grid - 0.12 + 0.5, $this->read($house, 'loop-2-wire', ['s1.front-L', 's1.front-N'], $islanded)->value, 0.02);
        self::assertEqualsWithDelta(0.0, $this->read($house, 'voltmeter-low-z', ['s1.front-L', 's1.front-N'], new StateChange('set', 'over', 'off'))->value, 0.01);
    }

    public function testAnUnprotectedSideHasANeutralRailOfItsOwn(): void
    {
        $house = (new HouseDraft('Two rails', ['system' => 'TN-S', 'outsideVolts' => 0.0], 2))->direct()->way('cooker', 'Cooker', 'radial', 32)
            ->residualDevice('elu', 'Earth-leakage unit')->way('plugs', 'Plugs', 'radial', 20)
            ->sockets('cooker', [['c', 'Cooker point', 'Kitchen', 8.0]])->sockets('plugs', [['p', 'Plug', 'Kitchen', 8.0]])->house();
        $residual = fn (string $outlet): float => $this->read($house, 'leakage-clamp', '+elu/L', new StateChange('load', $outlet, 'heater'))->value;
        self::assertLessThan(1e-3, $residual('c.front'), 'the unit does not see the unprotected side');
        self::assertGreaterThan(8.0, $residual('p.front'));
        $off = new StateChange('set', 'elu', 'off');
        self::assertEqualsWithDelta(230.0, $this->read($house, 'voltmeter-low-z', ['c.front-L', 'c.front-N'], $off)->value, 1.0);
        self::assertLessThan(1.0, $this->read($house, 'voltmeter-low-z', ['p.front-L', 'p.front-N'], $off)->value);
    }

    public function testAnRcboWithASolidOrASwitchedNeutral(): void
    {
        foreach ([[true, ShownKind::Over], [false, ShownKind::Value]] as [$switched, $kind]) {
            $house = (new HouseDraft('RCBOs', ['system' => 'TN-C-S'], 1))->direct()->rcboWay('one', 'One', 'radial', 16, 'B', $switched)->sockets('one', [['s', 'S', 'Room', 5.0]])->house();
            $shown = $this->read($house, 'low-ohm', ['s.front-N', 's.front-E'], new StateChange('set', 'way1', 'off'));
            self::assertSame($kind, $shown->kind, $switched ? 'open when off' : 'through the link of the supply');
        }
    }

    public function testATimeDelayedDeviceUpstreamAndASubBoard(): void
    {
        $house = self::quiet('rod-and-outbuilding');
        self::assertEqualsWithDelta(230.0, $this->read($house, 'voltmeter-high-z', ['bench.left-L', 'bench.left-N'])->value, 1.5);
        self::assertLessThan(1.0, $this->read($house, 'voltmeter-low-z', ['bench.left-L', 'bench.left-N'], new StateChange('set', 'way1', 'off'))->value, 'the outbuilding hangs on its feed');
        self::assertSame(['shed-feed', 'shed-sockets'], Protection::inLine($house, 'shed-feed'));
        self::assertSame(['shed-feed', 'shed-sockets'], Protection::inLine($house, 'shed-sockets'), 'what feeds it lies in line with it as well');
        self::assertSame('S', $house->parts['rcd']->attributes->string('type', ''));
    }

    public function testAStairLightOnThreeSwitches(): void
    {
        $house = self::threeSwitches();
        foreach ([['1', '1', '1', true], ['2', '1', '1', false], ['1', '2', '1', false], ['2', '2', '1', true], ['1', '1', '2', false], ['2', '1', '2', true], ['1', '2', '2', true], ['2', '2', '2', false]] as [$foot, $middle, $head, $lit]) {
            $volts = $this->read($house, 'voltmeter-low-z', ['stair.lamp-L', 'stair.lamp-N'], new StateChange('set', 'foot', $foot), new StateChange('set', 'middle', $middle), new StateChange('set', 'head', $head))->value;
            self::assertSame($lit, $volts > 200.0, "$foot$middle$head");
        }
    }

    public function testARingASpurAndASpurOnASpur(): void
    {
        // The middle of a ring is a quarter of its two ends; each spur adds its own length. 12 and 9 m of 19.51 mΩ.
        $draft = (new HouseDraft('Ring', ['system' => 'TN-S'], 1))->residualDevice('rcd', 'D')->way('ring', 'Ring', 'ring', 32)
            ->sockets('ring', [['a', 'A', 'R', 20.0]], 20.0)->spur('ring', 'a', 'b', 'B', 'R', 12.0)->spur('ring', 'b', 'c', 'C', 'R', 9.0);
        $house = Houses::bare($draft->document());
        $linked = [new StateChange('set', 'main', 'off'), new StateChange('link', 'way1.out', 'met.t2')];
        $read = fn (string $point): float => $this->read($house, 'low-ohm', ["$point.L", "$point.E"], ...$linked)->value;
        self::assertEqualsWithDelta(10.0 * 0.01951 + 0.001, $read('a'), 1e-4);
        self::assertEqualsWithDelta(22.0 * 0.01951 + 0.001, $read('b'), 1e-4);
        self::assertEqualsWithDelta(31.0 * 0.01951 + 0.001, $read('c'), 1e-4);
    }

    /** @return iterable<string, array{array<string, mixed>, float, string}> attributes, ohms of 20 m, role */
    public static function copper(): iterable
    {
        yield '2.5 mm²' => [['mm2' => 2.5], 0.1482, 'L'];
        yield 'its cpc of 1.5 mm²' => [['mm2' => 2.5, 'cpcMm2' => 1.5], 0.242, 'E'];
        yield '14 AWG' => [['awg' => 14], 0.1658, 'L'];
        yield '12 AWG' => [['awg' => 12], 0.1042, 'N'];
        yield 'imperial 7/.029' => [['imperial' => '7/.029'], 0.118, 'L'];
        yield 'imperial 1/.044' => [['imperial' => '1/.044'], 0.352, 'L'];
        // + 0.4 % a kelvin: × 1.20 at 70 °C
        yield 'at 70 °C' => [['mm2' => 2.5, 'temperatureCelsius' => 70], 0.17784, 'L'];
        yield 'at 0 °C' => [['mm2' => 2.5, 'temperatureCelsius' => 0], 0.13634, 'L'];
        yield 'in the ground' => [['kind' => 'armoured', 'mm2' => 6], 0.0616, 'L'];
        yield 'nothing at all' => [['mm2' => 2.5, 'lengthMetres' => 0], 0.0, 'L'];
    }

    /** @param array<string, mixed> $cable */
    #[DataProvider('copper')]
    public function testCopper(array $cable, float $ohms, string $role): void
    {
        self::assertEqualsWithDelta($ohms, $this->read(self::oneCable($cable), 'low-ohm', ["a.$role", "b.$role"])->value, 1e-5);
    }

    /** @return iterable<string, array{string, float, float}> kind, nF L–E and L–N of 20 m with the third core beside */
    public static function couplings(): iterable
    {
        // C + C'·C''/(C' + C''): flat 100 and 50 pF/m: L–E 2 + 1·2/3 = 2.667, L–N 1 + 2·2/4 = 2.0 nF
        yield 'flat' => ['flat', 2.667e-9, 2.0e-9];
        // steel conduit 100 to earth, armoured 250
        yield 'armoured' => ['armoured', 6.667e-9, 5.0e-9];
    }

    #[DataProvider('couplings')]
    public function testCoresCouple(string $kind, float $lineEarth, float $lineNeutral): void
    {
        $house = self::oneCable(['kind' => $kind, 'mm2' => 2.5]);
        self::assertEqualsWithDelta($lineEarth, $this->read($house, 'capacitance-meter', ['a.L', 'a.E'])->value, 0.35 * $lineEarth);
        self::assertGreaterThan($this->read($house, 'capacitance-meter', ['a.L', 'a.N'])->value, $this->read($house, 'capacitance-meter', ['a.L', 'a.E'])->value);
        self::assertEqualsWithDelta($lineNeutral, $this->read($house, 'capacitance-meter', ['a.L', 'a.N'])->value, 0.35 * $lineNeutral);
    }

    public function testInsulationGoesWithOneOverTheLength(): void
    {
        // 10 GΩ·km: 500 GΩ for 20 m, and by way of the third core 1000 GΩ beside it: 333 GΩ. A tenth of the grade, a tenth.
        $of = fn (float $grade): float => $this->read(self::oneCable(['mm2' => 2.5, 'insulationMegohmKm' => $grade]), 'insulation-tester', ['a.L', 'a.E'])->value;
        self::assertEqualsWithDelta(333.3e9, $of(10000.0), 1e9);
        self::assertEqualsWithDelta(33.3e9, $of(1000.0), 1e8);
    }

    public function testAMetalBoxPipesAndStructureAreParallelPaths(): void
    {
        // TT of 80 Ω beside a structure of 5 Ω: 1/(1/80 + 1/5) = 4.71, the source's electrode 2, line 0.06.
        $document = Houses::worked('TT')->document;
        $house = Houses::with(House::fromDocument($document), 'water', ['groundOhms' => 5.0]);
        self::assertEqualsWithDelta(1.0 / (1.0 / 73.003 + 1.0 / 5.022) + 2.06, $this->read($house, 'loop-2-wire', ['service.L', 'met.t1'])->value, 0.01);
        $path = CurrentPath::of($house, new Measurement(State::resting($house), Instruments::get('loop-2-wire'), Connection::leads('service.L', 'met.t1')))->shares(0.0);
        // I_k = I · G_k / ΣG
        self::assertEqualsWithDelta(73.003 / (73.003 + 5.022), $path['bond/E'], 1e-3);
        self::assertEqualsWithDelta(5.022 / (73.003 + 5.022), $path['earthing/E'], 1e-3);
    }

    public function testASecondBondCarriesAShareOfTheLoad(): void
    {
        $house = Houses::twoCircuits();
        $bond = new Change([], [NewBranch::contact('s1.N', 's1.E', 1e-6)]);
        $measurement = new Measurement(State::resting($house)->after(new StateChange('load', 'load1', 'on')), Instruments::get('clamp'), Connection::around('+one-r1/E'));
        // Neutral 15 m × 7.41 + 5 mΩ against cpc 15 m × 12.10: 0.116/0.298 of 10 A.
        self::assertEqualsWithDelta(3.85, (new Bench($house, $measurement->state, $measurement->instrument, $measurement->connection))->read($bond)->value, 0.1);
    }

    /** A house of the demonstration without the voltage of the outside world. */
    private static function quiet(string $name): House
    {
        return Houses::with(Houses::demo($name), 'service', ['outsideVolts' => 0.0]);
    }

    /** @param list<string>|string $at terminals, or what is clamped */
    private function read(House $house, string $tester, array|string $at, StateChange ...$changes): Shown
    {
        $connection = \is_string($at) ? Connection::around($at) : Connection::leads(...$at);

        return (new Bench($house, State::resting($house)->after(...$changes), Instruments::get($tester), $connection))->read();
    }

    /**
     * A cable of 20 m between two junctions.
     *
     * @param array<string, mixed> $cable
     */
    private static function oneCable(array $cable): House
    {
        $cores = [];
        foreach (['L', 'N', 'E'] as $pole) {
            $cores[$pole] = ['ends' => ["a.$pole", "b.$pole"]];
        }

        return House::fromDocument(['format' => House::FORMAT, 'places' => ['here' => ['kind' => 'point']], 'circuits' => [], 'parts' => ['a' => ['kind' => 'junction', 'place' => 'here'], 'b' => ['kind' => 'junction', 'place' => 'here']], 'cables' => ['run' => $cable + ['kind' => 'flat', 'jointOhms' => 0, 'lengthMetres' => 20, 'cores' => $cores]]]);
    }

    /** A stair light on two two-way switches with an intermediate one in its strappers. */
    private static function threeSwitches(): House
    {
        $document = Houses::ringAndLights()->document;
        \assert(\is_array($document['parts']) && \is_array($document['cables']) && \is_array($document['places']));
        $document['places']['p-middle'] = ['kind' => 'point', 'name' => 'Half landing'];
        $document['parts']['middle'] = ['kind' => 'intermediate-switch', 'place' => 'p-middle', 'name' => 'Middle switch'];
        \assert(\is_array($document['cables']['stair-strappers']));
        $document['cables']['stair-strappers']['cores'] = ['L' => ['ends' => ['foot.L1', 'middle.A1']], 'SL' => ['ends' => ['foot.L2', 'middle.A2']], 'E' => ['ends' => ['foot.E', 'middle.E']]];
        $document['cables']['stair-strappers-2'] = ['cores' => ['L' => ['ends' => ['middle.B1', 'head.L1']], 'SL' => ['ends' => ['middle.B2', 'head.L2']], 'E' => ['ends' => ['middle.E', 'head.E']]]] + $document['cables']['stair-strappers'];

        return House::fromDocument($document);
    }
}
