<?php

declare(strict_types=1);

namespace YellowProbe\Tests\Rules;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use YellowProbe\Installation\House;
use YellowProbe\Installation\HouseDraft;
use YellowProbe\Installation\HouseError;
use YellowProbe\Installation\State;
use YellowProbe\Instrument\ReadingParser;
use YellowProbe\Procedure\Opened;
use YellowProbe\Procedure\Price;
use YellowProbe\Procedure\TestCatalogue;
use YellowProbe\Rules\RuleSet;
use YellowProbe\Tests\Houses;

final class RuleSetTest extends TestCase
{
    /** @return iterable<string, array{string, string, string, string}> test, typed, verdict, part of the working */
    public static function readings(): iterable
    {
        // Ring on B32: 0.95 × 230 / (5 × 32) = 1.366 Ω, cold 1.09 Ω.
        yield 'Zs below 80 %' => ['zs:c.front:L-E', '0.55', 'good', '1.37 Ω'];
        yield 'Zs between 80 % and the limit' => ['zs:c.front:L-E', '1.20', 'doubt', '1.09 Ω'];
        yield 'Zs above' => ['zs:c.front:L-E', '1.40', 'bad', '1.37 Ω'];
        yield 'no loop at all' => ['zs:c.front:L-E', 'OL', 'bad', '1.37 Ω'];
        yield 'voltage' => ['polarity-live:c.front:L-N', '229', 'good', '216 V to 253 V'];
        yield 'voltage low' => ['polarity-live:c.front:L-N', '204', 'bad', '216 V'];
        yield 'neutral to earth as usual' => ['polarity-live:c.front:N-E', '0.8', 'good', '10.0 V'];
        yield 'neutral to earth more than usual' => ['polarity-live:c.front:N-E', '4.1', 'doubt', '10.0 V'];
        yield 'neutral to earth at line' => ['polarity-live:c.front:N-E', '230', 'bad', '10.0 V'];
        yield 'insulation over range' => ['insulation:ring:L–E', '>999', 'good', '1.00 MΩ'];
        yield 'insulation to look into' => ['insulation:ring:L–E', '1.4', 'doubt', '1.00 MΩ'];
        yield 'insulation too low' => ['insulation:ring:L–E', '0.4', 'bad', '1.00 MΩ'];
        yield 'residual with margin' => ['residual-clamp:rcd-a', '2.5', 'good', '30 %'];
        yield 'residual with little margin' => ['residual-clamp:rcd-a', '11', 'doubt', '9.0 mA'];
        yield 'residual that trips' => ['residual-pair:stair:low', '170', 'bad', '15.0 mA'];
        yield 'joined neutrals' => ['neutral-to-neutral:low:up', '0.31', 'bad', 'at least'];
        yield 'lamps right' => ['plug-in-check:c.front', '110', 'good', '110'];
        yield 'lamps reversed' => ['plug-in-check:c.front', '101', 'bad', '101'];
    }

    #[DataProvider('readings')]
    public function testAReadingAgainstItsLimit(string $test, string $typed, string $verdict, string $working): void
    {
        $house = Houses::ringAndLights();
        $measurement = TestCatalogue::plans($house)[$test]->measurement;
        $judgements = self::ruleSet()->judge($house, $measurement, ReadingParser::parse($typed, $measurement->instrument));

        self::assertCount(1, $judgements);
        self::assertSame($verdict, $judgements[0]->verdict->value);
        self::assertStringContainsString($working, $judgements[0]->working);
        self::assertNotSame('', $judgements[0]->source);
    }

    public function testThroughTheGroundTheResidualDeviceSetsTheLimit(): void
    {
        // 50 V / 30 mA = 1667 Ω; above 200 Ω the electrode may be unstable.
        $house = (new HouseDraft('Rod', ['system' => 'TT']))->direct()->rcboWay('one', 'One', 'radial', 16)->sockets('one', [['s', 'S', 'R', 5.0]])->house();
        foreach (['70' => 'good', '350' => 'doubt', '1700' => 'bad', 'OL' => 'bad'] as $typed => $verdict) {
            self::assertSame($verdict, $this->only($house, 'zs:s.front:L-E', (string) $typed));
        }
        self::assertSame('good', $this->only($house, 'polarity-live:s.front:N-E', '6'));
    }

