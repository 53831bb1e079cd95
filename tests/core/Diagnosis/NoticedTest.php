<?php

declare(strict_types=1);

namespace YellowProbe\Tests\Diagnosis;

use PHPUnit\Framework\TestCase;
use YellowProbe\Diagnosis\Hypothesis;
use YellowProbe\Diagnosis\HypothesisSpace;
use YellowProbe\Diagnosis\Noticed;
use YellowProbe\Diagnosis\Ranker;
use YellowProbe\Diagnosis\Story;
use YellowProbe\Diagnosis\Suspect;
use YellowProbe\Evaluation\Dice;
use YellowProbe\Evaluation\MatchedWorld;
use YellowProbe\Fault\FaultCatalogue;
use YellowProbe\Installation\Attributes;
use YellowProbe\Installation\Role;
use YellowProbe\Tests\Houses;

/** Of one that is half of what is noticed whenever it is there, one in four is complained of. */
final class NoticedTest extends TestCase
{
    public function testWhatIsTooLittleToBeNoticedIsRareByTheSquare(): void
    {
        $from = Noticed::of(new Attributes(['fromOhms' => 0.4], ''));
        // 1/16, 1/4, 1 and 1.
        self::assertEqualsWithDelta([0.0625 / 2.3125, 0.25 / 2.3125, 1.0 / 2.3125, 1.0 / 2.3125], $from->shares([0.1, 0.2, 0.4, 1e9]), 1e-12);
        $upTo = Noticed::of(new Attributes(['upToOhms' => 100], ''));
        self::assertEqualsWithDelta([1.0 / 2.01, 1.0 / 2.01, 0.01 / 2.01], $upTo->shares([0.0, 100.0, 1e3]), 1e-12);
        self::assertSame([0.5, 0.5], Noticed::always()->shares([0.05, 1e6]));
    }

    public function testOfTwoComplaintsEachCountsByItsShare(): void
    {
        $mixed = Noticed::mixed([[3.0, Noticed::of(new Attributes(['fromOhms' => 1.0, 'conductors' => ['E' => 0.02]], ''))], [1.0, Noticed::always()]]);
        // 0.01 and 1 of 1.01 three times out of four, halves in the fourth.
        self::assertEqualsWithDelta([0.75 * 0.01 / 1.01 + 0.125, 0.75 / 1.01 + 0.125], $mixed->shares([0.1, 1.0]), 1e-12);
        self::assertEqualsWithDelta(0.75 * 0.02 + 0.25, $mixed->on(Role::Earth, true), 1e-12);
        self::assertSame(1.0, $mixed->on(Role::Line, true));
        self::assertSame(1.0, $mixed->on(null, true), 'of no one conductor');
        $lamps = Noticed::of(new Attributes(['conductors' => ['E' => 0.02], 'withoutLights' => 0.1], ''));
        self::assertEqualsWithDelta([1.0, 0.1, 0.002, 1.0], [$lamps->on(Role::Line, true), $lamps->on(Role::Line, false), $lamps->on(Role::Earth, false), $lamps->on(null, false)], 1e-12);
    }

    public function testTheDataAskOnlyWhatAKindCanAnswer(): void
    {
        $rates = Houses::rates();
        $kinds = FaultCatalogue::all();
        $asked = 0;
        foreach (array_keys($rates->symptoms()) as $symptom) {
            $noticed = $rates->noticed(new Story([$symptom]));
            self::assertSame(Story::INSPECTION === $symptom, [] === $noticed, $symptom);
            foreach ($noticed as $slug => $one) {
                self::assertArrayHasKey($slug, $kinds);
                $shares = $one->shares($kinds[$slug]->severities());
                self::assertEqualsWithDelta(1.0, array_sum($shares), 1e-12);
                self::assertGreaterThan(2.0 * min($shares), max($shares), "$symptom asks nothing of $slug");
                ++$asked;
            }
        }
        self::assertGreaterThan(15, $asked);
        self::assertSame([], $rates->noticed(new Story()));
    }

