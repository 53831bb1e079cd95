<?php

declare(strict_types=1);

namespace YellowProbe\Tests\Procedure;

use PHPUnit\Framework\TestCase;
use YellowProbe\Fault\Fault;
use YellowProbe\Installation\House;
use YellowProbe\Instrument\Bench;
use YellowProbe\Instrument\Connection;
use YellowProbe\Instrument\Shown;
use YellowProbe\Procedure\Access;
use YellowProbe\Procedure\Kit;
use YellowProbe\Procedure\Practice;
use YellowProbe\Procedure\TestCatalogue;
use YellowProbe\Procedure\TestPoint;
use YellowProbe\Tests\Houses;

final class TestPointTest extends TestCase
{
    public function testAJointBeforeABoxIsInTheLoopThatIsMeasuredAtTheBox(): void
    {
        $house = Houses::demo('rod-and-outbuilding');
        foreach (['N@2' => ['L-N'], 'L@1' => ['L-N', 'L-E'], 'E@2' => ['L-E']] as $joint => $pairs) {
            $fault = Fault::at($house, 'high-resistance-joint', "pump-1/$joint", 2.5);
            foreach (['L-N', 'L-E'] as $pair) {
                $more = self::read($house, "zs:pump-box:$pair", $fault)->value - self::read($house, "zs:pump-box:$pair")->value;
                self::assertEqualsWithDelta(\in_array($pair, $pairs, true) ? 2.5 : 0.0, $more, 0.01, "$joint $pair");
                self::assertEqualsWithDelta(0.0, self::read($house, "zs:bench.left:$pair", $fault)->value - self::read($house, "zs:bench.left:$pair")->value, 0.01, 'the socket before it knows nothing of it');
            }
        }
        // 14 m of 7.41 mΩ/m and 12.1 mΩ/m and four joints of 2 mΩ more than to the screws of the socket, which has two contacts of 10 mΩ before them.
        self::assertEqualsWithDelta(14 * (0.00741 + 0.0121) + 0.008 - 0.02, self::read($house, 'r1-r2:pump-box')->value - self::read($house, 'r1-r2:bench')->value, 1e-4);
    }

    public function testTheSwitchedLineOfALightIsReadBesideItsLine(): void
    {
        $house = Houses::ringAndLights();
        $broken = Fault::at($house, 'open-line', 'l1-drop/SL@1');
        self::assertEqualsWithDelta(230.0, self::read($house, 'polarity-live:l1:L-N', $broken)->value, 3.0);
        self::assertEqualsWithDelta(230.0, self::read($house, 'polarity-live:l1:SL-N')->value, 3.0);
        self::assertLessThan(60.0, self::read($house, 'polarity-live:l1:SL-N', $broken)->value);
    }

    public function testOnlyWhatIsWiredHasAContactAndTheBoardHasNone(): void
    {
        foreach (Houses::varied() as $house) {
            $ids = [];
            foreach (TestPoint::all($house) as $point) {
                $ids[] = $point->id;
                self::assertNotSame('board', $house->places[$point->part->place]->kind, $point->id);
                self::assertTrue(null !== $point->outlet || 'switch' === $point->part->kind || isset($point->contacts['L']), "$point->id has no line");
                foreach (null === $point->outlet ? $point->contacts : [] as $terminal) {
                    self::assertNotSame([], $house->wiring->landedOn($terminal), $terminal);
                }
            }
            self::assertSame($ids, array_values(array_unique($ids)));
        }
    }

