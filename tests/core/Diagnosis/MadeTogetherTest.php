<?php

declare(strict_types=1);

namespace YellowProbe\Tests\Diagnosis;

use PHPUnit\Framework\TestCase;
use YellowProbe\Diagnosis\Evidence;
use YellowProbe\Diagnosis\Hypothesis;
use YellowProbe\Diagnosis\HypothesisSpace;
use YellowProbe\Diagnosis\MadeTogether;
use YellowProbe\Diagnosis\Pairs;
use YellowProbe\Diagnosis\PredictionTable;
use YellowProbe\Diagnosis\Predictor;
use YellowProbe\Diagnosis\Ranker;
use YellowProbe\Diagnosis\Standing;
use YellowProbe\Diagnosis\Stop;
use YellowProbe\Diagnosis\StopAdvice;
use YellowProbe\Diagnosis\Story;
use YellowProbe\Fault\Fault;
use YellowProbe\Installation\House;
use YellowProbe\Instrument\Bench;
use YellowProbe\Instrument\DeviceWatch;
use YellowProbe\Instrument\PatternInstrument;
use YellowProbe\Instrument\ReadingParser;
use YellowProbe\Procedure\TestCatalogue;
use YellowProbe\Procedure\Watched;
use YellowProbe\Tests\Houses;

/** A circuit without an earth, and at one of its sockets line and earth exchanged: line on the earth contact, and nothing on the line's. */
final class MadeTogetherTest extends TestCase
{
    /** Test, and what was typed: the odd one read twice. */
    private const READINGS = [['plug-in-check:p-veranda.front', '100'], ['polarity-live:p-veranda.front:L-E', '0.02'], ['plug-in-check:p-lounge.front', '001'], ['plug-in-check:p-lounge.front', '001'], ['plug-in-check:p-kitchen.front', '100']];
    private const PAIR = 'line-earth-swapped|p-lounge&no-cpc|plugs';

    public function testWhatNeitherMakesAloneIsTheTwoTogether(): void
    {
        $house = Houses::demo('earth-leakage-unit');
        $fault = Fault::at($house, 'line-earth-swapped', 'p-lounge')->change($house)->and(Fault::at($house, 'no-cpc', 'plugs')->change($house));
        $measurement = TestCatalogue::plans($house)['plug-in-check:p-lounge.front']->measurement;
        $tester = $measurement->instrument;
        self::assertInstanceOf(PatternInstrument::class, $tester);
        self::assertSame('001', $tester->pattern((new Bench($house, $measurement->state, $tester, $measurement->connection))->read($fault)));
        $evidence = self::evidence($house, self::READINGS);
        $singles = Ranker::rank(self::space(), $evidence);
        self::assertGreaterThan(0.5, $singles->probability(Hypothesis::ELSE), 'no single shows it');

        $ranking = Pairs::rank($house, self::space(), $evidence);
        self::assertGreaterThan(0.4, $ranking->probability(self::PAIR));
        self::assertContains(self::PAIR, array_map(static fn (Standing $standing): string => $standing->hypothesis->id, \array_slice($ranking->standings, 0, 2)));
        self::assertEqualsWithDelta($ranking->probability(self::PAIR), Pairs::rank($house, array_reverse(self::space()), array_reverse($evidence))->probability(self::PAIR), 1e-9);
    }

    public function testPartnersAreSoughtWhereSomethingIsLeftUnexplainedAndOnlyThen(): void
    {
        $house = Houses::demo('earth-leakage-unit');
        $named = static fn (array $standings): array => array_values(array_filter($standings, static fn (Standing $standing): bool => null !== $standing->hypothesis->kind && !$standing->hypothesis->intermittent));
        $odd = Ranker::rank(self::space(), self::evidence($house, self::READINGS));
        $partners = MadeTogether::partners($house, $odd, $named($odd->standings));
        self::assertContains(self::PAIR, array_map(static fn (array $two): string => Hypothesis::pair($two[0], $two[1], 1.0)->id, $partners));
        foreach ($partners as [$leader, $partner]) {
            self::assertNotSame($leader->id, $partner->id);
            self::assertSame([], array_intersect($leader->site->things ?? [], $partner->site->things ?? []), 'of two in one joint one is no fault');
            self::assertLessThanOrEqual(3, \count($partner->ohms()), 'the severity that suits, and one beside it');
        }
        $plain = Ranker::rank(self::space(), self::evidence($house, [['plug-in-check:p-lounge.front', '100'], ['plug-in-check:p-veranda.front', '100']]));
        self::assertSame([], MadeTogether::partners($house, $plain, $named($plain->standings)));
    }

