<?php

declare(strict_types=1);

namespace YellowProbe\Tests\Diagnosis;

use YellowProbe\Diagnosis\Hypothesis;
use YellowProbe\Diagnosis\Predictor;
use YellowProbe\Diagnosis\Prospect;
use YellowProbe\Diagnosis\Ranking;
use YellowProbe\Diagnosis\Standing;
use YellowProbe\Fault\Fault;
use YellowProbe\Instrument\ReadingFormat;
use YellowProbe\Procedure\TestCatalogue;

/** What a test not yet done may show, and what would be behind it. */
final class ProspectTest extends Asked
{
    public function testEveryLineIsAnotherPatternAndNamesTheKindThatMakesItLikeliest(): void
    {
        $ranking = self::ranked(null, [], ['part-dead']);
        $prospects = self::prospects($ranking, 'plug-in-check:spur.front');

        self::assertSame(['110', '010', '000', '100'], array_map(strval(...), array_keys($prospects)));
        self::assertSame('Open neutral, 2 places, or 2 other causes', $prospects['010']->words);
        self::assertSame('Line leaks to earth at Spur', $prospects['100']->words, 'one kind at one place is said whole');
        $weights = array_column($prospects, 'weight');
        $sorted = $weights;
        rsort($sorted);
        self::assertSame($sorted, $weights);
        $causes = array_sum(array_map(static fn (Standing $standing): float => $standing->probability, Prospect::causes($ranking)));
        self::assertEqualsWithDelta($causes, array_sum($weights), 0.05 * $causes, 'only severities that are hardly likely are left out');
    }

    public function testTenPlacesOfOneKindOutweighTheOneLikeliestCause(): void
    {
        $ranking = self::ranked(null, [], ['part-dead']);
        $titles = [];
        foreach (Prospect::causes($ranking) as $standing) {
            $titles[$standing->hypothesis->title()] = ($titles[$standing->hypothesis->title()] ?? 0.0) + $standing->probability;
        }
        arsort($titles);
        $words = self::prospects($ranking, 'plug-in-check:spur.front')['110']->words;

        self::assertStringStartsWith(array_key_first($titles).', ', $words);
        self::assertStringNotContainsString($ranking->standings[0]->hypothesis->title(), $words);
    }

    public function testAReadingMovesTheWeightToWhatItShowed(): void
    {
        $truth = Fault::at(self::$house, 'open-neutral', 'ring-s-spur/N@2')->change(self::$house);
        $dead = self::prospects(self::ranked($truth, ['plug-in-check:spur.front'], ['part-dead']), 'polarity-live:spur.front:L-N');

        self::assertGreaterThan(5.0 * self::prospects(self::ranked(null, [], ['part-dead']), 'polarity-live:spur.front:L-N')['0.00 V']->weight, $dead['0.00 V']->weight);
        self::assertSame('Open neutral in the neutral of Ring at Spur', $dead['0.00 V']->words);
    }

    /** @return array<array-key, Prospect> by what the tester shows */
    private static function prospects(Ranking $ranking, string $test): array
    {
        $measurement = TestCatalogue::plans(self::$house)[$test]->measurement;
        $causes = array_map(static fn (Standing $standing): Hypothesis => $standing->hypothesis, Prospect::causes($ranking));
        $by = [];
        foreach (Prospect::of($ranking, Predictor::sketch(self::$house, $measurement, [Hypothesis::sound(1.0), ...$causes]), $measurement->instrument, []) as $prospect) {
            $by[ReadingFormat::shown($prospect->row->shown, $measurement->instrument)] = $prospect;
        }

        return $by;
    }
}
