<?php

declare(strict_types=1);

namespace App\Tests;

final class SumTest extends ApiTestCase
{
    public function testEverySumIsOfferedAndWorksWithItsUsualValues(): void
    {
        $sums = $this->call('GET', '/api/sums');
        self::assertGreaterThanOrEqual(17, \count($sums));
        foreach ($sums as $sum) {
            $slug = self::textAt(self::at((array) $sum, 'slug'));
            $figures = $this->call('POST', "/api/sums/$slug", ['given' => []]);
            self::assertNotSame('', self::at($figures, 0, 'text'), $slug);
        }
    }

    public function testASumIsWorkedFromWhatWasTypedAndWhatCannotBeReadIsNamed(): void
    {
        // 0.95 · 230 / (5 · 16) = 2.73 Ω.
        $figures = $this->call('POST', '/api/sums/loop-limit', ['given' => ['amperes' => '16', 'r1r2' => '2,5']]);
        self::assertSame('2.73 Ω', self::at($figures, 0, 'text'));
        self::assertTrue(self::at($figures, 3, 'warns'), '0.35 + 1.2 · 2.5 is more');
        $refused = $this->call('POST', '/api/sums/length', ['given' => ['ohms' => '1,200']], 422);
        self::assertSame('/given/ohms', $refused['pointer']);
        self::assertStringContainsString('two ways', self::textAt($refused['detail']));
        self::assertStringContainsString('No sum is called', self::textAt($this->call('POST', '/api/sums/tea', ['given' => []], 404)['detail']));
        // No limit is no number.
        self::assertNull(self::at($this->call('POST', '/api/sums/breaking-capacity', ['given' => ['ohms' => '0.03']]), 1, 'value'));
    }
}
