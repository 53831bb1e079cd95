<?php

declare(strict_types=1);

namespace YellowProbe\Tests\Survey;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use YellowProbe\Installation\Attributes;
use YellowProbe\Installation\Findings;
use YellowProbe\Installation\House;
use YellowProbe\Installation\HouseError;
use YellowProbe\Installation\Protection;
use YellowProbe\Installation\State;
use YellowProbe\Installation\StateChange;
use YellowProbe\Instrument\Bench;
use YellowProbe\Instrument\Connection;
use YellowProbe\Instrument\Instruments;
use YellowProbe\Survey\Sheet;
use YellowProbe\Survey\SurveyCatalogue;
use YellowProbe\Survey\SurveyedHouse;

final class SurveyTest extends TestCase
{
    /** @return iterable<string, array{string, string}> */
    public static function patterns(): iterable
    {
        foreach (['A', 'B', 'C'] as $ruleSet) {
            foreach (self::catalogue()->patterns($ruleSet) as $pattern) {
                yield "$ruleSet, {$pattern['slug']}" => [$ruleSet, $pattern['slug']];
            }
        }
    }

    #[DataProvider('patterns')]
    public function testEveryPatternWithEverythingItMayFeedIsASoundHouse(string $ruleSet, string $slug): void
    {
        $catalogue = self::catalogue();
        $pattern = array_values(array_filter($catalogue->patterns($ruleSet), static fn (array $one): bool => $slug === $one['slug']))[0];
        $feeds = array_values($catalogue->feeds($ruleSet));
        self::assertSame(\count($feeds), \count(array_unique(array_map(static fn ($one): string => $one->key, $feeds))), 'a letter for each');
        $ways = [];
        foreach ([...$feeds, $feeds[0]] as $at => $one) {
            $ways[] = ['device' => 'two-pole' === $one->shape ? 'breaker' : $pattern['device'], 'feeds' => $one->slug, 'amperes' => $one->amperes, 'curve' => $one->curve, 'group' => $at < 3 ? 0 : \count($pattern['groups']) - 1];
        }
        $ways[] = ['device' => 'breaker', 'amperes' => 16, 'curve' => $feeds[0]->curve, 'group' => \count($pattern['groups']) - 1];
        $ways[] = ['device' => 'blank', 'group' => \count($pattern['groups']) - 1];
        $surveyed = SurveyedHouse::of('12 Larch Row', Sheet::read(['ruleSet' => $ruleSet, 'groups' => $pattern['groups'], 'ways' => $ways]), $catalogue);
        $house = House::fromDocument($surveyed->document);

        self::assertCount(\count($feeds) + 1, $house->circuits);
        self::assertSame([], array_map(static fn ($finding): string => $finding->words, Findings::of($house)), 'nothing loose, nothing against its claim');
        self::assertSame($ruleSet, $house->ruleSet);
        // Everything switched on, each fixed load and each point has its voltage.
        $state = State::resting($house);
        $volts = 'B' === $ruleSet ? 120.0 : 230.0;
        foreach ($house->partsOfKind('socket') as $socket) {
            self::assertEqualsWithDelta($volts, self::volts($house, $state, "$socket->id.front-L", "$socket->id.front-N"), 0.05 * $volts, $socket->name);
        }
        foreach ($house->partsOfKind('appliance') as $load) {
            $between = str_contains($house->circuits[$house->circuitOfPart($load->id) ?? '']->name, 'two poles') ? 2.0 * $volts : $volts;
            self::assertEqualsWithDelta($between, self::volts($house, $state->after(new StateChange('load', $load->id, 'on')), "$load->id.L", "$load->id.N"), 0.06 * $between, $load->name);
        }
    }

    public function testDevicesGroupsAndPointsComeOutAsTheyWereEntered(): void
    {
        $surveyed = self::surveyed([
            'groups' => [['name' => '', 'milliamps' => 0], ['name' => 'Device A', 'milliamps' => 30, 'type' => 'AC']],
            'ways' => [
                ['device' => 'breaker', 'feeds' => 'cooker', 'amperes' => 32, 'curve' => 'B', 'group' => 0],
                ['device' => 'blank', 'group' => 0],
                ['device' => 'rcbo', 'feeds' => 'ring-low', 'amperes' => 20, 'curve' => 'C', 'group' => 0, 'neutral' => 'unknown', 'points' => 9, 'name' => 'Ring, downstairs'],
                ['device' => 'breaker', 'feeds' => 'ring-low', 'amperes' => 32, 'curve' => 'B', 'group' => 1],
            ],
        ]);
        $house = House::fromDocument($surveyed->document);

        self::assertSame(['Cooker', 'Ring, downstairs', 'Ring, ground floor 2'], array_map(static fn ($circuit): string => $circuit->name, array_values($house->circuits)));
        self::assertSame([1, 3, 4], array_map(static fn ($circuit): int => (int) $circuit->position, array_values($house->circuits)));
        self::assertNull(Protection::residualDevice($house, 'cooker'));
        self::assertSame('way3', Protection::residualDevice($house, 'ring-low')?->id);
        self::assertSame('Device A', Protection::residualDevice($house, 'ring-low-2')?->name);
        self::assertCount(9, array_filter($house->partsOfKind('socket'), static fn ($part): bool => 'ring-low' === $house->circuitOfPart($part->id)));
        self::assertStringContainsString('Way 3: whether its device switches the neutral is not known', implode("\n", $surveyed->open));
        foreach ($house->cables as $cable) {
            if (null !== $cable->circuit) {
                self::assertSame('assumed', $cable->lengthMetres->knowing->value);
            }
        }
    }

