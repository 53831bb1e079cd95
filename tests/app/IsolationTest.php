<?php

declare(strict_types=1);

namespace App\Tests;

/** Safe isolation through the API: what is recorded is what was done, and a proof is worth what it is. */
final class IsolationTest extends ApiTestCase
{
    private const LIFT = ['changes' => [['operation' => 'lift', 'subject' => 'lights-up-r1/N@1', 'value' => '']]];

    public function testStepsAreTakenInOrderAndEachHoldsWhatWasDone(): void
    {
        $call = $this->demoCall('4 Wicket');
        self::assertStringContainsString('First: Warn', self::textAt($this->observe($call, 'isolation', ['step' => 'sources'], 409)['detail']));
        $this->observe($call, 'isolation', ['step' => 'warn', 'people' => ['Mrs Adeyemi-Hartley']]);
        self::assertSame('/payload/switched', $this->observe($call, 'isolation', ['step' => 'warn', 'switched' => ['main']], 422)['pointer'], 'a field of another step is refused');
        $this->observe($call, 'isolation', ['step' => 'sources']);
        self::assertSame('/payload/place', $this->observe($call, 'isolation', ['step' => 'reference'], 422)['pointer']);
        $scope = $this->call('GET', "/api/calls/$call/isolation-scope?place=p-rl-hall&level=circuit");
        self::assertSame(['Way 2'], array_column((array) $scope['off'], 'name'));
        $two = \array_slice($this->reference($scope), 0, 2);
        self::assertStringContainsString('Still to read live: neutral–earth', self::textAt($this->observe($call, 'isolation', ['step' => 'reference', 'place' => 'p-rl-hall', 'tried' => $two], 422)['detail']));
        $wrong = $this->reference($scope);
        $wrong[0]['voltage'] = false;
        self::assertSame('/payload/tried/0/voltage', $this->observe($call, 'isolation', ['step' => 'reference', 'place' => 'p-rl-hall', 'tried' => $wrong], 422)['pointer'], '230 V is a voltage, whatever is ticked');
        $this->observe($call, 'isolation', ['step' => 'reference', 'place' => 'p-rl-hall', 'tried' => $this->reference($scope)]);
        self::assertSame('/payload/skipped', $this->observe($call, 'isolation', ['step' => 'loads', 'skipped' => ' '], 422)['pointer']);
        self::assertSame('/payload/off/0', $this->observe($call, 'isolation', ['step' => 'loads', 'off' => ['main']], 422)['pointer']);
        $this->observe($call, 'isolation', ['step' => 'loads']);
        self::assertSame('/payload/switched', $this->observe($call, 'isolation', ['step' => 'off', 'place' => 'p-rl-hall', 'level' => 'circuit'], 422)['pointer']);
        self::assertStringContainsString('Not open yet: Way 2', self::textAt($this->observe($call, 'isolation', ['step' => 'off', 'place' => 'p-rl-hall', 'level' => 'circuit', 'switched' => ['way3']], 422)['detail']));
        $off = $this->observe($call, 'isolation', ['step' => 'off', 'place' => 'p-rl-hall', 'level' => 'circuit', 'switched' => ['way2']]);
        self::assertSame(['way2'], self::open($off), 'what was opened, and nothing in its place');
        self::assertSame(['p-rl-hall', 'circuit'], [self::at($off, 'isolation', 'place'), self::at($off, 'isolation', 'level')], 'the scope is stored');
        self::assertStringContainsString('Way 2', self::textAt($this->observe($call, 'isolation', ['step' => 'lock'], 422)['detail']));
        self::assertSame('/payload/locks/1/device', $this->observe($call, 'isolation', ['step' => 'lock', 'locks' => [['device' => 'way2', 'keeper' => 'Ines', 'sign' => true], ['device' => 'main', 'keeper' => 'Ines', 'sign' => true]]], 409)['pointer'], 'what is on is not locked off');
        $this->observe($call, 'isolation', ['step' => 'lock', 'locks' => [['device' => 'way2', 'keeper' => 'Ines', 'sign' => true, 'number' => '12']]]);
        $this->observe($call, 'isolation', ['step' => 'tester-before']);
        self::assertSame('/payload/place', $this->observe($call, 'isolation', ['step' => 'dead', 'tried' => []], 422)['pointer']);
        $refused = $this->observe($call, 'isolation', ['step' => 'dead', 'place' => 'p-rl-hall', 'tried' => \array_slice($this->nothing($scope), 0, 2)], 422);
        self::assertStringContainsString('Not tried yet: neutral–earth, every other conductor', self::textAt($refused['detail']));
        $this->observe($call, 'isolation', ['step' => 'dead', 'place' => 'p-rl-hall', 'tried' => $this->nothing($scope)]);
        $proved = $this->observe($call, 'isolation', ['step' => 'tester-after']);
        self::assertSame(['p-rl-hall', 'Hall', true, 'proved dead here'], [self::at($proved, 'proofs', 0, 'place'), self::at($proved, 'proofs', 0, 'name'), self::at($proved, 'proofs', 0, 'stands'), self::at($proved, 'proofs', 0, 'words')]);
        self::assertTrue(self::at($this->call('GET', "/api/calls/$call/map"), 'mainOn'), 'a circuit was isolated, not the board');
        $this->call('GET', "/api/calls/$call/isolation-scope?place=attic&level=circuit", null, 422);

        // The lock comes off by a step of its own before the device can be closed.
        $on = ['changes' => [['operation' => 'set', 'subject' => 'way2', 'value' => 'on']]];
        self::assertStringContainsString('locked off, and Ines keeps the key', self::textAt($this->observe($call, 'done', $on, 409)['detail']));
        $released = $this->observe($call, 'isolation', ['step' => 'release', 'locks' => [['device' => 'way2', 'keeper' => 'Ines', 'sign' => true]]]);
        self::assertSame([], self::at($released, 'isolation', 'locks'));
        self::assertStringContainsString('a lock of this isolation was taken off', self::textAt(self::at($released, 'proofs', 0, 'lapsed')));
        self::assertSame([], self::open($this->observe($call, 'done', $on)));
    }

