<?php

declare(strict_types=1);

namespace YellowProbe\Tests\Diagnosis;

use PHPUnit\Framework\TestCase;
use YellowProbe\Diagnosis\Normal;

final class NormalTest extends TestCase
{
    public function testTailsFromTheTables(): void
    {
        foreach ([[0.0, 0.5], [1.0, 0.158655254], [1.959963985, 0.025], [3.0, 1.349898032e-3], [6.0, 9.865876e-10]] as [$x, $tail]) {
            self::assertEqualsWithDelta(1.0, Normal::upper($x) / $tail, 1e-6);
            self::assertEqualsWithDelta(1.0 - $tail, Normal::upper(-$x), 1e-7);
        }
        self::assertSame(0.0, Normal::upper(\INF));
        self::assertSame(1.0, Normal::upper(-\INF));
    }

    public function testAStretchFarOutKeepsItsDigits(): void
    {
        self::assertEqualsWithDelta(1.0, Normal::between(6.0, 7.0) / (9.865876e-10 - 1.2798e-12), 1e-5);
        self::assertSame(Normal::between(6.0, 7.0), Normal::between(-7.0, -6.0));
        self::assertEqualsWithDelta(0.6826894921, Normal::between(-1.0, 1.0), 1e-7);
    }
}
