<?php

declare(strict_types=1);

namespace YellowProbe\Tests\Rules;

use PHPUnit\Framework\TestCase;
use YellowProbe\Diagnosis\HypothesisSpace;
use YellowProbe\Diagnosis\Story;
use YellowProbe\Installation\Attributes;
use YellowProbe\Installation\Protection;
use YellowProbe\Rules\Looks;
use YellowProbe\Tests\Houses;

final class LooksTest extends TestCase
{
    public function testEveryLookIsInAnAreaHasAClassAndAFindingThatTheRankingKnows(): void
    {
        /** @var array<string, mixed> $data */
        $data = json_decode((string) file_get_contents(__DIR__.'/../../../config/looks.json'), true, 32, \JSON_THROW_ON_ERROR);
        $looks = new Looks(new Attributes($data, ''));
        $findings = Houses::rates()->findings();
        self::assertGreaterThanOrEqual(40, \count($looks->all()));
        $asked = [];
        foreach ($looks->all() as $look) {
            self::assertArrayHasKey($look->area, $looks->areas(), $look->slug);
            self::assertContains($look->class, ['D', 'P', 'I', 'F'], $look->slug);
            self::assertTrue('' === $look->finding || isset($findings[$look->finding]), $look->slug);
            self::assertSame([], array_diff($look->ruleSets, ['A', 'B', 'C']), $look->slug);
            $asked[$look->finding] = true;
        }
        self::assertSame([], array_diff(array_keys($findings), array_keys($asked)), 'every finding can be come upon by looking');
    }

    public function testTheDeviceThatTrippedMakesWhatIsBehindOthersTenTimesLessLikely(): void
    {
        $house = Houses::demo('split-board-borrowed-neutral');
        $device = Protection::residualDevice($house, (string) array_key_first($house->circuits)) ?? self::fail('no device');
        $plain = HypothesisSpace::of($house, Houses::rates(), new Story(['residual-trip']));
        $told = HypothesisSpace::of($house, Houses::rates(), new Story(['residual-trip'], [], [], [$device->id]));
        $ratios = [];
        foreach ($plain as $at => $hypothesis) {
            $places = $hypothesis->site->places ?? [];
            $circuits = [];
            foreach (1 === \count($places) ? $house->parts : [] as $part) {
                $circuits[] = $part->place === $places[0] ? $house->circuitOfPart($part->id) ?? 'board' : null;
            }
            $circuits = array_values(array_unique(array_filter($circuits, static fn (?string $circuit): bool => null !== $circuit)));
            if (1 === \count($circuits) && 'board' !== $circuits[0]) {
                $isBehind = \in_array($device->id, array_map(static fn ($one): string => $one->id, Protection::devices($house, $circuits[0])), true);
                $ratios[$isBehind ? 'behind' : 'elsewhere'][] = $told[$at]->prior / $hypothesis->prior;
            }
        }
        self::assertSame([1.0], array_values(array_unique(array_map(static fn (float $ratio): float => round($ratio, 9), $ratios['behind'] ?? []))));
        self::assertSame([0.1], array_values(array_unique(array_map(static fn (float $ratio): float => round($ratio, 9), $ratios['elsewhere'] ?? []))));
    }
}
