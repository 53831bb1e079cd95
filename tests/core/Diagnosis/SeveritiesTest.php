<?php

declare(strict_types=1);

namespace YellowProbe\Tests\Diagnosis;

use PHPUnit\Framework\TestCase;
use YellowProbe\Diagnosis\Evidence;
use YellowProbe\Diagnosis\FittedRows;
use YellowProbe\Diagnosis\HypothesisSpace;
use YellowProbe\Diagnosis\LogSum;
use YellowProbe\Diagnosis\PredictionTable;
use YellowProbe\Diagnosis\Predictor;
use YellowProbe\Diagnosis\Ranker;
use YellowProbe\Diagnosis\Standing;
use YellowProbe\Diagnosis\Story;
use YellowProbe\Instrument\ReadingParser;
use YellowProbe\Procedure\TestCatalogue;
use YellowProbe\Tests\Houses;

/** A neutral joint of a quarter ohm in a house where little comes from outside and the supply is better than surveyed. */
final class SeveritiesTest extends TestCase
{
    /** Test, and what was typed; the residual current is a slip. */
    private const READINGS = [
        ['polarity-live:p-veranda.front:L-E', '234.5'], ['polarity-live:p-kitchen.front:L-N', '232.8'], ['polarity-live:stove-point.front:N-E', '1.70'],
        ['polarity-live:p-kitchen.front:N-E', '1.93'], ['polarity-live:p-lounge.front:N-E', '1.98'], ['polarity-live:p-veranda.front:N-E', '2.01'],
        ['zs:p-lounge.front:L-N', '0.73'], ['cpc-current:stove', '0.06 mA'], ['residual-clamp:elu', '1.86 mA'], ['zs:p-kitchen.front:L-N', '0.59'], ['residual-clamp:stove', '0.02 mA'],
    ];

    public function testNoSeverityLeadsByWhatItIsBesideTheSoundHouse(): void
    {
        $house = Houses::demo('earth-leakage-unit');
        $space = HypothesisSpace::of($house, Houses::rates(), new Story(['flicker']));
        $evidence = [];
        foreach (self::READINGS as $at => [$test, $typed]) {
            $measurement = TestCatalogue::plans($house)[$test]->measurement;
            $evidence[] = new Evidence(\sprintf('%02d', $at), $measurement, ReadingParser::parse($typed, $measurement->instrument), static fn (): PredictionTable => Predictor::table($house, $measurement, $space), $test);
        }
        $ranking = Ranker::rank($space, $evidence);
        self::assertSame('high-resistance-joint', $ranking->standings[0]->hypothesis->kind?->slug());
        self::assertStringStartsWith('high-resistance-joint|plugs-r1/N', $ranking->standings[0]->hypothesis->id);

        // Contacts of neutral and earth look far likelier beside the sound house's fit than they are: the likeliest of their severities
        // fell when they were fitted, and what was left of the others led.
        $rows = new FittedRows($evidence);
        $compared = 0;
        foreach ($ranking->standings as $standing) {
            if (null === $standing->hypothesis->kind || $standing->hypothesis->intermittent || $standing->probability < 1e-6) {
                continue;
            }
            $each = array_map(static fn (array $apart, float $often): float => $rows->whole(...$apart)->log + $often, $rows->apart($standing->hypothesis), $standing->hypothesis->logs());
            self::assertLessThan(log($standing->hypothesis->prior) + LogSum::of($each)[0] + 0.05, $standing->log, $standing->hypothesis->id);
            ++$compared;
        }
        self::assertGreaterThan(3, $compared);
        self::assertLessThan(0.01, array_sum(array_map(static fn (Standing $standing): float => str_starts_with($standing->hypothesis->id, 'neutral-earth-fault|geyser') ? $standing->probability : 0.0, $ranking->standings)));
    }
}
