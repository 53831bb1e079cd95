<?php

declare(strict_types=1);

namespace YellowProbe\Tests\Rules;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use YellowProbe\Installation\House;
use YellowProbe\Installation\HouseDraft;
use YellowProbe\Installation\State;
use YellowProbe\Instrument\Connection;
use YellowProbe\Instrument\Instruments;
use YellowProbe\Instrument\Measurement;
use YellowProbe\Instrument\ReadingParser;
use YellowProbe\Procedure\TestCatalogue;
use YellowProbe\Rules\Measured;
use YellowProbe\Rules\RuleSet;
use YellowProbe\Tests\Houses;

/** The three rule sets as they ship. */
final class RuleSetsTest extends TestCase
{
    /** @return iterable<string, array{string}> */
    public static function sets(): iterable
    {
        yield 'A' => ['A'];
        yield 'B' => ['B'];
        yield 'C' => ['C'];
    }

    #[DataProvider('sets')]
    public function testASetIsWholeAndNamesOnlyWhatThereIs(string $slug): void
    {
        $raw = self::raw($slug);
        $set = RuleSet::fromArray($raw);

        self::assertSame($slug, $set->slug);
        self::assertSame(array_keys(RuleSet::fromArray(self::raw('A'))->words()), array_keys($set->words()), 'every set has a word for the same things');
        foreach (['D', 'P', 'I', 'F'] as $class) {
            self::assertNotSame('', $set->class($class));
        }
        self::assertSame([], array_diff(['L', 'N', 'E', 'SL'], array_keys($set->colours())));
        self::assertNotEmpty($set->cautions());
        $tests = $set->residualTests();
        foreach ([...$tests['required'], ...$tests['diagnostic']] as $setting) {
            self::assertSame($setting, Instruments::get($setting)->slug());
        }
        self::assertIsArray($raw['limits']);
        foreach ($raw['limits'] as $limit) {
            self::assertIsArray($limit);
            self::assertIsString($limit['source']);
            self::assertNotSame('', $limit['source']);
            self::assertIsArray($limit['measures']);
            foreach ($limit['measures'] as $measured) {
                self::assertIsString($measured);
                self::assertNotNull(Measured::tryFrom($measured));
            }
        }
    }