    public function testABurntJointWithAShortBehindItLeadsAsAnOpenLine(): void
    {
        // The pump's lead is shorted, and the joint before the lounge has become 20 Ω: no breaker trips, and 15 V are left of the supply.
        $house = Houses::demo('earth-leakage-unit');
        $faults = ['appliance-short|pump', 'high-resistance-joint|plugs-r2/L@1'];
        $pair = implode('&', $faults);
        $space = HypothesisSpace::of($house, Houses::rates(), new Story(['part-dead']));
        $evidence = self::evidence($house, [['plug-in-check:p-veranda.front', '000'], ['plug-in-check:p-lounge.front', '000'], ['polarity-live:p-kitchen.front:L-N', '221.4'], ['loop-compare:p-lounge.front', 'no supply'], ['polarity-live:p-lounge.front:L-N', '14.73'], ['polarity-live:p-lounge.front:L-N', '14.7'], ['polarity-live:p-veranda.front:N-E', '4.95']], $space);
        $singles = Ranker::rank($space, $evidence);
        $named = array_values(array_filter($singles->standings, static fn (Standing $standing): bool => null !== $standing->hypothesis->kind));
        self::assertContains('open-line|plugs-r2/L@1', array_map(static fn (Standing $standing): string => $standing->hypothesis->id, \array_slice($named, 0, 6)), 'the joint is among the leaders under the name of an open line');
        self::assertLessThan(1e-3, $singles->probability($faults[0]) + $singles->probability($faults[1]), 'neither leads alone');
        $ranking = Pairs::rank($house, $space, $evidence);
        self::assertGreaterThan(0.15, $ranking->probability($pair), 'one of the two ends of that joint\'s cable');
        self::assertEqualsWithDelta(2 * $ranking->probability($pair), array_sum(array_map(static fn (Standing $standing): float => $standing->probability, \array_slice($ranking->standings, 0, 2))), 0.01, 'nothing is likelier than the two ends');

        // Both put right: what was read before is still held against the two together, and something else is not to blame.
        $mended = array_map(static fn (Hypothesis $one): Hypothesis => $one->after($faults), $space);
        $after = Pairs::rank($house, $mended, [...$evidence, ...self::evidence($house, [['polarity-live:p-lounge.front:L-N', '226.0']], $space, $faults)]);
        self::assertSame($pair, $after->standings[0]->hypothesis->id);
        self::assertTrue($after->standings[0]->hypothesis->isMended());
        self::assertGreaterThan(0.9, $after->standings[0]->probability);
    }

    public function testWhatOnlyASupplyOutOfTheQuestionExplainsIsASlip(): void
    {
        // Line and earth exchanged puts the supply on the earth; 197 V of it are a contact behind, or a supply seven deviations low.
        $house = Houses::demo('rod-and-outbuilding');
        $space = HypothesisSpace::of($house, Houses::rates(), new Story(['overcurrent-trip']));
        $evidence = self::held($house, [['polarity-live:bench.right:N-E', '196.7'], ['polarity-live:bench.right:N-E', '196.5']], $space);
        $singles = Ranker::rank($space, $evidence);
        $named = array_values(array_filter($singles->standings, static fn (Standing $standing): bool => null !== $standing->hypothesis->kind && !$standing->hypothesis->intermittent));
        self::assertContains('line-earth-swapped|bench&line-neutral-fault|pump-box', array_map(static fn (array $two): string => Hypothesis::pair($two[0], $two[1], 1.0)->id, MadeTogether::partners($house, $singles, $named)));
    }

