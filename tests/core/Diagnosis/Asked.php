<?php

declare(strict_types=1);

namespace YellowProbe\Tests\Diagnosis;

use PHPUnit\Framework\TestCase;
use YellowProbe\Diagnosis\Evidence;
use YellowProbe\Diagnosis\Hypothesis;
use YellowProbe\Diagnosis\HypothesisSpace;
use YellowProbe\Diagnosis\PredictionTable;
use YellowProbe\Diagnosis\Predictor;
use YellowProbe\Diagnosis\Ranker;
use YellowProbe\Diagnosis\Ranking;
use YellowProbe\Diagnosis\Story;
use YellowProbe\Fault\Change;
use YellowProbe\Installation\House;
use YellowProbe\Instrument\Bench;
use YellowProbe\Instrument\ReadingParser;
use YellowProbe\Instrument\Specimen;
use YellowProbe\Procedure\TestCatalogue;
use YellowProbe\Tests\Houses;

/** A ring and two lighting circuits that are asked of: what is ranked after which tests. */
abstract class Asked extends TestCase
{
    protected static House $house;

    public static function setUpBeforeClass(): void
    {
        self::$house = Houses::ringAndLights();
    }

    /**
     * @param list<string> $symptoms
     *
     * @return non-empty-list<Hypothesis>
     */
    protected static function space(array $symptoms): array
    {
        return HypothesisSpace::of(self::$house, Houses::rates(), new Story($symptoms));
    }

    /**
     * @param list<string> $tests
     * @param list<string> $symptoms
     */
    protected static function ranked(?Change $truth, array $tests, array $symptoms): Ranking
    {
        $evidence = [];
        foreach ($tests as $at => $id) {
            $measurement = TestCatalogue::plans(self::$house)[$id]->measurement;
            $shown = (new Bench(self::$house, $measurement->state, $measurement->instrument, $measurement->connection))->read($truth);
            $typed = (new Specimen($measurement->instrument, 100 + $at))->display($shown);
            $evidence[] = new Evidence("$at", $measurement, ReadingParser::parse($typed, $measurement->instrument), static fn (): PredictionTable => Predictor::table(self::$house, $measurement, self::space($symptoms)), $id);
        }

        return Ranker::rank(self::space($symptoms), $evidence);
    }
}
