<?php

declare(strict_types=1);

namespace YellowProbe\Tests\Spice;

use PHPUnit\Framework\TestCase;
use YellowProbe\Device\ResidualLaw;
use YellowProbe\Fault\Fault;
use YellowProbe\Fault\FaultCatalogue;
use YellowProbe\Installation\House;
use YellowProbe\Installation\HouseNetwork;
use YellowProbe\Instrument\Bench;
use YellowProbe\Instrument\ContinuitySounder;
use YellowProbe\Instrument\DeviceWatch;
use YellowProbe\Instrument\HeatInstrument;
use YellowProbe\Instrument\Instruments;
use YellowProbe\Instrument\InsulationTester;
use YellowProbe\Instrument\Measurement;
use YellowProbe\Instrument\ResidualTester;
use YellowProbe\Instrument\Shown;
use YellowProbe\Instrument\ShownKind;
use YellowProbe\Instrument\Unit;
use YellowProbe\Network\Elimination;
use YellowProbe\Procedure\TestCatalogue;
use YellowProbe\Tests\Houses;

/**
 * Tester readings of the core against a general circuit simulator on random houses, faults and tests. The netlist comes
 * from a translator that shares no class with the core, so a wrong step from house to network shows as well as a wrong
 * solution.
 *
 * SPICE_CASES and SPICE_SEED run any number of other cases.
 *
 * @phpstan-import-type Doc from Translator
 */
final class DifferentialTest extends TestCase
{
    private const CASES = 360;
    private const SOUND = 8;

    protected function setUp(): void
    {
        self::assertTrue(Simulator::isHere(), 'ngspice is missing: bin/test installs it.');
    }

    public function testTesterReadingsAgree(): void
    {
        $cases = (int) (getenv('SPICE_CASES') ?: self::CASES);
        $first = (int) (getenv('SPICE_SEED') ?: 1);
        $seen = [];
        $islands = 0;
        for ($seed = $first; $seed < $first + $cases; ++$seed) {
            [$house, $measurement, $fault, $test, $stratum] = self::case($seed);
            $own = self::own($house, $measurement, $fault);
            $other = self::simulated($house->document, $measurement, $fault);
            $words = "seed $seed: $test".(null === $fault ? '' : ' with '.$fault->kind->slug().' at '.$fault->site->id.", {$fault->ohms} Ω");
            self::assertTrue(self::agree($own, $other, $house, $measurement), $words.\sprintf(': own %s %s %s, simulator %s %s, open %s', $own->kind->value, $own->value, implode('/', $own->levels), $other->value, implode('/', $other->parts), $other->open));
            $seen[$stratum ?? 'sound'] = true;
            $seen[$measurement->instrument->slug()] = true;
            $islands += self::hasIslands($house, $measurement) ? 1 : 0;
        }
        if ($cases >= self::CASES) {
            self::assertSame([], array_diff(Strata::all(), array_keys($seen)), 'faults on kinds of circuit that no case had');
            foreach (Instruments::all() as $slug => $instrument) {
                self::assertTrue($instrument instanceof HeatInstrument || str_contains($slug, '-180') || 'rcd-2' === $slug || isset($seen[$slug]) || !self::isPlanned($slug), "no case had $slug");
            }
            self::assertGreaterThanOrEqual(60, $islands, 'cases with conductors that nothing joins to the tester');
        }
    }

    public function testAWrongHouseIsCaught(): void
    {
        // The same comparison with the simulator's house spoilt: two cores swapped, a joint dropped, a supply forgotten.
        $caught = ['swap' => 0, 'drop' => 0, 'forget' => 0, 'conjugate' => 0];
        for ($seed = 1000; $seed < 1060; ++$seed) {
            [$house, $measurement, $fault] = self::case($seed);
            $own = self::own($house, $measurement, $fault);
            foreach (array_keys($caught) as $mutation) {
                try {
                    $other = self::simulated(self::spoilt($house->document, $mutation), $measurement, $fault, 'conjugate' === $mutation);
                    $caught[$mutation] += self::agree($own, $other, $house, $measurement) ? 0 : 1;
                } catch (\RuntimeException) {
                    ++$caught[$mutation]; // the spoilt house could not be solved at all
                }
            }
        }
        foreach ($caught as $mutation => $count) {
            self::assertGreaterThanOrEqual(2, $count, "$mutation was noticed in too few cases");
        }
    }

