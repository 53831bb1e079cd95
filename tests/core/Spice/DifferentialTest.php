<?php

declare(strict_types=1);

namespace YellowProbe\Tests\Spice;

use PHPUnit\Framework\TestCase;
use YellowProbe\Fault\Fault;
use YellowProbe\Fault\FaultCatalogue;
use YellowProbe\Installation\House;
use YellowProbe\Instrument\Bench;
use YellowProbe\Instrument\Measurement;
use YellowProbe\Instrument\PlugInTester;
use YellowProbe\Instrument\Shown;
use YellowProbe\Instrument\ShownKind;
use YellowProbe\Procedure\TestCatalogue;

/**
 * Tester readings of the core against a general circuit simulator on random houses, faults and tests. The netlist comes
 * from a translator that shares no class with the core, so a wrong step from house to network shows as well as a wrong
 * solution.
 *
 * SPICE_CASES and SPICE_SEED run any number of other cases.
 *
 * @phpstan-import-type Hidden from Translator
 * @phpstan-import-type Doc from Translator
 */
final class DifferentialTest extends TestCase
{
    private const CASES = 360;

    protected function setUp(): void
    {
        self::assertTrue(Simulator::isHere(), 'ngspice is missing: bin/test installs it.');
    }

    public function testTesterReadingsAgree(): void
    {
        $cases = (int) (getenv('SPICE_CASES') ?: self::CASES);
        $first = (int) (getenv('SPICE_SEED') ?: 1);
        $seen = [];
        for ($seed = $first; $seed < $first + $cases; ++$seed) {
            [$house, $measurement, $fault, $test] = self::case($seed);
            $own = self::own($house, $measurement, $fault);
            $other = self::simulated($house->document, $measurement, $fault);
            $words = "seed $seed: $test".(null === $fault ? '' : ' with '.$fault->kind->slug().' at '.$fault->site->id.", {$fault->ohms} Ω");
            self::assertAgree($own, $other, $measurement, $words);
            $seen[(null === $fault ? 'sound' : $fault->kind->slug()).' '.$measurement->instrument->slug()] = true;
        }
        if ($cases >= self::CASES) {
            foreach (array_keys(FaultCatalogue::all()) as $kind) {
                foreach (['leakage-clamp', 'loop-2-wire', 'low-ohm', 'insulation-tester', 'voltmeter-high-z', 'plug-in-tester'] as $instrument) {
                    self::assertArrayHasKey("$kind $instrument", $seen, 'no case had this fault with this tester');
                }
            }
        }
    }

    public function testAWrongHouseIsCaught(): void
    {
        // The same comparison with the simulator's house spoilt: two cores swapped, a joint dropped, a switch forgotten.
        $caught = ['swap' => 0, 'drop' => 0, 'forget' => 0];
        for ($seed = 1000; $seed < 1024; ++$seed) {
            [$house, $measurement, $fault] = self::case($seed);
            $own = self::own($house, $measurement, $fault);
            foreach (array_keys($caught) as $mutation) {
                try {
                    $caught[$mutation] += self::agree($own, self::simulated(self::spoilt($house->document, $mutation), $measurement, $fault), $measurement) ? 0 : 1;
                } catch (\RuntimeException) {
                    ++$caught[$mutation]; // the spoilt house could not be solved at all
                }
            }
        }
        foreach ($caught as $mutation => $count) {
            self::assertGreaterThanOrEqual(3, $count, "$mutation was noticed in too few cases");
        }
    }

    /** @return array{House, Measurement, Fault|null, string} */
    private static function case(int $seed): array
    {
        $random = new RandomHouse($seed);
        $house = House::fromDocument($random->document());
        $plans = TestCatalogue::plans($house);
        $byKind = [];
        foreach ($plans as $id => $plan) {
            $byKind[$plan->measurement->instrument->slug()][] = $id;
        }
        // Testers and faults in turn, so that each meets each; places by chance.
        $testers = array_keys($byKind);
        sort($testers);
        $test = $random->one($byKind[$testers[$seed % \count($testers)]]);
        $kinds = array_values(FaultCatalogue::all());
        $kind = $kinds[intdiv($seed, \count($testers)) % (\count($kinds) + 1)] ?? null;
        $sites = $kind?->sites($house) ?? [];
        $fault = null === $kind || [] === $sites ? null : new Fault($kind, $random->one($sites), $random->one($kind->severities() ?: [0.0]));

        return [$house, $plans[$test]->measurement, $fault, $test];
    }

    private static function own(House $house, Measurement $measurement, ?Fault $fault): Shown
    {
        return (new Bench($house, $measurement->state, $measurement->instrument, $measurement->connection))->read($fault?->change($house));
    }

