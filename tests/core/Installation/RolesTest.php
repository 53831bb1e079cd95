<?php

declare(strict_types=1);

namespace YellowProbe\Tests\Installation;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use YellowProbe\Diagnosis\Liveness;
use YellowProbe\Diagnosis\Ranking;
use YellowProbe\Fault\FaultCatalogue;
use YellowProbe\Installation\BoardEnds;
use YellowProbe\Installation\House;
use YellowProbe\Installation\State;
use YellowProbe\Installation\StateChange;
use YellowProbe\Instrument\Bench;
use YellowProbe\Procedure\TestCatalogue;
use YellowProbe\Procedure\TestPlan;
use YellowProbe\Safety\IsolationScope;
use YellowProbe\Safety\Pair;
use YellowProbe\Tests\Houses;

/** A core is what its role says, whatever its key is: tests, readings and places of faults are those of the same house. */
final class RolesTest extends TestCase
{
    /** Every so many tests are read; of a large house fewer. */
    private const READ = 40;

    /** @return iterable<string, array{string}> */
    public static function houses(): iterable
    {
        foreach (['demo/houses/wicket-lane', 'demo/houses/panel-with-multiwire', 'demo/houses/rod-and-outbuilding', 'demo/houses/earth-leakage-unit', 'demo/houses/split-board-borrowed-neutral', 'demo/bench/house-150', 'demo/bench/house-370', 'demo/bench/house-900', 'demo/bench/house-1800'] as $file) {
            yield $file => [$file];
        }
    }

    #[DataProvider('houses')]
    public function testNothingHangsOnTheKeysOfCores(string $file): void
    {
        $document = self::document($file);
        $house = House::fromDocument($document);
        $renamed = House::fromDocument(self::renamed($document, 17));
        self::assertNotSame(array_keys(array_values($house->cables)[0]->cores), array_keys(array_values($renamed->cables)[0]->cores));
        $plans = TestCatalogue::plans($house);
        $same = TestCatalogue::plans($renamed);
        self::assertSame(array_keys($plans), array_keys($same), 'tests are named by roles');
        foreach (array_keys($plans) as $at => $id) {
            if (0 === $at % max(1, intdiv(\count($plans), self::READ))) {
                self::assertSame(self::read($house, $plans[$id]), self::read($renamed, $same[$id]), $id);
            }
        }
        foreach (FaultCatalogue::all() as $slug => $kind) {
            self::assertCount(\count($kind->sites($house)), $kind->sites($renamed), $slug);
        }
    }

    public function testEveryLegOfAMultiwireCircuitIsTested(): void
    {
        $house = Houses::demo('panel-with-multiwire');
        $ids = array_keys(TestCatalogue::plans($house));
        foreach (['L1–N', 'L1–E', 'L2–N', 'L2–E', 'N–E', 'L1–L2'] as $pair) {
            self::assertContains("insulation:kitchenette:$pair", $ids);
        }
        self::assertContains('polarity-live:kitchenette:L1-L2', $ids);
        $links = static fn (string $id): array => TestCatalogue::plan($house, $id)->measurement->state->links;
        self::assertSame([['ebar.t3', 'tie.out1']], $links('r1-r2:counter-l'));
        self::assertSame([['ebar.t3', 'tie.out2']], $links('r1-r2:counter-r'), 'the leg that the point hangs on is linked');
        $scope = array_map(static fn (Pair $pair): string => $pair->id, IsolationScope::pairs($house, $house->parts['main']->place));
        self::assertContains('main.out1|main.out2', $scope);
    }

    public function testAClampAroundAllOfABalancedMultiwireBranchReadsWhatItLeaks(): void
    {
        // 15.9 A was predicted for a sound house: two legs under keys of their own were left out of the jaw.
        $house = Houses::demo('panel-with-multiwire');
        $on = State::resting($house)->after(new StateChange('load', 'counter-l.upper', State::HEATER));
        $plan = TestCatalogue::plan($house, 'residual-clamp:kitchenette');
        self::assertLessThan(0.005, (new Bench($house, $on, $plan->measurement->instrument, $plan->measurement->connection))->read()->value);
    }

    public function testABalancedSplitSupplyWithNothingFromOutsideIsSolved(): void
    {
        // Its neutral stands at the rounding of 120 V, and no more.
        $document = self::document('demo/houses/panel-with-multiwire');
        self::assertIsArray($document['parts']);
        self::assertIsArray($document['parts']['service']);
        $document['parts']['service']['outsideVolts'] = 0;
        $house = House::fromDocument($document);
        $on = State::resting($house)->after(new StateChange('load', 'counter-l.upper', State::HEATER), new StateChange('load', 'counter-r.upper', State::HEATER));
        foreach (['polarity-live:counter-l.upper:L-N', 'polarity-live:counter-r.upper:L-N'] as $id) {
            $plan = TestCatalogue::plan($house, $id);
            self::assertEqualsWithDelta(119.0, (new Bench($house, $on, $plan->measurement->instrument, $plan->measurement->connection))->read()->value, 2.0);
        }
        self::assertNotSame([], Liveness::of($house, $on, new Ranking([], [])));
    }

    public function testTheLineThatFeedsAPointIsReadOffTheWiring(): void
    {
        $house = Houses::demo('panel-with-multiwire');
        self::assertSame('tie.out2', BoardEnds::lineFeeding($house, 'kitchenette', 'counter-r.lower-L'));
        self::assertSame('way3.out', BoardEnds::lineFeeding($house, 'den-lights', 'den.upper-L'), 'through the switch');
    }

    /** @return array<string, mixed> */
    private static function document(string $file): array
    {
        /** @var array<string, mixed> $document */
        $document = json_decode((string) file_get_contents(__DIR__."/../../../$file.json"), true, 64, \JSON_THROW_ON_ERROR);

        return $document;
    }

    /**
     * The same house with other names for its cores, their order and roles kept.
     *
     * @param array<string, mixed> $document
     *
     * @return array<string, mixed>
     */
    private static function renamed(array $document, int $seed): array
    {
        mt_srand($seed);
        $json = json_encode($document, \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE | \JSON_PRESERVE_ZERO_FRACTION);
        self::assertIsArray($document['cables']);
        foreach ($document['cables'] as $id => $cable) {
            self::assertIsArray($cable);
            self::assertIsArray($cable['cores']);
            $cores = [];
            foreach ($cable['cores'] as $key => $core) {
                self::assertIsArray($core);
                $new = 'c'.dechex(mt_rand(16, 4095)).\count($cores);
                $cores[$new] = $core + ['role' => $key];
            }
            $document['cables'][$id] = ['cores' => $cores] + $cable;
        }
        self::assertStringNotContainsString('@', $json, 'no demonstration house names a joint at rest; else it has to be renamed too');

        return $document;
    }

    /** @return list<float|string> */
    private static function read(House $house, TestPlan $plan): array
    {
        $shown = (new Bench($house, $plan->measurement->state, $plan->measurement->instrument, $plan->measurement->connection))->read();

        return [$shown->kind->name, $shown->value, ...$shown->levels];
    }
}