    /** @return array{House, Measurement, Fault|null, string, string|null} with the stratum */
    private static function case(int $seed): array
    {
        // Every fault on every kind of circuit in turn, and some sound houses; a house is drawn until it has a place for it.
        $strata = Strata::all();
        $stratum = $strata[$seed % (\count($strata) + self::SOUND)] ?? null;
        $kind = null === $stratum ? null : FaultCatalogue::get(explode(' ', $stratum)[0]);
        for ($try = 0; $try < 900; ++$try) {
            $random = new RandomHouse(1000 * $seed + $try);
            $house = House::fromDocument($random->document());
            $sites = null === $kind ? [] : Strata::sites($house, $kind, (string) $stratum);
            if (null === $kind || [] !== $sites) {
                break;
            }
        }
        $plans = TestCatalogue::plans($house);
        $byTester = [];
        foreach ($plans as $id => $plan) {
            if (!$plan->measurement->instrument instanceof HeatInstrument) {
                $byTester[$plan->measurement->instrument->slug()][] = $id;
            }
        }
        ksort($byTester);
        $test = $random->one($byTester[array_keys($byTester)[intdiv($seed, 7) % \count($byTester)]]);
        $fault = null === $kind || [] === $sites ? null : new Fault($kind, $random->one($sites), $random->one($kind->severities()));

        return [$house, $plans[$test]->measurement, $fault, $test, $stratum];
    }

    private static function own(House $house, Measurement $measurement, ?Fault $fault): Shown
    {
        return (new Bench($house, $measurement->state, $measurement->instrument, $measurement->connection))->read($fault?->change($house));
    }

    /** @param array<string, mixed> $document */
    private static function simulated(array $document, Measurement $measurement, ?Fault $fault, bool $conjugated = false): Seen
    {
        /** @var Doc $document */
        $hidden = null === $fault ? null : ['kind' => $fault->kind->slug(), 'things' => $fault->site->things, 'ohms' => $fault->ohms];

        return (new Tester($document, $measurement->state->toArray(), $hidden, $measurement->instrument->slug(), $measurement->connection->terminals, $measurement->connection->around, $conjugated))->read();
    }

    private static function hasIslands(House $house, Measurement $measurement): bool
    {
        $network = HouseNetwork::build($house, $measurement->state, $measurement->instrument->excitation());
        $solution = Elimination::of($network, $network->node(HouseNetwork::GROUND))->solve();

        return [] !== array_filter(array_keys($house->terminals), static fn (string $terminal): bool => null === $solution->volts($terminal));
    }

    private static function isPlanned(string $slug): bool
    {
        foreach (TestCatalogue::plans(Houses::ringAndLights()) as $plan) {
            if ($plan->measurement->instrument->slug() === $slug) {
                return true;
            }
        }

        return false;
    }

    private static function agree(Shown $own, Seen $other, House $house, Measurement $measurement): bool
    {
        $instrument = $measurement->instrument;
        $slug = $instrument->slug();
        if ($instrument instanceof ResidualTester) {
            return self::actsAlike($own, $other, $instrument, self::leastVolts($house), ResidualLaw::of($house->parts[explode('/', substr($measurement->connection->around[0], 1))[0]]));
        }
        if ($instrument instanceof DeviceWatch) {
            $device = $house->parts[explode('/', substr($measurement->connection->around[0], 1))[0]];

            // A breaker of In holds 1.28 In; of an RCBO the simulator's jaw sees the residual only: the line's amps may be more of what opens it, and a fault of the device less, a tenth at least.
            return 'breaker' === $device->kind
                ? abs($own->levels[0] - $other->value / (1.28 * $device->attributes->positive('ratedAmperes', 16.0))) <= max(0.001 * $own->levels[0], 1e-3)
                : $own->levels[0] > 0.999 * $other->value / ResidualLaw::of($device)->tripAmperes / 10.0 - 1e-3;
        }
        if (ShownKind::Pattern === $own->kind) {
            $levels = [] === $other->parts ? [$other->value] : $other->parts;
            foreach ($own->levels as $at => $level) {
                // Sounders hold the logarithm of their ohms.
                $own = $instrument instanceof ContinuitySounder ? 10 ** $level : $level;
                if (abs($own - $levels[$at]) > max(0.001 * $levels[$at], 0.01) && !($own > 1e10 && $levels[$at] > 1e10)) {
                    return false;
                }
            }

            return true;
        }
        if ('leak-locator' === $slug && (ShownKind::Nothing === $own->kind || $other->open > 0.99e6)) {
            return ShownKind::Nothing === $own->kind ? $other->open > 0.99e6 : $other->open < 1.01e6;
        }
        if (ShownKind::Nothing === $own->kind) {
            // Where nothing joins the leads the simulator has only the tie of its own making between them.
            return 'capacitance-meter' === $slug ? abs($other->parts[0] ?? 0.0) > 0.0 : $other->open < 1.005 * self::leastVolts($house) || $other->value > 1e11;
        }
        $top = $instrument->scale()->top();
        if (ShownKind::Over === $own->kind) {
            // Without a way through, the simulator gives what its rounding leaves, of either sign.
            return abs($other->value) > 0.999 * $top;
        }
        $least = match (true) {
            Unit::Ohm === $instrument->unit() && !$instrument instanceof InsulationTester => 1e-3,
            $instrument instanceof InsulationTester => 1.0,
            // Beyond an open changeover the simulator has only the ties of its own making, and what they let through.
            Unit::Ampere === $instrument->unit() => 0.0 === $own->through ? 1e-5 : 1e-6,
            Unit::Farad === $instrument->unit() => 1e-12,
            default => 0.01,
        };

        return abs($own->value - $other->value) <= max(0.001 * abs($other->value), $least);
    }