    /**
     * What the simulator says the tester shows: value, or the three lamps' volts.
     *
     * @param array<string, mixed> $document
     *
     * @return array{float, list<float>, float} value, lamps, open-circuit volts
     */
    private static function simulated(array $document, Measurement $measurement, ?Fault $fault): array
    {
        /** @var Doc $document */
        $slug = $measurement->instrument->slug();
        $mains = $measurement->instrument->excitation()->isMains();
        $state = $measurement->state->toArray();
        $hidden = null === $fault ? null : ['kind' => $fault->kind->slug(), 'things' => $fault->site->things, 'ohms' => $fault->ohms];
        if ('leakage-clamp' === $slug) {
            return [self::clamped($document, $state, $hidden, $measurement), [], 0.0];
        }
        $translator = new Translator($document, $state, $hidden, $mains);
        $leads = array_map($translator->touch(...), $measurement->connection->terminals);
        $netlist = $translator->netlist;
        $volts = array_map($netlist->volts(...), $leads);
        if ('plug-in-tester' === $slug) {
            foreach ([[0, 1], [0, 2], [1, 2]] as [$a, $b]) {
                $netlist->resistor($leads[$a], $leads[$b], 150e3);
            }
            $read = Simulator::run($netlist, 50.0, $volts);

            return [0.0, [self::apart($read, $volts[0], $volts[1]), self::apart($read, $volts[0], $volts[2]), self::apart($read, $volts[1], $volts[2])], 0.0];
        }
        if (str_starts_with($slug, 'voltmeter')) {
            $netlist->resistor($leads[0], $leads[1], 'voltmeter-low-z' === $slug ? 200e3 : 10e6);

            return [self::apart(Simulator::run($netlist, 50.0, $volts), $volts[0], $volts[1]), [], 0.0];
        }
        $open = $mains ? self::apart(Simulator::run($netlist, 50.0, $volts), $volts[0], $volts[1]) : 0.0;
        $netlist->quiet();
        $netlist->drive($leads[0], $leads[1], 1e-3);

        return [self::apart(Simulator::run($netlist, $mains ? 50.0 : 0.0, $volts), $volts[0], $volts[1]) / 1e-3, [], $open];
    }

    /**
     * The sum of the currents in the embraced conductors where they leave the board, outward.
     *
     * @param Doc                                                                                                                           $document
     * @param array{positions: array<string, string>, lifted: list<string>, links: list<array{string, string}>, loads: array<string, string>} $state
     * @param Hidden|null                                                                                                                   $hidden
     */
    private static function clamped(array $document, array $state, ?array $hidden, Measurement $measurement): float
    {
        $ends = [];
        foreach ($measurement->connection->around as $signed) {
            $element = substr($signed, 1);
            if (str_contains($element, '@')) {
                continue; // the leak of the cable's own end: an ammeter before the end has it already
            }
            [$owner, $key] = explode('/', $element);
            if (isset($document['cables'][$owner])) {
                $ends["$element@".('+' === $signed[0] ? 1 : 2)] = 1.0;
            } else {
                // A device: the wires that feed it, counted in.
                foreach ($document['cables'] as $id => $cable) {
                    \assert(\is_array($cable['cores']));
                    foreach ($cable['cores'] as $core => $landing) {
                        \assert(\is_array($landing) && \is_array($landing['ends']));
                        if ("$owner.{$key}in" === $landing['ends'][1]) {
                            $ends["$id/$core@2"] = -1.0;
                        }
                    }
                }
            }
        }
        $translator = new Translator($document, $state, $hidden, true, array_keys($ends));
        $print = [];
        foreach ($ends as $end => $sign) {
            $vector = $translator->ammeter($end);
            if (null !== $vector) {
                $print[$vector] = $sign;
            }
        }
        $re = $im = 0.0;
        foreach (Simulator::run($translator->netlist, 50.0, array_keys($print)) as $vector => [$real, $imaginary]) {
            $re += $print[$vector] * $real;
            $im += $print[$vector] * $imaginary;
        }

        return hypot($re, $im);
    }

    /** @param array<string, array{float, float}> $read */
    private static function apart(array $read, string $a, string $b): float
    {
        [$aRe, $aIm] = $read[$a] ?? [0.0, 0.0];
        [$bRe, $bIm] = $read[$b] ?? [0.0, 0.0];

        return hypot($aRe - $bRe, $aIm - $bIm);
    }

    /** @param array{float, list<float>, float} $other */
    private static function assertAgree(Shown $own, array $other, Measurement $measurement, string $words): void
    {
        self::assertTrue(self::agree($own, $other, $measurement), $words.\sprintf(': own %s %s %s, simulator %s %s, open %s', $own->kind->value, $own->value, implode('/', $own->lamps), $other[0], implode('/', $other[1]), $other[2]));
    }

    /** @param array{float, list<float>, float} $other */
    private static function agree(Shown $own, array $other, Measurement $measurement): bool
    {
        [$value, $lamps, $open] = $other;
        if (ShownKind::Pattern === $own->kind) {
            foreach ($own->lamps as $at => $volts) {
                if (abs($volts - $lamps[$at]) > max(0.001 * $lamps[$at], 0.01)) {
                    return false;
                }
            }

            return PlugInTester::pattern($own) === implode('', array_map(static fn (float $volts): string => $volts >= 150.0 ? '1' : '0', $lamps));
        }
        if (ShownKind::Nothing === $own->kind) {
            // Where nothing joins the leads the simulator has only the tie of its own making between them.
            return $open < 100.5 || $value > 1e11;
        }
        $top = $measurement->instrument->scale()->top();
        if (ShownKind::Over === $own->kind) {
            return $value > 0.999 * $top;
        }
        $least = match ($measurement->instrument->slug()) {
            'low-ohm', 'loop-2-wire' => 1e-3,
            'insulation-tester' => 1.0,
            'leakage-clamp' => 1e-6,
            default => 0.01,
        };

        return abs($own->value - $value) <= max(0.001 * abs($value), $least);
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
            if (!str_ends_with($id, '-r1')) {
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