    public function testEarthingFromWhatIsSeenByBayes(): void
    {
        $earthing = self::catalogue()->earthing('A');
        // By hand: 0.6·0.9 : 0.3·0.05 : 0.1·0.01 of the joined head alone.
        self::assertEqualsWithDelta(0.54 / (0.54 + 0.015 + 0.001), $earthing->probabilities(['earth-from-neutral'])['TN-C-S'], 1e-12);
        self::assertSame('TT', array_key_first($earthing->probabilities(['rod', 'no-earth-from-supply'])));
        self::assertSame($earthing->probabilities(['rod', 'overhead']), $earthing->probabilities(['overhead', 'rod']));

        $ambiguous = self::surveyed(['evidence' => ['earth-on-sheath', 'label-multiple-earthing']]);
        self::assertStringContainsString('Earthing ambiguous: verify', $ambiguous->open[0]);
        $known = self::surveyed(['evidence' => ['earth-from-neutral', 'ze-low']]);
        self::assertStringNotContainsString('Earthing', $known->open[0]);
        $chosen = self::surveyed(['evidence' => ['earth-from-neutral'], 'system' => 'TT']);
        self::assertStringContainsString('Taken as TT', $chosen->open[0], 'the person may know better, and it says so');
        self::assertSame('TT', House::fromDocument($chosen->document)->parts['service']->attributes->string('system'));
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function wrong(): iterable
    {
        $way = ['device' => 'breaker', 'feeds' => 'cooker', 'amperes' => 32, 'curve' => 'B', 'group' => 0];
        yield 'no such rule set' => [['ruleSet' => 'Q'], '/ruleSet'];
        yield 'no ways' => [['ways' => []], '/ways'];
        yield 'no such thing to feed' => [['ways' => [['feeds' => 'moon'] + $way]], '/ways/0/feeds'];
        yield 'a rating of nothing' => [['ways' => [['amperes' => 0] + $way]], '/ways/0/amperes'];
        yield 'half a point' => [['ways' => [['points' => 2.5] + $way]], '/ways/0/points'];
        yield 'groups mixed' => [['groups' => [['milliamps' => 0], ['milliamps' => 30]], 'ways' => [['group' => 1] + $way, $way]], '/ways/1/group'];
        yield 'no such tick' => [['evidence' => ['tea-leaves']], '/evidence/0'];
        yield 'no such earthing' => [['system' => 'IT'], '/system'];
        yield 'a device nobody makes' => [['ways' => [['device' => 'candle'] + $way]], '/ways/0/device'];
    }

    /** @param array<string, mixed> $sheet */
    #[DataProvider('wrong')]
    public function testWhatIsWrongSaysWhereAndWhatWouldBeRight(array $sheet, string $path): void
    {
        try {
            self::surveyed($sheet);
            self::fail('accepted');
        } catch (HouseError $e) {
            self::assertSame($path, $e->path);
            self::assertNotSame('', $e->getMessage());
        }
    }

    /** @param array<string, mixed> $sheet */
    private static function surveyed(array $sheet): SurveyedHouse
    {
        $sheet += ['ruleSet' => 'A', 'groups' => [['name' => '', 'milliamps' => 0]], 'ways' => [['device' => 'breaker', 'feeds' => 'cooker', 'amperes' => 32, 'curve' => 'B', 'group' => 0]]];

        return SurveyedHouse::of('12 Larch Row', Sheet::read($sheet), self::catalogue());
    }

    private static function volts(House $house, State $state, string $a, string $b): float
    {
        return (new Bench($house, $state, Instruments::get('voltmeter-high-z'), Connection::leads($a, $b)))->read()->value;
    }

    private static function catalogue(): SurveyCatalogue
    {
        /** @var array<string, mixed> $data */
        $data = json_decode((string) file_get_contents(__DIR__.'/../../../config/survey.json'), true, 64, \JSON_THROW_ON_ERROR);

        return new SurveyCatalogue(new Attributes($data, ''));
    }
}
