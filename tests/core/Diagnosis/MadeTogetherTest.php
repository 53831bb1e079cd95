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
use YellowProbe\Diagnosis\Story;
use YellowProbe\Fault\Fault;
use YellowProbe\Installation\House;
use YellowProbe\Instrument\Bench;
use YellowProbe\Instrument\PatternInstrument;
use YellowProbe\Instrument\ReadingParser;
use YellowProbe\Procedure\TestCatalogue;
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
        self::assertContains(self::PAIR, array_map(static fn (array $two): string => Hypothesis::pair($two[0]->hypothesis, $two[1]->hypothesis, 1.0)->id, $partners));
        foreach ($partners as [$leader, $partner, $severity]) {
            self::assertNotSame($leader, $partner);
            self::assertSame([], array_intersect($leader->hypothesis->site->things ?? [], $partner->hypothesis->site->things ?? []), 'of two in one joint one is no fault');
            self::assertArrayHasKey($severity, $partner->hypothesis->ohms());
        }
        $plain = Ranker::rank(self::space(), self::evidence($house, [['plug-in-check:p-lounge.front', '100'], ['plug-in-check:p-veranda.front', '100']]));
        self::assertSame([], MadeTogether::partners($house, $plain, $named($plain->standings)));
    }

    public function testWhatNothingOnTheListExplainsIsNamed(): void
    {
        $house = Houses::demo('earth-leakage-unit');
        $odd = Ranker::rank(self::space(), self::evidence($house, self::READINGS))->unexplained();
        self::assertContains('plug-in-check:p-lounge.front: read 001', array_map(static fn (Evidence $piece): string => $piece->words(), $odd));
        self::assertSame(array_unique(array_column($odd, 'where')), array_column($odd, 'where'), 'once, though it was read twice');
        self::assertSame([], Ranker::rank(self::space(), self::evidence($house, [['plug-in-check:p-lounge.front', '110'], ['plug-in-check:p-veranda.front', '110']]))->unexplained());
    }

    /**
     * @param list<array{string, string}> $readings test, what was typed
     *
     * @return list<Evidence>
     */
    private static function evidence(House $house, array $readings): array
    {
        $evidence = [];
        foreach ($readings as $at => [$test, $typed]) {
            $measurement = TestCatalogue::plans($house)[$test]->measurement;
            $evidence[] = new Evidence((string) $at, $measurement, ReadingParser::parse($typed, $measurement->instrument), static fn (): PredictionTable => Predictor::table($house, $measurement, self::space()), $test);
        }

        return $evidence;
    }

    /** @return non-empty-list<Hypothesis> */
    private static function space(): array
    {
        return HypothesisSpace::of(Houses::demo('earth-leakage-unit'), Houses::rates(), new Story(['tingle']));
    }
}
