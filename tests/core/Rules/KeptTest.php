<?php

declare(strict_types=1);

namespace YellowProbe\Tests\Rules;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use YellowProbe\Instrument\Instruments;
use YellowProbe\Instrument\Reading;
use YellowProbe\Instrument\ReadingParser;
use YellowProbe\Rules\Kept;
use YellowProbe\Rules\Measured;

final class KeptTest extends TestCase
{
    /** @return iterable<string, array{string, list<string>, list<int>}> tester, typed, kept */
    public static function repeats(): iterable
    {
        yield 'the highest of two half-waves' => ['rcd-5', ['18', '34', '21'], [1]];
        yield 'one that does not open is slower than any' => ['rcd-1', ['120', 'no trip'], [1]];
        yield 'the highest loop' => ['loop-2-wire', ['0.44', '0.51', '0.47'], [1]];
        yield 'the lowest insulation, an open lead beside it' => ['insulation-tester', ['>999', '4.1', '5'], [1]];
        yield 'both ends of volts' => ['voltmeter-high-z', ['231', '228', '236', '230'], [1, 2]];
        yield 'both ends of a ramp' => ['rcd-ramp', ['21', '24'], [0, 1]];
        yield 'the first of equals' => ['low-ohm', ['0.3', '0.3'], [0]];
        yield 'one alone' => ['clamp', ['2'], [0]];
    }

    /**
     * @param non-empty-list<string> $typed
     * @param list<int>              $kept
     */
    #[DataProvider('repeats')]
    public function testTheWorstOfRepeatsIsKept(string $tester, array $typed, array $kept): void
    {
        $instrument = Instruments::get($tester);
        $measured = Measured::by($instrument);
        self::assertNotNull($measured);
        self::assertSame($kept, Kept::of($measured, array_map(static fn (string $raw): Reading => ReadingParser::parse($raw, $instrument), $typed)));
    }
}
