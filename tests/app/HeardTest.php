<?php

declare(strict_types=1);

namespace App\Tests;

use App\Call\TradeData;
use PHPUnit\Framework\Attributes\DataProvider;
use YellowProbe\Installation\House;

/** Plain words suggest what of the lists they may be about; what is tapped weighs, and nothing before. */
final class HeardTest extends ApiTestCase
{
    /** @return iterable<string, array{string, list<string>, list<string>}> */
    public static function sayings(): iterable
    {
        yield 'minutes' => ['It goes twelve minutes into the programme.', [], ['onset-after-minutes']];
        yield 'at once is not a reset' => ['The trip resets at once.', ['residual-trip'], ['resets-at-once']];
        yield 'the moment' => ['The fuse goes the moment I touch the switch.', ['overcurrent-trip'], ['onset-at-once']];
        yield 'a nail' => ['We hung a picture with a nail and it is dead.', ['part-dead'], ['hung-or-drilled']];
        yield 'a part of a word is no word' => ['The windowsill is deadly cold, and triplets live here.', [], []];
        yield 'a tingle' => ['The tap bites when it rains.', ['tingle'], ['rain']];
        yield 'nothing' => ['Please have a look.', [], []];
    }

    /**
     * @param list<string> $symptoms
     * @param list<string> $contexts
     */
    #[DataProvider('sayings')]
    public function testWhatWordsMayBeAbout(string $said, array $symptoms, array $contexts): void
    {
        $heard = self::service(TradeData::class)->heard();
        self::assertSame($symptoms, $heard->symptoms($said));
        self::assertSame($contexts, $heard->contexts($said));
    }

    public function testANameMayHoldAnySign(): void
    {
        $house = House::fromDocument(['format' => 'yellow-probe/house/1', 'name' => 'One', 'ruleSet' => 'A', 'places' => ['p' => ['kind' => 'point', 'name' => 'Den']], 'parts' => ['tv' => ['kind' => 'light', 'place' => 'p', 'name' => 'Aerial/TV (old)']], 'cables' => [], 'circuits' => []]);
        self::assertSame(['tv'], self::service(TradeData::class)->heard()->appliances($house, 'When the Aerial/TV (old) is on.'));
        self::assertSame([], self::service(TradeData::class)->heard()->appliances($house, 'When the aerial is on.'));
    }

    public function testEverySlugOfTheWordListIsOneOfTheLists(): void
    {
        $trade = self::service(TradeData::class);
        $words = json_decode((string) file_get_contents(__DIR__.'/../../config/heard.json'), true, flags: \JSON_THROW_ON_ERROR);
        self::assertIsArray($words);
        self::assertSame([], array_diff(array_keys((array) $words['symptoms']), array_keys($trade->rates()->symptoms())));
        self::assertSame([], array_diff(array_keys((array) $words['contexts']), array_keys($trade->rates()->contexts())));
    }

    public function testASuggestionIsTakenByAPersonAndThenWeighs(): void
    {
        $call = $this->demoCall('4 Wicket');
        $suggested = fn (string $typed = ''): array => array_map(static fn (mixed $each): string => self::textAt(self::at((array) $each, 'field')).' '.self::textAt(self::at((array) $each, 'slug')), $this->call('GET', "/api/calls/$call/suggestions?text=".rawurlencode($typed)));
        $text = 'After twenty minutes of the fridge it goes.';
        self::assertContains('onset onset-after-minutes', $suggested($text));
        self::assertContains('running fridge', $suggested($text));
        $share = function () use ($call): float {
            $sum = 0.0;
            foreach ((array) $this->call('GET', "/api/calls/$call/ranking")['suspects'] as $suspect) {
                $suspect = (array) $suspect;
                $probability = $suspect['probability'];
                self::assertIsNumeric($probability);
                $sum += str_starts_with(self::textAt($suspect['id']), 'appliance-leak|fridge') ? (float) $probability : 0.0;
            }

            return $sum;
        };
        $before = $share();
        $told = $this->observe($call, 'told', ['text' => $text, 'onset' => 'onset-after-minutes', 'running' => ['fridge']]);
        self::assertGreaterThan($before, $share());
        self::assertNotContains('running fridge', $suggested());
        self::assertNotContains('onset onset-after-minutes', $suggested());
        $record = (array) $told['record'];
        self::assertSame(['What runs then' => 'Fridge', 'How soon' => 'After some minutes of running'], array_column((array) self::at((array) end($record), 'facts'), 'value', 'label'));
        self::assertSame('/payload/running/0', $this->observe($call, 'told', ['text' => 'x', 'running' => ['toaster']], 422)['pointer']);
        self::assertSame('/payload/places/0', $this->observe($call, 'told', ['text' => 'x', 'places' => ['attic']], 422)['pointer']);
        self::assertSame('/payload/onset', $this->observe($call, 'told', ['text' => 'x', 'onset' => 'by-magic'], 422)['pointer']);
    }
}