    public function testAVoltageStopsTheProcedureKeepsItsValueAndAsksForMore(): void
    {
        $call = $this->demoCall('4 Wicket');
        $this->isolate($call, 'p-rl-hall', 'circuit');
        $scope = $this->call('GET', "/api/calls/$call/isolation-scope?place=p-rl-bay&level=circuit");
        $this->observe($call, 'isolation', ['step' => 'tester-before']);
        $tried = $this->nothing($scope);
        $found = $this->observe($call, 'isolation', ['step' => 'dead', 'place' => 'p-rl-bay', 'tried' => [$tried[0], ['pair' => $tried[1]['pair'], 'voltage' => true, 'raw' => '118']]]);
        self::assertSame('p-rl-bay', self::at($found, 'isolation', 'stopped'));
        self::assertNull(self::at($found, 'isolation', 'steps', 4, 'at'), 'switching off is asked for again');
        self::assertContains('A voltage was found where none should be.', (array) self::at($found, 'call', 'unsafe'));
        $readings = (array) $found['readings'];
        $last = (array) end($readings);
        self::assertSame(['118', true], [self::at($last, 'original'), self::at($last, 'ofIsolation')], 'the value is kept as a reading');
        self::assertStringContainsString('line–earth at Bay window', self::textAt(self::at($last, 'where')));
        $lines = array_map(static fn (mixed $line): mixed => self::at((array) $line, 'words'), (array) $found['record']);
        self::assertSame('A voltage was found: stopped', end($lines), 'and the record does not say that there was none');
        $feeding = (array) $this->call('GET', "/api/calls/$call/feeding")['words'];
        self::assertContains('Open Main switch as well, lock it, and prove dead again.', $feeding);

        // A second look does not hide the first.
        self::assertStringContainsString('isolate more widely', self::textAt($this->observe($call, 'isolation', ['step' => 'lock', 'skipped' => 'again'], 409)['detail']));
        self::assertStringContainsString('Open more', self::textAt($this->observe($call, 'isolation', ['step' => 'off', 'place' => 'p-rl-bay', 'level' => 'circuit', 'switched' => ['way2']], 409)['detail']));
        $this->observe($call, 'isolation', ['step' => 'off', 'place' => 'p-rl-bay', 'level' => 'board', 'switched' => ['main']]);
        $this->observe($call, 'isolation', ['step' => 'lock', 'locks' => [['device' => 'main', 'keeper' => 'Ines', 'sign' => true]]]);
        $this->observe($call, 'isolation', ['step' => 'tester-before']);
        $this->observe($call, 'isolation', ['step' => 'dead', 'place' => 'p-rl-bay', 'tried' => $tried]);
        $proved = $this->observe($call, 'isolation', ['step' => 'tester-after']);
        self::assertNull(self::at($proved, 'isolation', 'stopped'));
        self::assertSame([true, false, true], array_map(static fn (mixed $proof): mixed => self::at((array) $proof, 'stands'), (array) $proved['proofs']));
        $this->call('GET', "/api/calls/$call/feeding", null, 404);
    }

