<?php

declare(strict_types=1);

namespace App\Tests;

use App\Words\Percent;
use Eris\Generators;
use Eris\TestTrait;
use PHPUnit\Framework\TestCase;

final class PercentTest extends TestCase
{
    use TestTrait;

    public function testOneShareIsRoundedAsPeopleReadIt(): void
    {
        self::assertSame(['0 %', 'under 1 %', '7 %', '65 %', '93 %', 'over 95 %'], array_map(Percent::of(...), [0.0, 0.004, 0.068, 0.64, 0.931, 0.99]));
    }

    public function testSharesShownTogetherAddUp(): void
    {
        self::assertSame(['20 %', '65 %', '15 %'], Percent::together([0.19, 0.66, 0.15]));
        self::assertSame(['33 %', '33 %', '33 %', '1 %'], Percent::together([0.33, 0.33, 0.33, 0.01]));
        self::assertSame(['100 %', 'under 1 %', '0 %'], Percent::together([0.998, 0.002, 0.0]));
        self::assertSame([], Percent::together([]));
    }

    public function testSharesAddUpWhateverTheyAre(): void
    {
        $this->forAll(Generators::tuple(Generators::choose(1, 999), Generators::choose(1, 999), Generators::choose(1, 999)))->then(static function (array $weights): void {
            /** @var list<int> $weights */
            $shares = array_map(static fn (int $weight): float => $weight / array_sum($weights), $weights);
            $shown = array_map(static fn (string $percent): int => 'under 1 %' === $percent ? 0 : (int) $percent, Percent::together($shares));
            self::assertSame(100, array_sum($shown));
            foreach ($shares as $at => $share) {
                self::assertLessThan(5.0, abs($shown[$at] - 100.0 * $share));
            }
        });
    }
}
