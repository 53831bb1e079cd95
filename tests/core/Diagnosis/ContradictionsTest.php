<?php

declare(strict_types=1);

namespace YellowProbe\Tests\Diagnosis;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use YellowProbe\Diagnosis\Contradiction;
use YellowProbe\Diagnosis\Contradictions;
use YellowProbe\Diagnosis\Evidence;
use YellowProbe\Diagnosis\Hypothesis;
use YellowProbe\Diagnosis\HypothesisSpace;
use YellowProbe\Diagnosis\PredictionTable;
use YellowProbe\Diagnosis\Predictor;
use YellowProbe\Diagnosis\Ranker;
use YellowProbe\Diagnosis\Story;
use YellowProbe\Installation\House;
use YellowProbe\Instrument\ReadingParser;
use YellowProbe\Procedure\TestCatalogue;
use YellowProbe\Tests\Houses;

final class ContradictionsTest extends TestCase
{
    private static House $house;

    public static function setUpBeforeClass(): void
    {
        self::$house = Houses::worked();
    }

    /** @return iterable<string, array{array<string, string>, string|null, string}> test => typed, which is odd, part of the reason */
    public static function readings(): iterable
    {
        // A sound house: Zs 0.43 Ω at the first socket, 0.62 Ω at the second, R1+R2 0.29 and 0.49 Ω, insulation over range.
        $sound = ['zs:s1.front:L-E' => '0.42', 'zs:s2.front:L-E' => '0.62', 'zs:s1.front:L-N' => '0.36', 'r1-r2:s1' => '0.29', 'plug-in-check:s2.front' => '110', 'insulation:rad:L–E' => '>999'];
        yield 'nothing is odd' => [$sound, null, ''];
        yield 'a resistance that no live reading bears out' => [['r1-r2:s2' => '1240'] + $sound, 'r1-r2:s2', ''];
        yield 'a slip of the unit' => [['r1-r2:s2' => '490'] + $sound, 'r1-r2:s2', 'thousand times'];
        yield 'leads on line and neutral' => [['insulation:rad:L–E' => '>999', 'polarity-live:s2.front:L-E' => '0.0', 'polarity-live:s2.front:L-N' => '230', 'plug-in-check:s2.front' => '110', 'zs:s2.front:L-E' => '0.62', 'r1-r2:s2' => '0.49'], 'polarity-live:s2.front:L-E', 'a lead was on N instead of L'];
    }

    /** @param array<string, string> $readings */
    #[DataProvider('readings')]
    public function testTheOddReadingIsNamedWithItsLikelyReason(array $readings, ?string $odd, string $reason): void
    {
        $found = Contradictions::among(self::$house, Ranker::rank(self::space(), self::evidence($readings)));
        if (null === $odd) {
            self::assertEquals([], $found);

            return;
        }
        self::assertNotSame([], $found);
        self::assertSame($odd, $found[0]->observation);
        self::assertStringContainsString($reason, $found[0]->reason ?? '');
        self::assertStringContainsString('take it again', $found[0]->words());
    }

    public function testTheOrderOfEntryDoesNotMatterAndTwoReadingsCannotContradict(): void
    {
        $readings = ['r1-r2:s2' => '490', 'zs:s1.front:L-E' => '0.42', 'zs:s2.front:L-E' => '0.62', 'plug-in-check:s2.front' => '110'];
        $ids = static fn (array $found): array => array_map(static fn (Contradiction $one): string => $one->observation, $found);
        self::assertSame($ids(Contradictions::among(self::$house, Ranker::rank(self::space(), self::evidence($readings)))), $ids(Contradictions::among(self::$house, Ranker::rank(self::space(), array_reverse(self::evidence($readings))))));
        self::assertSame([], Contradictions::among(self::$house, Ranker::rank(self::space(), self::evidence(\array_slice($readings, 0, 2)))));
    }

    /** @return non-empty-list<Hypothesis> */
    private static function space(): array
    {
        return HypothesisSpace::of(self::$house, Houses::rates(), new Story(['none']));
    }

    /**
     * @param array<string, string> $readings
     *
     * @return list<Evidence>
     */
    private static function evidence(array $readings): array
    {
        $evidence = [];
        foreach ($readings as $test => $typed) {
            $measurement = TestCatalogue::plans(self::$house)[$test]->measurement;
            $evidence[] = new Evidence($test, $measurement, ReadingParser::parse($typed, $measurement->instrument), static fn (): PredictionTable => Predictor::table(self::$house, $measurement, self::space()), $test);
        }

        return $evidence;
    }
}