    public function testANeutralIsClampedBeforeItIsPartedAndLiftingEndsNoProof(): void
    {
        $call = $this->demoCall('4 Wicket');
        $board = self::textAt(self::at($this->call('GET', "/api/calls/$call/map"), 'boards', 0, 'id'));
        $this->isolate($call, $board);
        $clamp = static fn (string $raw): array => ['instrument' => 'clamp', 'raw' => $raw, 'connection' => ['terminals' => [], 'around' => ['+lights-up-r1/N']]];
        self::assertSame('/payload/notClamped', $this->observe($call, 'done', self::LIFT, 409)['pointer']);
        $this->observe($call, 'measured', $clamp('0.26'));
        self::assertStringContainsString('carries current', self::textAt($this->observe($call, 'done', self::LIFT, 409)['detail']));
        $this->observe($call, 'done', self::LIFT + ['notClamped' => 'In a hurry.'], 409);
        $this->observe($call, 'measured', $clamp('0.00'));
        $lifted = $this->observe($call, 'done', self::LIFT);
        self::assertTrue(self::at($lifted, 'proofs', 0, 'stands'), 'lifting makes nothing live');
        $ohms = ['instrument' => 'low-ohm', 'connection' => ['terminals' => ['lights-up-r1/N@1', 'met.t1'], 'around' => []], 'raw' => 'OL'];
        $dead = $this->observe($call, 'measured', $ohms);
        $readings = (array) $dead['readings'];
        self::assertSame([], self::at((array) end($readings), 'cautions'), 'the board is proved and nothing was closed');
        $far = $this->observe($call, 'measured', ['connection' => ['terminals' => ['rl-hall.front-L', 'rl-hall.front-E'], 'around' => []]] + $ohms);
        $readings = (array) $far['readings'];
        self::assertStringContainsString('No proof of dead stands at Hall', self::textAt(self::at((array) end($readings), 'cautions', 0)), 'a proof is of its place');
        $this->release($call);
        $on = ['changes' => [['operation' => 'set', 'subject' => 'main', 'value' => 'on']]];
        self::assertSame('/payload/explained', $this->observe($call, 'done', $on, 409)['pointer']);
        $this->observe($call, 'done', $on + ['explained' => 'Neutral capped in a connector, way 6 locked.']);
        self::assertNull(self::at($this->call('GET', "/api/calls/$call"), 'isolation', 'steps', 0, 'at'));
    }

    public function testAProofLapsesWhenNothingIsWrittenForLongUnlessAllIsLocked(): void
    {
        foreach ([[false, 'nothing was written for too long'], [true, null]] as [$locked, $lapsed]) {
            $call = $this->demoCall($locked ? '4 Wicket' : '19 Sallow');
            if (!$locked) {
                $call = $this->copied('4 Wicket');
            }
            $this->isolate($call, 'p-rl-hall', 'board', $locked);
            $later = $this->observe($call, 'told', ['text' => 'Back from another job.'], 201, null, ['at' => gmdate('Y-m-d\TH:i:s\Z', time() + 1900)]);
            null === $lapsed ? self::assertTrue(self::at($later, 'proofs', 0, 'stands')) : self::assertStringContainsString($lapsed, self::textAt(self::at($later, 'proofs', 0, 'lapsed')));
            $left = $this->observe($call, 'isolation', ['step' => 'left']);
            self::assertSame($locked, self::at($left, 'proofs', 0, 'stands'));
        }
    }

