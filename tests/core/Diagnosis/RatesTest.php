<?php

declare(strict_types=1);

namespace YellowProbe\Tests\Diagnosis;

use PHPUnit\Framework\TestCase;
use YellowProbe\Diagnosis\Hypothesis;
use YellowProbe\Diagnosis\HypothesisSpace;
use YellowProbe\Diagnosis\Story;
use YellowProbe\Fault\FaultCatalogue;
use YellowProbe\Installation\Attributes;
use YellowProbe\Installation\House;
use YellowProbe\Installation\HouseError;
use YellowProbe\Installation\Place;
use YellowProbe\Tests\Houses;

final class RatesTest extends TestCase
{
    public function testEveryKindOfFaultHasARateUnderEverySymptom(): void
    {
        $rates = Houses::rates();
        self::assertNotEmpty($rates->contexts());
        foreach (array_keys($rates->symptoms()) as $symptom) {
            $given = $rates->given(new Story([$symptom]));
            self::assertSame([], array_diff(array_keys(FaultCatalogue::all()), array_keys($given)), $symptom);
            self::assertSame([], array_filter($given, static fn (float $rate): bool => $rate <= 0.0), $symptom);
            self::assertSame([], array_diff(array_keys($given), ['sound', 'other', ...array_keys(FaultCatalogue::all())]), "$symptom rates a fault that does not exist");
        }
        foreach (array_keys($rates->contexts()) as $context) {
            $given = $rates->given(new Story([], [$context]));
            self::assertSame([], array_diff(array_keys($given), ['sound', 'other', ...array_keys(FaultCatalogue::all())]), "$context weighs a fault that does not exist");
            self::assertNotSame($rates->given(new Story()), $given, "$context changes nothing");
        }
    }

    public function testARoomShiftsTheShareOfAKindAmongItsPlaces(): void
    {
        $rates = Houses::rates();
        $place = static fn (string $room, bool $outdoors = false): Place => new Place('p', 'point', 'Socket', $room, new Attributes($outdoors ? ['outdoors' => true] : [], ''));
        self::assertSame([], $rates->inRoom($place('Lounge')));
        self::assertSame(4.0, $rates->inRoom($place('Back garden'))['line-earth-leak']);
        self::assertSame(4.0, $rates->inRoom($place('Lounge', true))['line-earth-leak']);
        self::assertSame([], $rates->inRoom($place('Sportshall')), 'a yard, not a part of a word');
        self::assertSame(4.0, $rates->inRoom($place('Shed with a bath'))['line-earth-leak'], 'the larger of two');
        foreach (['Garden', 'Bathroom', 'Loft'] as $room) {
            self::assertSame([], array_diff(array_keys($rates->inRoom($place($room))), array_keys(FaultCatalogue::all())), "$room weighs a fault that does not exist");
        }

        $house = Houses::worked();
        $prior = static function (House $house, string $id) use ($rates): float {
            foreach (HypothesisSpace::of($house, $rates, new Story(['residual-trip'])) as $hypothesis) {
                if ($hypothesis->id === $id) {
                    return $hypothesis->prior;
                }
            }
            self::fail("no $id");
        };
        $document = $house->document;
        $s1 = $house->parts['s1']->place;
        \assert(\is_array($document['places']) && \is_array($document['places'][$s1]));
        $document['places'][$s1]['room'] = 'Patio';
        $wet = House::fromDocument($document);
        self::assertEqualsWithDelta(4.0, $prior($wet, 'line-earth-leak|s1') / $prior($wet, 'line-earth-leak|s2') * $prior($house, 'line-earth-leak|s2') / $prior($house, 'line-earth-leak|s1'), 1e-9);
        $sum = static fn (House $house): float => array_sum(array_map(static fn (Hypothesis $one): float => 'line-earth-leak' === $one->kind?->slug() ? $one->prior : 0.0, HypothesisSpace::of($house, $rates, new Story(['residual-trip']))));
        self::assertEqualsWithDelta($sum($house), $sum($wet), 1e-12, 'the kind itself is as likely as before');
    }

    public function testRatesGivenAStory(): void
    {
        $rates = Houses::rates();
        $plain = $rates->given(new Story(['residual-trip']));
        $changed = $rates->given(new Story(['residual-trip'], ['board-change']));

        self::assertEqualsWithDelta(1.0, array_sum($changed), 1e-12);
        // 2.5 of 110.82 before; nine times that after, among 110.82 + 2 · 9 (N–E three times) + 8 · (2.5 + 2.5 + 1.5 + 0.7 + 0.7 + 0.5).
        self::assertEqualsWithDelta(2.5 / 110.82, $plain['borrowed-neutral'], 1e-9);
        self::assertEqualsWithDelta(22.5 / 196.02, $changed['borrowed-neutral'], 1e-9);
        self::assertSame($rates->given(new Story(['tingle', 'flicker'])), $rates->given(new Story(['flicker', 'tingle'])));
        $this->expectException(HouseError::class);
        $rates->given(new Story(['humming']));
    }
}
