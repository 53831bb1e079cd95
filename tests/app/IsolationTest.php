<?php

declare(strict_types=1);

namespace App\Tests;

final class IsolationTest extends ApiTestCase
{
    public function testIsolationIsTakenInOrderAndAProofLapses(): void
    {
        $call = $this->demoCall('4 Wicket');
        self::assertStringContainsString('First: Warn', self::textAt($this->observe($call, 'isolation', ['step' => 'sources'], 409)['detail']));
        foreach (['warn', 'sources', 'reference', 'loads'] as $step) {
            $this->observe($call, 'isolation', ['step' => $step]);
        }
        self::assertSame('/payload/skipped', $this->observe($call, 'isolation', ['step' => 'off', 'skipped' => ' '], 422)['pointer']);
        foreach (['off', 'lock', 'tester-before'] as $step) {
            $this->observe($call, 'isolation', ['step' => $step]);
        }
        self::assertSame('/payload/place', $this->observe($call, 'isolation', ['step' => 'dead'], 422)['pointer']);
        $refused = $this->observe($call, 'isolation', ['step' => 'dead', 'place' => 'p-rl-hall', 'pairs' => ['L–N', 'L–E']], 422);
        self::assertStringContainsString('Not tried yet: N–E, every other conductor', self::textAt($refused['detail']));
        $scope = $this->call('GET', "/api/calls/$call/isolation-scope?place=p-rl-hall&level=circuit");
        self::assertSame(['Way 2'], $scope['off']);
        $this->call('GET', "/api/calls/$call/isolation-scope?place=attic&level=circuit", null, 422);
        self::assertSame('Main switch', self::at($this->call('GET', "/api/calls/$call/way-back"), 0, 'name'));
        $this->observe($call, 'isolation', ['step' => 'dead', 'place' => 'p-rl-hall', 'pairs' => $scope['pairs']]);
        $proved = $this->observe($call, 'isolation', ['step' => 'tester-after']);
        self::assertSame(['place' => 'Hall', 'complete' => true, 'lapsed' => false], array_intersect_key((array) self::at($proved, 'proofs', 0), ['place' => 1, 'complete' => 1, 'lapsed' => 1]));
        self::assertFalse($this->call('GET', "/api/calls/$call/map")['mainOn']);

        $lift = ['changes' => [['operation' => 'lift', 'subject' => 'lights-up-r1/N@1', 'value' => '']]];
        $clamp = static fn (string $raw): array => ['instrument' => 'clamp', 'raw' => $raw, 'connection' => ['terminals' => [], 'around' => ['+lights-up-r1/N']]];
        self::assertSame('/payload/notClamped', $this->observe($call, 'done', $lift, 409)['pointer'], 'a neutral is clamped before it is parted');
        $this->observe($call, 'measured', $clamp('0.26'));
        self::assertStringContainsString('carries current', self::textAt($this->observe($call, 'done', $lift, 409)['detail']));
        $this->observe($call, 'done', $lift + ['notClamped' => 'In a hurry.'], 409);
        $this->observe($call, 'measured', $clamp('0.00'));
        $lifted = $this->observe($call, 'done', $lift);
        $this->observe($call, 'done', ['changes' => [['operation' => 'lift', 'subject' => 'lights-up-r1/E@1', 'value' => '']]], 409);
        self::assertTrue(self::at($lifted, 'proofs', 0, 'lapsed'));
        $dead = $this->observe($call, 'measured', ['instrument' => 'low-ohm', 'connection' => ['terminals' => ['lights-up-r1/N@1', 'met.t1'], 'around' => []], 'raw' => 'OL']);
        self::assertStringContainsString('No proof of dead', self::textAt(self::at($dead, 'readings', 6, 'cautions', 0)));
        $on = [['operation' => 'set', 'subject' => 'main', 'value' => 'on']];
        self::assertSame('/payload/explained', $this->observe($call, 'done', ['changes' => $on], 409)['pointer']);
        $this->observe($call, 'done', ['changes' => $on, 'explained' => 'Neutral capped in a connector, way 6 locked.']);
        self::assertNull(self::at($this->call('GET', "/api/calls/$call"), 'isolation', 0, 'at'));
    }

    public function testWithoutAReferenceNothingIsCalledProved(): void
    {
        $call = $this->demoCall('4 Wicket');
        foreach (['warn' => [], 'sources' => [], 'reference' => ['skipped' => 'no access before'], 'loads' => [], 'off' => [], 'lock' => [], 'tester-before' => [], 'dead' => ['place' => 'board'], 'tester-after' => []] as $step => $more) {
            $this->observe($call, 'isolation', ['step' => $step] + $more);
        }
        self::assertSame('no voltage found, reference not proved', self::at($this->call('GET', "/api/calls/$call"), 'proofs', 0, 'words'));
    }

    public function testDangerNowNeedsNothingBeforeIt(): void
    {
        $call = $this->demoCall('4 Wicket');
        $this->observe($call, 'isolation', ['step' => 'danger-now']);
        self::assertFalse($this->call('GET', "/api/calls/$call/map")['mainOn']);
    }
}
