<?php

declare(strict_types=1);

namespace YellowProbe\Tests\Fault;

use PHPUnit\Framework\TestCase;
use YellowProbe\Fault\Fault;
use YellowProbe\Fault\FaultCatalogue;
use YellowProbe\Fault\FaultSite;
use YellowProbe\Fault\ResolvedChange;
use YellowProbe\Installation\Excitation;
use YellowProbe\Installation\HouseNetwork;
use YellowProbe\Installation\State;
use YellowProbe\Instrument\Bench;
use YellowProbe\Network\Elimination;
use YellowProbe\Procedure\TestCatalogue;
use YellowProbe\Tests\Houses;

final class CatalogueTest extends TestCase
{
    public function testEveryKindHasUniqueSitesAndSeverities(): void
    {
        $house = Houses::ringAndLights();
        foreach (FaultCatalogue::all() as $slug => $kind) {
            $ids = array_map(static fn (FaultSite $site): string => $site->id, $kind->sites($house));
            self::assertNotEmpty($ids, $slug);
            self::assertSame($ids, array_values(array_unique($ids)), $slug);
            self::assertNotEmpty($kind->severities(), $slug);
            self::assertContains($kind->class(), ['D', 'P', 'I', 'F'], $slug);
        }
    }

    public function testPortsAndTheWholeNetworkGiveTheSameReadingWithEveryFault(): void
    {
        // Two ways to one number: the few ports with the fault joined, and the network rebuilt with it and solved whole.
        $house = Houses::ringAndLights();
        $plan = TestCatalogue::plans($house)['polarity-live:c.front:L-E'];
        $measurement = $plan->measurement;
        $bench = new Bench($house, $measurement->state, $measurement->instrument, $measurement->connection);
        $network = HouseNetwork::build($house, State::resting($house), Excitation::mains());
        foreach (FaultCatalogue::all() as $kind) {
            foreach ($kind->sites($house) as $site) {
                $change = (new Fault($kind, $site, $kind->severities()[0]))->change($house);
                $faulted = ResolvedChange::of($network, $change)->network();
                $solution = Elimination::of($faulted, $faulted->node(HouseNetwork::GROUND))->solve();
                $line = $solution->volts('c.front-L');
                $earth = $solution->volts('c.front-E');
                self::assertNotNull($line);
                self::assertNotNull($earth);
                // A voltmeter of 10 MΩ draws a little: 0.1 V at most on what these cables couple.
                self::assertEqualsWithDelta($line->minus($earth)->modulus(), $bench->read($change)->value, \in_array($kind->slug(), ['open-cpc', 'open-line', 'open-neutral', 'accessory-contact'], true) ? 60.0 : 0.1, $kind->slug().' '.$site->id);
            }
        }
    }

    public function testAnOpenCpcOnARadialTakesTheEarthFromEverythingBeyond(): void
    {
        $house = Houses::ringAndLights();
        $plans = TestCatalogue::plans($house);
        $read = static function (string $plan, string $site) use ($house, $plans): float {
            $measurement = $plans[$plan]->measurement;

            return (new Bench($house, $measurement->state, $measurement->instrument, $measurement->connection))->read(Fault::at($house, 'open-cpc', $site)->change($house))->value;
        };
        self::assertGreaterThan(1e6, $read('r1-r2:l2', 'low-r2/E@1'));
        self::assertLessThan(1.0, $read('r1-r2:l1', 'low-r2/E@1'));
        // A ring still has its other way round: (10 + 40) m broken after the first point reads the long way, no break.
        $sound = $read('r1-r2:a', 'low-r2/E@1');
        $broken = $read('r1-r2:a', 'ring-r1/E@2');
        self::assertLessThan(2.0, $broken);
        self::assertGreaterThan($sound, $broken);
    }

    public function testAPlaceThatDoesNotExistIsNamed(): void
    {
        $this->expectException(\OutOfBoundsException::class);
        $this->expectExceptionMessage('"open-cpc" cannot be at "nowhere"');
        Fault::at(Houses::twoCircuits(), 'open-cpc', 'nowhere');
    }
}