    /** Below this a loop or residual tester finds no supply: 100 V of 230, 52 V of 120. */
    private static function leastVolts(House $house): float
    {
        return Translator::mainsHertz($house->document) > 55.0 ? 52.2 : 100.05;
    }

    /** What a residual device does, worked out again from its standing residual and the share of the test current it sees. */
    private static function actsAlike(Shown $own, Seen $other, ResidualTester $tester, float $least, ResidualLaw $law): bool
    {
        [$standingRe, $standingIm, $shareRe, $shareIm, $loop] = $other->parts + [0.0, 0.0, 0.0, 0.0, 0.0];
        $sign = str_ends_with($tester->slug(), '-180') ? -1.0 : 1.0;
        $seen = static fn (float $amperes): float => hypot(
            $standingRe + $sign * $amperes * ($shareRe * cos($other->angle) - $shareIm * sin($other->angle)),
            $standingIm + $sign * $amperes * ($shareRe * sin($other->angle) + $shareIm * cos($other->angle)),
        );
        $most = (0.0 === $tester->multiple ? 1.1 : $tester->multiple) * $law->ratedAmperes;
        $possible = $other->open > $least && $loop * $most < 50.0 && $seen(0.0) < $law->tripAmperes;
        if (ShownKind::Nothing === $own->kind || !$possible) {
            // Near an edge either may fall on its side.
            return (ShownKind::Nothing === $own->kind && !$possible) || min(abs($other->open - $least) / $least, abs($loop * $most - 50.0) / 50.0, abs($seen(0.0) - $law->tripAmperes) / $law->tripAmperes) < 0.002;
        }
        if (0.0 === $tester->multiple) {
            for ($low = 0.0, $high = 1.0, $step = 0; $step < 60; ++$step) {
                $middle = ($low + $high) / 2.0;
                $seen($middle) < $law->tripAmperes ? $low = $middle : $high = $middle;
            }

            return ShownKind::Over === $own->kind ? $high > 0.999 * $most : abs($own->value - $high) < 0.001 * $high;
        }
        $trips = $seen($most) >= $law->tripAmperes;
        if (abs($seen($most) / $law->tripAmperes - 1.0) < 1e-3) {
            return true;
        }

        return ShownKind::Over === $own->kind ? !$trips || $law->seconds($seen($most)) > 0.999 * $tester->scale()->top() : $trips && abs($own->value / $law->seconds($seen($most)) - 1.0) < 0.001;
    }

    /**
     * @param array<string, mixed> $document
     *
     * @return array<string, mixed>
     */
    private static function spoilt(array $document, string $mutation): array
    {
        /** @var array<string, array{cores: array<string, array{ends: list<string|null>}>}> $cables */
        $cables = $document['cables'];
        foreach (array_keys($cables) as $id) {
            if (1 !== preg_match('/-r?1$/', $id) || !isset($cables[$id]['cores']['N'], $cables[$id]['cores']['E'])) {
                continue;
            }
            if ('swap' === $mutation) {
                [$cables[$id]['cores']['N']['ends'][1], $cables[$id]['cores']['E']['ends'][1]] = [$cables[$id]['cores']['E']['ends'][1], $cables[$id]['cores']['N']['ends'][1]];
            } elseif ('drop' === $mutation) {
                $cables[$id]['cores']['E']['ends'][0] = null;
            }
        }
        $document['cables'] = $cables;
        if ('forget' === $mutation) {
            /** @var array<string, array<string, mixed>> $parts */
            $parts = $document['parts'];
            foreach ($parts as $id => $part) {
                if ('service' === $part['kind']) {
                    $parts[$id]['lineOhms'] = 2.0;
                    $parts[$id]['volts'] = 200;
                }
            }
            $document['parts'] = $parts;
        }

        return $document;
    }
}
