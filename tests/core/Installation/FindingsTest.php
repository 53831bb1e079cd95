<?php

declare(strict_types=1);

namespace YellowProbe\Tests\Installation;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use YellowProbe\Fault\FaultCatalogue;
use YellowProbe\Installation\Finding;
use YellowProbe\Installation\Findings;
use YellowProbe\Installation\House;
use YellowProbe\Installation\HouseDraft;
use YellowProbe\Installation\HouseError;
use YellowProbe\Installation\HouseNetwork;
use YellowProbe\Installation\State;
use YellowProbe\Installation\StateChange;
use YellowProbe\Instrument\Bench;
use YellowProbe\Procedure\TestCatalogue;
use YellowProbe\Tests\Houses;

/** Odd houses are findings, impossible ones errors with their place, and degenerate ones are solved all the same. */
final class FindingsTest extends TestCase
{
    public function testSoundHousesHaveNone(): void
    {
        foreach ([Houses::worked(), Houses::ringAndLights(), Houses::ringsAndHeater(), Houses::backedUp(), Houses::demo('panel-with-multiwire'), Houses::demo('rod-and-outbuilding')] as $house) {
            self::assertEquals([], Findings::of($house), $house->name);
        }
    }

    /** @return iterable<string, array{\Closure(array<string, mixed>): array<string, mixed>, string, string}> change of the document, pointer, words */
    public static function odd(): iterable
    {
        yield 'a radial joined into a loop' => [self::core('rad-r3', 's2', 'way2.out', 'rcd-nbar.t2', 'met.t3', 'rad'), '/circuits/rad/claim', 'a loop'];
        yield 'a ring that does not come back' => [static fn (array $d): array => array_replace_recursive($d, ['circuits' => ['rad' => ['claim' => 'ring']]]), '/circuits/rad/claim', 'does not come back'];
        yield 'a circuit on two devices' => [self::core('rad-r3', 's2', 'way1.out', 'rcd-nbar.t2', 'met.t3', 'rad'), '/circuits/rad/way', 'on Way 2 and Way 1 at once'];
        yield 'a cable across a ring' => [self::core('bridge', 'a', 'c.L', 'c.N', 'c.E', 'ring'), '/cables/', 'two ways round'];
        yield 'a neutral behind another device' => [static function (array $d): array {
            return array_replace_recursive($d, ['cables' => ['rad-r1' => ['cores' => ['N' => ['ends' => ['main.Nout', 's1.N']]]]]]);
        }, '/circuits/rad', 'its neutral none'];
        yield 'an end that lands nowhere' => [static fn (array $d): array => array_replace_recursive($d, ['cables' => ['rad-r2' => ['cores' => ['E' => ['ends' => ['s1.E', null]]]]]]), '/cables/rad-r2/cores/E/ends/1', 'lands nowhere'];
        yield 'a point without a cable' => [static fn (array $d): array => array_replace_recursive($d, ['parts' => ['lost' => ['kind' => 'socket', 'place' => 'p-s1', 'name' => 'Lost socket']]]), '/parts/lost', 'Lost socket'];
    }

    /** @param \Closure(array<string, mixed>): array<string, mixed> $change */
    #[DataProvider('odd')]
    public function testAnOddHouseIsAFinding(\Closure $change, string $path, string $words): void
    {
        $house = House::fromDocument($change(Houses::worked()->document));
        $found = array_values(array_filter(Findings::of($house), static fn (Finding $finding): bool => str_starts_with($finding->path, $path)));
        self::assertNotSame([], $found);
        self::assertStringContainsString($words, $found[0]->words);
        self::assertNotSame([], TestCatalogue::plans($house), 'and it can be tested');
    }