    public function testNoResidualDeviceNoResidualLimit(): void
    {
        $house = (new HouseDraft('Plain', ['system' => 'TN-S']))->direct()->way('one', 'One', 'radial', 16)->sockets('one', [['s', 'S', 'R', 5.0]])->house();
        $measurement = TestCatalogue::plans($house)['residual-clamp:one']->measurement;

        self::assertSame([], self::ruleSet()->judge($house, $measurement, ReadingParser::parse('40', $measurement->instrument)));
    }

    public function testAFictitiousRuleSetLoadsFromDataAlone(): void
    {
        $raw = ['slug' => 'D', 'name' => 'Nowhere', 'classes' => ['P' => 'To be mended'], 'colours' => ['L' => ['drawn' => '#000']], 'limits' => [['name' => 'Volts', 'measures' => ['volts'], 'roles' => ['N', 'L'], 'formula' => 'between', 'parameters' => ['low' => 90, 'high' => 110], 'source' => 'invented']]];
        $set = RuleSet::fromArray($raw);
        $house = Houses::ringAndLights();
        $measurement = TestCatalogue::plans($house)['polarity-live:c.front:L-N']->measurement;

        self::assertSame('bad', $set->judge($house, $measurement, ReadingParser::parse('229', $measurement->instrument))[0]->verdict->value);
        self::assertSame('To be mended', $set->class('P'));
        self::assertSame(['L' => '#000'], $set->colours());
        $raw['limits'][0]['formula'] = 'astrology';
        $this->expectException(HouseError::class);
        $this->expectExceptionMessage('astrology');
        RuleSet::fromArray($raw);
    }

    public function testThePriceOfATestHangsOnTheStateTheHouseIsIn(): void
    {
        $house = Houses::ringAndLights();
        $plans = TestCatalogue::plans($house);
        $now = State::resting($house);
        $dead = $plans['insulation:low:N–E'];

        $price = new Price($house);
        $board = Opened::none()->after($house, $dead);

        self::assertSame(0.5, $price->minutes($now, $plans['plug-in-check:a.front'], Opened::none()));
        // Cover off and on 12, board isolated and restored 8 and 6, and switches, lamps, neutral and the test itself on top.
        self::assertGreaterThan(26.0 + 1.3, $price->minutes($now, $dead, Opened::none()));
        self::assertSame(1.3, $price->minutes($dead->measurement->state, $dead, $board));
        self::assertSame(13.3, $price->minutes($dead->measurement->state, $dead, Opened::none()));
        // Bringing the house back was paid for when it was taken away.
        self::assertEqualsWithDelta(0.5, $price->minutes($dead->measurement->state, $plans['plug-in-check:a.front'], $board), 1e-9);
        // A terminal behind the plate: the socket has to be opened.
        self::assertGreaterThan(8.0, $price->minutes($now, $plans['r1-r2:l1'], Opened::none()) - $price->minutes($now, $plans['r1-r2:c'], Opened::none()) + 8.0);
    }

    private function only(House $house, string $test, string $typed): string
    {
        $measurement = TestCatalogue::plans($house)[$test]->measurement;

        return self::ruleSet()->judge($house, $measurement, ReadingParser::parse($typed, $measurement->instrument))[0]->verdict->value;
    }

    private static function ruleSet(): RuleSet
    {
        /** @var array<string, mixed> $raw */
        $raw = json_decode((string) file_get_contents(__DIR__.'/../../../config/rule-sets/A.json'), true, 16, \JSON_THROW_ON_ERROR);

        return RuleSet::fromArray($raw);
    }
}
