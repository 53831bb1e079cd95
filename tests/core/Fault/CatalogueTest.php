<?php

declare(strict_types=1);

namespace YellowProbe\Tests\Fault;

use PHPUnit\Framework\TestCase;
use YellowProbe\Fault\Fault;
use YellowProbe\Fault\FaultCatalogue;
use YellowProbe\Fault\FaultKind;
use YellowProbe\Fault\FaultNature;
use YellowProbe\Fault\FaultSite;
use YellowProbe\Fault\ResolvedChange;
use YellowProbe\Installation\Excitation;
use YellowProbe\Installation\House;
use YellowProbe\Installation\HouseNetwork;
use YellowProbe\Installation\Supply;
use YellowProbe\Instrument\Bench;
use YellowProbe\Instrument\Voltmeter;
use YellowProbe\Network\Elimination;
use YellowProbe\Procedure\TestCatalogue;
use YellowProbe\Procedure\TestPlan;
use YellowProbe\Tests\Houses;

final class CatalogueTest extends TestCase
{
    public function testEveryKindHasUniqueSitesSomewhere(): void
    {
        $placed = [];
        foreach (Houses::varied() as $house) {
            foreach (FaultCatalogue::all() as $slug => $kind) {
                $ids = array_map(static fn (FaultSite $site): string => $site->id, $kind->sites($house));
                self::assertSame($ids, array_values(array_unique($ids)), $slug);
                $placed[$slug] = ($placed[$slug] ?? false) || [] !== $ids;
            }
        }
        foreach (FaultCatalogue::all() as $slug => $kind) {
            self::assertTrue($placed[$slug], "no house has a place for $slug");
            self::assertContains($kind->class(), ['D', 'P', 'I', 'F'], $slug);
            self::assertSame(FaultNature::Network === $kind->nature(), !$kind->change(...self::first($kind))->leavesNetwork(), "$slug changes the circuit, or says that it does not");
        }
    }

    public function testPortsAndTheWholeNetworkGiveTheSameReadingWithEveryFault(): void
    {
        // Two ways to one number: the few ports with the fault joined, and the network rebuilt with it and eliminated whole.
        foreach (Houses::varied() as $at => $house) {
            $plans = array_filter(TestCatalogue::plans($house), static fn (TestPlan $plan): bool => 'polarity-live' === $plan->procedure->slug());
            $measurement = $plans[array_keys($plans)[$at % \count($plans)]]->measurement;
            $bench = new Bench($house, $measurement->state, $measurement->instrument, $measurement->connection);
            $mains = Excitation::mains(Supply::of($house)->hertz);
            $network = HouseNetwork::build($house, $measurement->state, $mains);
            [$a, $b] = array_map($network->node(...), $measurement->connection->terminals);
            foreach (FaultCatalogue::all() as $kind) {
                foreach (\array_slice($kind->sites($house), 0, 3) as $site) {
                    $change = (new Fault($kind, $site, $kind->severities()[0]))->change($house);
                    $faulted = ResolvedChange::of($network, $change, $mains)->network();
                    $whole = Voltmeter::across(Elimination::of($faulted, $b)->ports([$a]), [$a, $b], 10e6);
                    self::assertEqualsWithDelta($whole, $bench->read($change)->value, 1e-4 + 1e-9 * $whole, $kind->slug().' '.$site->id);
                }
            }
        }
    }

    public function testAnOpenCpcOnARadialTakesTheEarthFromEverythingBeyond(): void
    {
        $house = Houses::ringAndLights();
        $plans = TestCatalogue::plans($house);
        $read = static function (string $plan, string $site) use ($house, $plans): float {
            $measurement = $plans[$plan]->measurement;

            return (new Bench($house, $measurement->state, $measurement->instrument, $measurement->connection))->read(Fault::at($house, str_starts_with($site, 'ring') ? 'ring-open' : 'open-cpc', $site)->change($house))->value;
        };
        self::assertGreaterThan(1e6, $read('r1-r2:l2', 'low-r2/E@1'));
        self::assertLessThan(1.0, $read('r1-r2:l1', 'low-r2/E@1'));
        // A ring still has its other way round: (10 + 40) m broken after the first point reads the long way, no break.
        $sound = $read('r1-r2:a', 'low-r2/E@1');
        $broken = $read('r1-r2:a', 'ring-r1:E');
        self::assertLessThan(2.0, $broken);
        self::assertGreaterThan($sound, $broken);
    }

    public function testAPlaceThatDoesNotExistIsNamed(): void
    {
        $this->expectException(\OutOfBoundsException::class);
        $this->expectExceptionMessage('"open-cpc" cannot be at "nowhere"');
        Fault::at(Houses::twoCircuits(), 'open-cpc', 'nowhere');
    }

    /** @return array{House, FaultSite, float} the first house with a place for a kind */
    private static function first(FaultKind $kind): array
    {
        foreach (Houses::varied() as $house) {
            foreach ($kind->sites($house) as $site) {
                return [$house, $site, $kind->severities()[0]];
            }
        }
        self::fail($kind->slug().' has no place.');
    }
}