    /** @return iterable<string, array{\Closure(array<string, mixed>): array<string, mixed>, string, string}> */
    public static function impossible(): iterable
    {
        yield 'a conductor to nowhere' => [static fn (array $d): array => array_replace_recursive($d, ['cables' => ['rad-r2' => ['cores' => ['E' => ['ends' => ['s1.E', 'moon.E']]]]]]), '/cables/rad-r2/cores/E/ends/1', 'moon.E'];
        yield 'a breaker without a bar' => [static function (array $d): array {
            \assert(\is_array($d['cables']));
            unset($d['cables']['way2-feed']);

            return $d;
        }, '/parts/way2', 'land a wire from a bar'];
        yield 'a negative length' => [static fn (array $d): array => array_replace_recursive($d, ['cables' => ['rad-r2' => ['lengthMetres' => ['value' => -3]]]]), '/cables/rad-r2/lengthMetres', '0 or more'];
        yield 'a cable with the id of a part' => [static function (array $d): array {
            \assert(\is_array($d['cables']));
            $d['cables']['s1'] = $d['cables']['rad-r2'];

            return $d;
        }, '/cables/s1', 'id of its own'];
        yield 'a size that is not made' => [static fn (array $d): array => array_replace_recursive($d, ['cables' => ['rad-r2' => ['mm2' => 3.7]]]), '/cables/rad-r2/mm2', 'the sizes are'];
        yield 'a way that is no part' => [static fn (array $d): array => array_replace_recursive($d, ['circuits' => ['rad' => ['way' => 'way9']]]), '/circuits/rad/way', 'way9'];
    }

    /** @param \Closure(array<string, mixed>): array<string, mixed> $change */
    #[DataProvider('impossible')]
    public function testAHouseThatCannotExistIsRefusedWithItsPlaceAndWhatWouldMakeItRight(\Closure $change, string $path, string $words): void
    {
        try {
            $house = House::fromDocument($change(Houses::worked()->document));
            HouseNetwork::build($house, State::resting($house), \YellowProbe\Installation\Excitation::mains());
            self::fail('It was taken.');
        } catch (HouseError $error) {
            self::assertSame($path, $error->path);
            self::assertStringContainsString($words, $error->getMessage());
        }
    }

    /** @return iterable<string, array{House, list<StateChange>}> */
    public static function degenerate(): iterable
    {
        $worked = Houses::worked();
        yield 'every breaker open' => [$worked, [new StateChange('set', 'way1', 'off'), new StateChange('set', 'way2', 'off'), new StateChange('set', 'way3', 'off')]];
        yield 'everything floats' => [$worked, [new StateChange('set', 'main', 'off'), new StateChange('lift', 'earthing/E@1'), new StateChange('lift', 'bond/E@1'), new StateChange('lift', 'tail-n/N@1')]];
        $document = $worked->document;
        \assert(\is_array($document['cables']));
        foreach (array_keys($document['cables']) as $id) {
            \assert(\is_array($document['cables'][$id]));
            $document['cables'][$id]['lengthMetres'] = 0;
        }
        yield 'cables without length' => [House::fromDocument($document), []];
        yield 'one point and no more' => [(new HouseDraft('One', ['system' => 'TT'], 1))->direct()->way('w', 'W', 'radial', 6)->sockets('w', [['s', 'S', 'R', 0.0]])->house(), []];
    }

    /** @param list<StateChange> $changes */
    #[DataProvider('degenerate')]
    public function testDegenerateHousesGiveNumbersOrSayWhyNot(House $house, array $changes): void
    {
        $all = null;
        foreach (FaultCatalogue::all() as $kind) {
            foreach (\array_slice($kind->sites($house), 0, 4) as $site) {
                $change = $kind->change($house, $site, $kind->severities()[0]);
                $all = null === $all ? $change : $all->and($change);
            }
        }
        self::assertNotNull($all);
        foreach (TestCatalogue::plans($house) as $id => $plan) {
            $bench = new Bench($house, $plan->measurement->state->after(...$changes), $plan->measurement->instrument, $plan->measurement->connection);
            self::assertFalse(is_nan($bench->read()->value), $id);
        }
        // Hundreds of faults at once
        $measurement = array_values(array_filter(TestCatalogue::plans($house), static fn ($plan): bool => 'polarity-live' === $plan->procedure->slug()))[0]->measurement;
        $shown = (new Bench($house, $measurement->state->after(...$changes), $measurement->instrument, $measurement->connection))->read($all);
        self::assertFalse(is_nan($shown->value));
    }

    /** @return \Closure(array<string, mixed>): array<string, mixed> one more cable of a circuit, from a point to three terminals */
    private static function core(string $id, string $from, string $line, string $neutral, string $earth, string $circuit): \Closure
    {
        return static fn (array $document): array => array_replace_recursive($document, ['cables' => [$id => ['kind' => 'flat', 'circuit' => $circuit, 'mm2' => 2.5, 'cpcMm2' => 1.5, 'lengthMetres' => 9, 'cores' => ['L' => ['ends' => ["$from.L", $line]], 'N' => ['ends' => ["$from.N", $neutral]], 'E' => ['ends' => ["$from.E", $earth]]]]]]);
    }
}