    public function testARepairThatDidNotHelpIsTriedAtTheOtherEndWithASecondFaultBesideIt(): void
    {
        // The earth is open at the near end of the pump's cable, and a leak at its box puts the supply on it; the far end, which explains the readings alone, has been made good.
        $house = Houses::demo('rod-and-outbuilding');
        $space = HypothesisSpace::of($house, Houses::rates(), new Story(['none']));
        $pair = 'line-earth-leak|pump-box&open-cpc|pump-1/E@1';
        $before = self::evidence($house, [['plug-in-check:bench.right', '110'], ['polarity-live:bench.right:L-E', '219.4'], ['polarity-live:bench.right:N-E', '1.78'], ['polarity-live:pump-box:N-E', '217.6'], ['polarity-live:pump-box:L-E', '0.00'], ['zs:pump-box:L-E', 'no supply']], $space);
        self::assertLessThan(0.1, Pairs::rank($house, $space, $before)->probability($pair));
        $mended = array_map(static fn (Hypothesis $one): Hypothesis => $one->after(['open-cpc|pump-1/E@2']), $space);
        $after = Pairs::rank($house, $mended, [...$before, ...self::evidence($house, [['polarity-live:pump-box:L-E', '0.01'], ['polarity-live:pump-box:L-E', '0.01']], $space, ['open-cpc|pump-1/E@2'])]);
        self::assertGreaterThan(0.8, $after->probability($pair));
    }

    /**
     * The readings, and that the devices before them stayed closed.
     *
     * @param non-empty-list<array{string, string}> $readings
     * @param non-empty-list<Hypothesis>            $space
     *
     * @return list<Evidence>
     */
    private static function held(House $house, array $readings, array $space): array
    {
        $evidence = self::evidence($house, $readings, $space);
        foreach (Watched::by($house, $evidence[0]->measurement) as $device => $watch) {
            $evidence[] = new Evidence("held $device", $watch, ReadingParser::parse(DeviceWatch::HOLDS, $watch->instrument), static fn (): PredictionTable => Predictor::table($house, $watch, $space), $device);
        }

        return $evidence;
    }

    public function testWhatNothingOnTheListExplainsIsNamed(): void
    {
        $house = Houses::demo('earth-leakage-unit');
        $ranking = Ranker::rank(self::space(), self::evidence($house, self::READINGS));
        $odd = $ranking->unexplained();
        $words = array_map(static fn (Evidence $piece): string => $piece->words(), $odd);
        self::assertContains('plug-in-check:p-lounge.front: read 001', $words);
        $stop = Stop::advised($ranking, []);
        self::assertSame(StopAdvice::LookAgain, $stop->advice);
        self::assertSame($words, $stop->unexplained, 'that is what is to be looked at');
        self::assertSame(array_unique(array_column($odd, 'where')), array_column($odd, 'where'), 'once, though it was read twice');
        self::assertSame([], Ranker::rank(self::space(), self::evidence($house, [['plug-in-check:p-lounge.front', '110'], ['plug-in-check:p-veranda.front', '110']]))->unexplained());
    }

    /**
     * @param list<array{string, string}>     $readings test, what was typed
     * @param non-empty-list<Hypothesis>|null $space
     * @param list<string>                    $repaired
     *
     * @return list<Evidence>
     */
    private static function evidence(House $house, array $readings, ?array $space = null, array $repaired = []): array
    {
        $evidence = [];
        $space ??= self::space();
        foreach ($readings as $at => [$test, $typed]) {
            $measurement = TestCatalogue::plans($house)[$test]->measurement;
            $evidence[] = new Evidence(\count($repaired).$at, $measurement, ReadingParser::parse($typed, $measurement->instrument), static fn (): PredictionTable => Predictor::table($house, $measurement, $space), $test, repaired: $repaired);
        }

        return $evidence;
    }

    /** @return non-empty-list<Hypothesis> */
    private static function space(): array
    {
        return HypothesisSpace::of(Houses::demo('earth-leakage-unit'), Houses::rates(), new Story(['tingle']));
    }
}
