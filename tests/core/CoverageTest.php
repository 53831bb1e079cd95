<?php

declare(strict_types=1);

namespace YellowProbe\Tests;

use PHPUnit\Framework\TestCase;
use YellowProbe\Fault\FaultCatalogue;
use YellowProbe\Installation\Part\PartKinds;
use YellowProbe\Instrument\Aid;
use YellowProbe\Instrument\Instruments;
use YellowProbe\Procedure\Entries;

/**
 * docs/coverage.json: every fault, tester, test, supply, board, circuit and part kind of the trade with the class that
 * holds it and the test that would fail without it.
 *
 * @phpstan-type Row array{slug: string, words: string, class: string, test: string}
 */
final class CoverageTest extends TestCase
{
    public function testEveryRowNamesAClassAndATestThatExistAndSpeakOfIt(): void
    {
        $counts = [];
        foreach (self::coverage() as $kind => $rows) {
            $slugs = [];
            foreach ($rows as $row) {
                $name = "$kind {$row['slug']}";
                self::assertNotSame('', $row['words'], $name);
                self::assertTrue(class_exists($row['class']) || enum_exists($row['class']), "$name: there is no class {$row['class']}");
                [$class, $method] = explode('::', $row['test']) + [1 => ''];
                self::assertTrue(class_exists($class) && method_exists($class, $method), "$name: there is no test {$row['test']}");
                self::assertStringStartsWith('test', $method, $name);
                $source = (string) file_get_contents((string) (new \ReflectionClass($class))->getFileName());
                self::assertTrue(\in_array($kind, ['supplies', 'boards', 'circuits'], true) || str_contains($source, $row['slug']), "$name: {$row['test']} does not speak of it");
                $slugs[] = $row['slug'];
            }
            self::assertSame($slugs, array_values(array_unique($slugs)), "$kind has a row twice");
            $counts[] = \count($rows)." $kind";
        }
        fwrite(\STDERR, "\nCoverage of the trade: ".implode(', ', $counts).".\n");
    }

    public function testNothingThatTheProgramKnowsIsWithoutARow(): void
    {
        $known = [
            'faults' => array_keys(FaultCatalogue::all()),
            'testers' => [...array_keys(Instruments::all()), ...array_map(static fn (Aid $aid): string => $aid->value, Aid::cases())],
            'tests' => Entries::slugs(),
            'parts' => PartKinds::slugs(),
        ];
        foreach ($known as $kind => $slugs) {
            $rows = array_map(static fn (array $row): string => $row['slug'], self::coverage()[$kind]);
            self::assertSame([], array_values(array_diff($slugs, $rows)), "$kind without a row");
            self::assertSame([], array_values(array_diff($rows, $slugs)), "rows of $kind that nothing holds");
        }
    }

    /** @return array<string, list<Row>> */
    private static function coverage(): array
    {
        /** @var array<string, list<Row>> $coverage */
        $coverage = json_decode((string) file_get_contents(__DIR__.'/../../docs/coverage.json'), true, 8, \JSON_THROW_ON_ERROR);

        return $coverage;
    }
}
