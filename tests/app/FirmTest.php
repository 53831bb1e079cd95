<?php

declare(strict_types=1);

namespace App\Tests;

/** What a firm settles for itself holds from then on, and only within bounds. */
final class FirmTest extends ApiTestCase
{
    public function testTheMinutesOfAProofAreSettled(): void
    {
        self::assertSame(30, $this->call('GET', '/api/me')['proofMinutes']);
        self::assertSame(45, $this->call('PUT', '/api/firm', ['proofMinutes' => 45])['proofMinutes']);
        self::assertSame(45, $this->call('GET', '/api/me')['proofMinutes']);
    }

    public function testWhatIsNoIntervalIsRefused(): void
    {
        foreach ([0, 4, 241, 12.5] as $minutes) {
            $refused = $this->call('PUT', '/api/firm', ['proofMinutes' => $minutes], 422);
            self::assertSame('/proofMinutes', $refused['pointer']);
        }
        self::assertSame(30, $this->call('GET', '/api/me')['proofMinutes']);
    }
}