    public function testVoltsAcrossAJointAreItsOhmsTimesTheCurrentOfTheHeater(): void
    {
        $house = Houses::worked();
        $loop = self::read($house, 'zs:s2.front:L-N')->value;
        foreach (['rad-r2/N@1', 'rad-r1/L@2'] as $joint) {
            // 2 kW at 230 V are 26.45 Ω; a sound joint of this house has none.
            $at = str_starts_with($joint, 'rad-r1') ? self::read($house, 'zs:s1.front:L-N')->value : $loop;
            self::assertEqualsWithDelta(0.0, self::read($house, "joint-drop:$joint")->value, 1e-4);
            $fault = Fault::at($house, 'high-resistance-joint', $joint, 0.4);
            self::assertEqualsWithDelta(230.0 * 0.4 / (26.45 + $at + 0.4), self::read($house, "joint-drop:$joint", $fault)->value, 0.02);
            // Of the other end of the same conductor it says that it is sound.
            self::assertLessThan(0.05, self::read($house, 'joint-drop:'.strtr($joint, ['@1' => '@2', '@2' => '@1']), $fault)->value);
        }
        self::assertSame([], array_filter(array_keys(TestCatalogue::plans($house)), static fn (string $id): bool => str_starts_with($id, 'joint-drop:tail-l/L@1')), 'the supply head is sealed');
        self::assertSame(['rad'], TestCatalogue::plans($house)['joint-drop:rad-r2/N@1']->measurement->circuits($house));
    }

    public function testAnOpenJointOfASwitchedLineHasTheVoltsOfTheLampAcrossIt(): void
    {
        $house = Houses::ringAndLights();
        foreach (['SL@1' => ['SL@1' => 230.0, 'SL@2' => 0.0], 'SL@2' => ['SL@1' => 0.0, 'SL@2' => 230.0], 'L@2' => ['L@2' => 230.0, 'SL@1' => 0.0]] as $open => $shown) {
            foreach ($shown as $joint => $volts) {
                self::assertEqualsWithDelta($volts, self::read($house, "joint-drop:l1-drop/$joint", Fault::at($house, 'open-line', "l1-drop/$open"))->value, 4.0, "open at $open, read at $joint");
            }
        }
        // 60 W are 0.26 A: through 2 mΩ half a millivolt.
        self::assertEqualsWithDelta(5e-4, self::read($house, 'joint-drop:l1-drop/SL@1')->value, 2e-4);
    }

    public function testACableLandedOnAnotherTerminalIsNotJoinedToTheOneItLeft(): void
    {
        // The conductor of a neutral on the wrong bar: between it and its own terminal are the volts between the two bars.
        $house = Houses::ringAndLights();
        $fault = Fault::at($house, 'neutral-wrong-bar', 'ring~rcd-b-nbar');
        $across = TestCatalogue::plans($house)['joint-drop:ring-r1/N@1']->measurement;
        $bars = (new Bench($house, $across->state, $across->instrument, Connection::leads('rcd-b-nbar.t1', $across->connection->terminals[1])))->read($fault->change($house))->value;
        self::assertGreaterThan(0.02, $bars);
        // Both legs are there, each with a joint of 2 mΩ; 8.6 A at most.
        self::assertEqualsWithDelta($bars + 0.001 * 8.6, self::read($house, 'joint-drop:ring-r1/N@1', $fault)->value, 0.0086);
        self::assertLessThan(0.02, self::read($house, 'joint-drop:ring-r1/N@1')->value);
    }

    public function testAnAssistantOpensNothingLiveForIt(): void
    {
        $house = Houses::demo('rod-and-outbuilding');
        $assistant = new Practice(Kit::full(), Practice::ASSISTANT);
        foreach (['zs:pump-box:L-N' => false, 'zs:bench.left:L-N' => true, 'joint-drop:bench-1/N@2' => false, 'r1-r2:pump-box' => true] as $id => $may) {
            $plan = TestCatalogue::plans($house)[$id];
            self::assertSame($may, $assistant->allows($house, $plan), $id);
            self::assertSame(!$may || 'r1-r2:pump-box' === $id, [] !== Access::reached($house, $plan->measurement), $id);
        }
    }

    private static function read(House $house, string $test, ?Fault $fault = null): Shown
    {
        $measurement = TestCatalogue::plans($house)[$test]->measurement;

        return (new Bench($house, $measurement->state, $measurement->instrument, $measurement->connection))->read($fault?->change($house));
    }
}