    public function testAnEarthDoesNotMakeLampsFlicker(): void
    {
        $house = Houses::ringAndLights();
        $space = static function (string $symptom) use ($house): array {
            $own = [];
            foreach (HypothesisSpace::of($house, Houses::rates(), new Story([$symptom])) as $hypothesis) {
                $own[$hypothesis->id] = $hypothesis;
            }

            return $own;
        };
        [$flicker, $none] = [$space('flicker'), $space(Story::INSPECTION)];
        $joint = 'high-resistance-joint|up-r2/';
        self::assertEqualsWithDelta(0.02, $flicker["{$joint}E@2"]->prior / $flicker["{$joint}N@2"]->prior, 1e-9);
        self::assertEqualsWithDelta(1.0, $none["{$joint}E@2"]->prior / $none["{$joint}N@2"]->prior, 1e-9);
        self::assertEqualsWithDelta(0.15, $flicker['high-resistance-joint|ring-r2/N@2']->prior / $flicker["{$joint}N@2"]->prior, 1e-9, 'a ring of sockets, and lights');
        self::assertEqualsWithDelta(1.0, $none['high-resistance-joint|ring-r2/N@2']->prior / $none["{$joint}N@2"]->prior, 1e-9);
        $sum = static fn (array $all): float => array_sum(array_map(static fn (Hypothesis $one): float => 'high-resistance-joint' === $one->kind?->slug() ? $one->prior : 0.0, $all));
        self::assertEqualsWithDelta(Houses::rates()->given(new Story(['flicker']))['high-resistance-joint'], $sum($flicker), 1e-12, 'the kind itself is as likely as it was');

        // 0.05 Ω of 0.05, 0.15, and 0.4 and more: 1/64, 9/64 and five times 1.
        self::assertEqualsWithDelta(1 / 64 / (5.0 + 10 / 64), self::often($flicker["{$joint}N@2"])[0], 1e-9);
        $standing = Ranker::rank(array_values($flicker), [])->standings;
        // On the page an earth is no place like the others, nor is a joint of the ring.
        $joints = array_values(array_filter(Ranker::rank(array_values($flicker), [])->suspects(), static fn (Suspect $one): bool => 'high-resistance-joint' === $one->lead()->hypothesis->kind?->slug()))[0];
        $carrying = array_filter(array_keys($joints->where()), static fn (string $words): bool => !str_contains($words, 'earth') && 1 === preg_match('/Lights/', $words));
        self::assertGreaterThan(\count($carrying), \count($joints->where()));
        self::assertSame(\count($carrying), $joints->alike());
        $ranked = array_values(array_filter($standing, static fn ($one): bool => "{$joint}N@2" === $one->hypothesis->id))[0];
        self::assertEqualsWithDelta(self::often($flicker["{$joint}N@2"]), $ranked->severities, 1e-12, 'before anything is read');
        $coming = array_values(array_filter($standing, static fn ($one): bool => "{$joint}N@2|at-times" === $one->hypothesis->id))[0];
        self::assertEqualsWithDelta(self::often($flicker["{$joint}N@2"])[0] / self::often($flicker["{$joint}N@2"])[6], $coming->severities[0] / $coming->severities[6], 1e-9);
    }

    public function testWhereNothingSaysWhichCircuitLightsAllDo(): void
    {
        // As often beside the other as at an inspection, where no complaint weighs: what rooms do is in both.
        $weighed = static function (string $house, string $one, string $other): float {
            [$flicker, $none] = array_map(static fn (string $symptom): array => array_column(array_map(static fn (Hypothesis $own): array => [$own->id, $own->prior], HypothesisSpace::of(Houses::demo($house), Houses::rates(), new Story([$symptom]))), 1, 0), ['flicker', Story::INSPECTION]);

            return $flicker[$one] / $flicker[$other] / ($none[$one] / $none[$other]);
        };
        self::assertEqualsWithDelta(1.0, $weighed('rod-and-outbuilding', 'high-resistance-joint|to-shed/L@2', 'high-resistance-joint|pump-1/L@2'), 1e-9);
        // A switch says so as well as a light does.
        self::assertEqualsWithDelta(0.15, $weighed('panel-with-multiwire', 'high-resistance-joint|yard-1/L@2', 'high-resistance-joint|den-1/L@2'), 1e-9);
        self::assertEqualsWithDelta(0.15, $weighed('panel-with-multiwire', 'accessory-contact|yard.lower-N', 'accessory-contact|den.top-N'), 1e-9);
    }

    public function testSomeOfTheSeveritiesCountAsTheyDoAmongAll(): void
    {
        $house = Houses::ringAndLights();
        $kind = FaultCatalogue::all()['high-resistance-joint'];
        $site = $kind->sites($house)[0];
        $plain = Hypothesis::fault($kind, $site, 0.1);
        self::assertEqualsWithDelta(array_fill(0, 7, 1 / 7), self::often($plain), 1e-12);
        self::assertEqualsWithDelta([1 / 3, 1 / 3, 1 / 3], self::often($plain->around(3, 1)), 1e-12);
        $told = Hypothesis::fault($kind, $site, 0.1, array_map(log(...), [0.0, 0.0, 0.1, 0.1, 0.2, 0.3, 0.3]));
        self::assertEqualsWithDelta([7 * 0.1 / 3, 7 * 0.1 / 3, 7 * 0.2 / 3], self::often($told->around(3, 1)), 1e-12);
        self::assertSame($told->logs(), $told->after(['another'])->logs());

        $pair = Hypothesis::pair($told->narrowed([3]), Hypothesis::fault($kind, $kind->sites($house)[1], 0.1)->narrowed([0, 6]), 0.01);
        self::assertEqualsWithDelta([0.35, 0.35], self::often($pair), 1e-12, 'seven times a tenth, by halves');
    }

    public function testTheMatchedWorldIsDrawnByTheComplaint(): void
    {
        $dice = new Dice(5);
        $drawn = array_map(static fn (): float => MatchedWorld::ohms([1.0, 10.0, 100.0], [0.0, 0.25, 0.75], $dice), range(1, 2000));
        // Up to half a step beside it: √10 and √1,000 are the borders.
        self::assertGreaterThan(sqrt(10.0), min($drawn));
        self::assertEqualsWithDelta(0.75, \count(array_filter($drawn, static fn (float $ohms): bool => $ohms > sqrt(1e3))) / 2000, 0.03);
    }

    /** @return list<float> */
    private static function often(Hypothesis $hypothesis): array
    {
        return array_map(exp(...), $hypothesis->logs());
    }
}