    /** @return iterable<string, array{string, string, string, string, string}> set, test, typed, verdict, part of the working */
    public static function readings(): iterable
    {
        yield 'A, ½ × that holds' => ['A', 'rcd-times:rcd:half', '>2000', 'good', 'must hold'];
        yield 'A, ½ × that opens' => ['A', 'rcd-times:rcd:half', '28', 'bad', 'must hold'];
        yield 'A, 1 × in time' => ['A', 'rcd-times:rcd:1', '28', 'good', 'within 300 ms'];
        yield 'A, 1 × too slow' => ['A', 'rcd-times:rcd:1', '320', 'bad', 'within 300 ms'];
        yield 'A, 1 × never' => ['A', 'rcd-times:rcd:1', '>500', 'bad', 'within 300 ms'];
        yield 'A, 5 × in time, other half-wave' => ['A', 'rcd-times:rcd:5-180', '19', 'good', 'within 40 ms'];
        yield 'A, 5 × too slow' => ['A', 'rcd-times:rcd:5', '46', 'bad', 'within 40 ms'];
        yield 'A, ramp where it should be' => ['A', 'rcd-ramp:rcd:out', '22', 'good', '15.0 to 30.0 mA'];
        yield 'A, ramp low' => ['A', 'rcd-ramp:rcd:out', '13.2', 'bad', '15.0 to 30.0 mA'];
        yield 'A, not possible is no failure' => ['A', 'rcd-times:rcd:1', 'not possible', 'doubt', 'within 300 ms'];
        // 230 V / 0.12 Ω = 1.92 kA; ± (4 % + 4 digits) = 0.045 Ω: 1.4 to 3.1 kA.
        yield 'A, fault current' => ['A', 'ipf:service:L-N', '0.12', 'good', '1.9 kA, 1.4 to 3.1 kA'];
        // 230 / 0.06 = 3.8 kA, but within its error 2.2 to 13.1 kA.
        yield 'A, fault current, poorly known' => ['A', 'ipf:service:L-N', '0.06', 'doubt', '2.2 to 13.1 kA'];
        yield 'A, external loop' => ['A', 'ze:earthing', '0.18', 'good', '0.35'];
        yield 'A, external loop too high' => ['A', 'ze:earthing', '0.41', 'bad', '0.35'];
        yield 'A, volts of the earth terminal' => ['A', 'met-true-earth:resting', '1.2', 'good', '50'];
        yield 'A, volts of the earth terminal to look into' => ['A', 'met-true-earth:resting', '31', 'doubt', '50'];
        yield 'A, danger' => ['A', 'met-true-earth:resting', '112', 'bad', '50'];
        yield 'A, no-trip loop' => ['A', 'loop-compare:s1.front', '0.61', 'good', '2.73'];
        yield 'A, equipment left in' => ['A', 'neutral-to-earth:one', '0.8', 'doubt', '500 kΩ'];
        // 16 A · (0.80 − 0.12 Ω) = 10.9 V of 11.5; with 0.90 Ω 12.5 V.
        yield 'A, voltage drop' => ['A', 'zs:s1.front:L-N', '0.80', 'good', '10.9 V; at most 5 % of 230 V, 11.5 V'];
        yield 'A, voltage drop at the full rating' => ['A', 'zs:s1.front:L-N', '0.90', 'doubt', '12.5 V'];
        yield 'C, volts within ten per cent' => ['C', 'polarity-live:s1.front:L-N', '209', 'good', '207 V to 253 V'];
        yield 'C, the ½ × of an earth-leakage unit' => ['C', 'rcd-times:rcd:half', '>2000', 'good', 'must hold'];
        yield 'C, insulation' => ['C', 'insulation:one:L–E', '0.7', 'bad', '1.00 MΩ'];
    }

    #[DataProvider('readings')]
    public function testWhatASetSays(string $set, string $test, string $typed, string $verdict, string $working): void
    {
        $house = Houses::twoCircuits();
        $this->assertJudged(RuleSet::fromArray(self::raw($set)), $house, TestCatalogue::plans($house)[$test]->measurement, $typed, $verdict, $working);
    }

    public function testASplitSupply(): void
    {
        $set = RuleSet::fromArray(self::raw('B'));
        $house = Houses::demo('panel-with-multiwire');
        $plans = TestCatalogue::plans($house);
        $volts = static fn (string $a, string $b): Measurement => new Measurement(State::resting($house), Instruments::get('voltmeter-high-z'), Connection::leads($a, $b));
        $service = $house->partsOfKind('service')[0]->id;
        $this->assertJudged($set, $house, $volts("$service.L1", "$service.N"), '119', 'good', '110 V to 126 V');
        $this->assertJudged($set, $house, $volts("$service.L1", "$service.N"), '134', 'bad', '126 V');
        $this->assertJudged($set, $house, $volts("$service.L1", "$service.L2"), '238', 'good', '220 V to 252 V');
        // 240 V / 0.03 Ω = 8 kA, within the error of the tester more than 10 kA.
        $this->assertJudged($set, $house, $plans["ipf:$service:L1-L2"]->measurement, '0.03', 'doubt', '8.0 kA');
        $outlet = $house->partsOfKind('residual-outlet')[0]->id;
        // A device for persons: 20/30 to the power 1.43 is 560 ms at 5 × 6 mA; holds below 4 mA.
        $this->assertJudged($set, $house, $plans["rcd-times:$outlet:5"]->measurement, '140', 'good', 'within 560 ms');
        $this->assertJudged($set, $house, $plans["rcd-ramp:$outlet:out"]->measurement, '5.1', 'good', '4.0 to 6.0 mA');
        $this->assertJudged($set, $house, $plans["rcd-ramp:$outlet:out"]->measurement, '3.6', 'bad', '4.0 to 6.0 mA');
    }

