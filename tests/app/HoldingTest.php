<?php

declare(strict_types=1);

namespace App\Tests;

use Symfony\Component\Uid\UuidV7;

/** A device that does not stay closed, as the page is told of it; and what a reading behind one that does is evidence of. */
final class HoldingTest extends ApiTestCase
{
    public function testWhatDoesNotStayClosedIsLeftOffAndNothingLiveIsAskedForBehindIt(): void
    {
        $call = $this->tripping();
        $this->observe($call, 'measured', ['instrument' => 'device-watch', 'connection' => ['terminals' => [], 'around' => ['+rcd-a/L', '+rcd-a/N']], 'raw' => 'trips']);
        $advice = $this->call('GET', "/api/calls/$call/next-tests");
        $tests = (array) $advice['tests'];
        self::assertNotEmpty($tests);
        foreach ($tests as $test) {
            $words = self::textAt(self::at((array) $test, 'words'));
            self::assertStringNotContainsString('Bay window', $words, 'the ring is behind Device A');
            self::assertFalse(str_contains($words, 'Device A off') && \in_array('Switch Device A on', array_column((array) self::at((array) $test, 'changes'), 'words'), true), 'it opened and stays so');
        }
        self::assertEquals($advice, $this->call('GET', "/api/calls/$call/next-tests"), 'asked again it is found by what was kept');
    }

    public function testAReadingBehindADeviceIsGivenAsTheReasonThatItHeld(): void
    {
        $call = $this->tripping();
        $before = $this->leak($call);
        $id = (new UuidV7())->toRfc4122();
        $this->observe($call, 'measured', ['instrument' => 'plug-in-tester', 'connection' => ['terminals' => ['rl-hall.front-L', 'rl-hall.front-N', 'rl-hall.front-E'], 'around' => []], 'raw' => '110'], id: $id);
        $ranking = $this->call('GET', "/api/calls/$call/ranking");
        self::assertSame(1, $ranking['readings'], 'what it implies is no reading more');
        self::assertLessThan($before, $this->leak($call), 'a hard leak would not have let Device A close');
        self::assertStringContainsString('closed meanwhile', $this->reasons($ranking, $id));
    }

    public function testWhatADeviceDidIsNamedAsItsDoingAndNotAsAClampAroundIt(): void
    {
        $call = $this->tripping();
        $id = (new UuidV7())->toRfc4122();
        $this->observe($call, 'measured', ['instrument' => 'device-watch', 'connection' => ['terminals' => [], 'around' => ['+rcd-a/L', '+rcd-a/N']], 'raw' => 'trips'], id: $id);
        $reasons = $this->reasons($this->call('GET', "/api/calls/$call/ranking"), $id);
        self::assertStringContainsString('Watched while closed, Device A: read trips; with this it would be trips, without holds.', $reasons);
        self::assertStringNotContainsString('Clamp around', $reasons);
    }

    /**
     * @param array<mixed> $ranking
     *
     * @return string what is said for and against its causes, all of it by one reading
     */
    private function reasons(array $ranking, string $id): string
    {
        $reasons = [];
        foreach ((array) $ranking['suspects'] as $suspect) {
            foreach ((array) self::at((array) $suspect, 'reasons') as $reason) {
                self::assertSame($id, self::at((array) $reason, 'observation'), 'a reason leads to the reading it comes from');
                $reasons[] = self::textAt(self::at((array) $reason, 'sentence'));
            }
        }

        return implode(' ', $reasons);
    }

    private function tripping(): string
    {
        $house = self::at($this->call('GET', '/api/calls/'.$this->demoCall('4 Wicket')), 'call', 'houseId');
        $call = (new UuidV7())->toRfc4122();
        $this->call('POST', '/api/calls', ['id' => $call, 'address' => '9 Sedge Bank', 'customer' => 'Mr Orr', 'complaint' => 'It drops and will not go back.', 'visit' => 'fault', 'houseId' => $house, 'openedAt' => '2026-11-27T09:00:00Z'], 201);
        $this->observe($call, 'told', ['symptom' => 'residual-trip', 'device' => 'rcd-a', 'text' => 'It will not stay up.']);

        return $call;
    }

    private function leak(string $call): float
    {
        foreach ((array) $this->call('GET', "/api/calls/$call/ranking")['suspects'] as $suspect) {
            if ('Line leaks to earth' === self::at((array) $suspect, 'title')) {
                $probability = self::at((array) $suspect, 'probability');
                self::assertIsFloat($probability);

                return $probability;
            }
        }

        return 0.0;
    }
}