    public function testStepsMadeOfflineBeforeSomebodyElseEnergisedProveNothing(): void
    {
        $call = $this->demoCall('4 Wicket');
        $scope = $this->call('GET', "/api/calls/$call/isolation-scope?place=p-rl-hall&level=board");
        $before = self::at($this->call('GET', "/api/calls/$call"), 'position');
        self::assertIsInt($before);
        $mine = ['seen' => $before, 'device' => '01910000-0000-7000-8000-00000000000a', 'at' => gmdate('Y-m-d\TH:i:s\Z', time() - 600)];
        // Meanwhile, later by the clock, on the device of a mate: off and on again.
        foreach (['off', 'on'] as $position) {
            $this->observe($call, 'done', ['changes' => [['operation' => 'set', 'subject' => 'main', 'value' => $position]]], 201, null, ['device' => '01910000-0000-7000-8000-00000000000b', 'seen' => $before]);
        }
        $steps = [
            ['step' => 'warn'], ['step' => 'sources'], ['step' => 'reference', 'place' => 'p-rl-hall', 'tried' => $this->reference($scope)], ['step' => 'loads'],
            ['step' => 'off', 'place' => 'p-rl-hall', 'level' => 'board', 'switched' => ['main']], ['step' => 'lock', 'skipped' => 'none at hand'],
            ['step' => 'tester-before'], ['step' => 'dead', 'place' => 'p-rl-hall', 'tried' => $this->nothing($scope)], ['step' => 'tester-after'],
        ];
        $after = [];
        foreach ($steps as $step) {
            $after = $this->observe($call, 'isolation', $step, 201, null, $mine);
        }
        self::assertFalse(self::at($after, 'proofs', 0, 'stands'));
        self::assertStringContainsString('somebody else switched', self::textAt(self::at($after, 'proofs', 0, 'lapsed')));
        self::assertSame([], self::open($after), 'the main is on: it was closed after it was opened');
        self::assertSame('Switch Main switch off', self::at($after, 'questions', 0, 'words'), 'and it is asked how it stands');
        $reading = $this->observe($call, 'measured', ['instrument' => 'voltmeter-high-z', 'connection' => ['terminals' => ['rl-hall.front-L', 'rl-hall.front-N'], 'around' => []], 'raw' => '0'], 201, null, $mine);
        $readings = (array) $reading['readings'];
        $last = (array) end($readings);
        self::assertContains('Switch Main switch off', (array) self::at($last, 'stateWords'), 'it was read in the state that its device knew');
        self::assertStringContainsString('Somebody else switched meanwhile', self::textAt(self::at($last, 'cautions', 0)));
        $answered = $this->observe($call, 'done', ['changes' => [['operation' => 'set', 'subject' => 'main', 'value' => 'on']]]);
        self::assertSame([], $answered['questions']);
    }

    public function testDangerNowNeedsNothingBeforeIt(): void
    {
        $call = $this->demoCall('4 Wicket');
        $this->observe($call, 'isolation', ['step' => 'danger-now']);
        self::assertFalse($this->call('GET', "/api/calls/$call/map")['mainOn']);
    }

    /**
     * @param array<string, mixed> $detail
     *
     * @return list<int|string> devices of the board that are open
     */
    private static function open(array $detail): array
    {
        return array_keys(array_filter((array) self::at($detail, 'state', 'positions'), static fn (mixed $position, int|string $part): bool => 'off' === $position && 1 === preg_match('/^(main|way\d|rcd-[ab])$/', (string) $part), \ARRAY_FILTER_USE_BOTH));
    }

    /** Another call at the same house. */
    private function copied(string $address): string
    {
        $id = (new \Symfony\Component\Uid\UuidV7())->toRfc4122();
        $house = self::at($this->call('GET', '/api/calls/'.$this->demoCall($address)), 'call', 'houseId');
        $this->call('POST', '/api/calls', ['id' => $id, 'address' => 'Another day', 'customer' => 'Same', 'complaint' => 'Again.', 'visit' => 'fault', 'openedAt' => '2026-11-20T09:00:00Z', 'houseId' => $house], 201);

        return $id;
    }
}