    public function testFusesHaveATable(): void
    {
        $draft = (new HouseDraft('Fuses', ['system' => 'TN-S']))->direct()->way('one', 'One', 'radial', 30, 'rewirable')->way('two', 'Two', 'radial', 16, 'cartridge')
            ->sockets('one', [['s', 'S', 'R', 5.0]])->sockets('two', [['t', 'T', 'R', 5.0]]);
        $house = $draft->house();
        $set = RuleSet::fromArray(self::raw('A'));
        $plans = TestCatalogue::plans($house);
        // 1.04 Ω, cold 0.83; 2.30 Ω, cold 1.84.
        $this->assertJudged($set, $house, $plans['zs:s.front:L-E']->measurement, '0.80', 'good', '1.04');
        $this->assertJudged($set, $house, $plans['zs:s.front:L-E']->measurement, '0.95', 'doubt', '0.83');
        $this->assertJudged($set, $house, $plans['zs:t.front:L-E']->measurement, '2.35', 'bad', '2.30');
    }

    public function testADelayedDeviceMustNotOpenTooEarly(): void
    {
        $house = (new HouseDraft('Delayed', ['system' => 'TT']))->residualDevice('rcd', 'Upstream', 100.0, 'S')->way('one', 'One', 'radial', 16)->sockets('one', [['s', 'S', 'R', 5.0]])->house();
        $set = RuleSet::fromArray(self::raw('A'));
        $plans = TestCatalogue::plans($house);
        $this->assertJudged($set, $house, $plans['rcd-times:rcd:1']->measurement, '210', 'good', 'within 500 ms');
        $this->assertJudged($set, $house, $plans['rcd-times:rcd:1']->measurement, '45', 'bad', 'within 500 ms');
        $this->assertJudged($set, $house, $plans['rcd-times:rcd:5']->measurement, '90', 'good', 'within 150 ms');
    }

    public function testAnElectrodeByTheLeastSensitiveDeviceThatReliesOnIt(): void
    {
        $house = self::rod();
        $set = RuleSet::fromArray(self::raw('A'));
        $test = TestCatalogue::plans($house)['electrode-3-spike:rod']->measurement;
        // 50 V / 100 mA = 500 Ω.
        $this->assertJudged($set, $house, $test, '73', 'good', '500 Ω');
        $this->assertJudged($set, $house, $test, '240', 'doubt', '500 Ω');
        $this->assertJudged($set, $house, $test, '620', 'bad', '500 Ω');
    }

    public static function rod(): House
    {
        $document = (new HouseDraft('Rod', ['system' => 'TT']))->residualDevice('rcd', 'Upstream', 100.0, 'S')->rcboWay('one', 'One', 'radial', 16)->sockets('one', [['s', 'S', 'R', 5.0]])->document();
        \assert(\is_array($document['parts']) && \is_array($document['cables']) && \is_array($document['places']));
        $document['places']['garden'] = ['kind' => 'outside', 'name' => 'Garden'];
        $document['parts']['rod'] = ['kind' => 'electrode', 'place' => 'garden', 'name' => 'Rod', 'ohms' => 73];
        $document['cables']['earthing'] = ['kind' => 'board-wire', 'ohms' => 0.02, 'cores' => ['E' => ['ends' => ['met.t1', 'rod.E']]]];

        return House::fromDocument($document);
    }

    private function assertJudged(RuleSet $set, House $house, Measurement $measurement, string $typed, string $verdict, string $working): void
    {
        $judgements = $set->judge($house, $measurement, ReadingParser::parse($typed, $measurement->instrument));
        self::assertCount(1, $judgements, $typed);
        self::assertSame($verdict, $judgements[0]->verdict->value, $judgements[0]->working);
        self::assertStringContainsString($working, $judgements[0]->working);
    }

    /** @return array<string, mixed> */
    private static function raw(string $slug): array
    {
        /** @var array<string, mixed> $raw */
        $raw = json_decode((string) file_get_contents(__DIR__."/../../../config/rule-sets/$slug.json"), true, 16, \JSON_THROW_ON_ERROR);

        return $raw;
    }
}
