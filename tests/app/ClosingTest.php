<?php

declare(strict_types=1);

namespace App\Tests;

use Symfony\Component\Uid\UuidV7;

/** How a call ends: with a repair that is proved, or with what is left written down; never with something forgotten. */
final class ClosingTest extends ApiTestCase
{
    private const TOLD = ['text' => 'Mr Brack, at the door.', 'coversOn' => true];

    public function testATestLinkAndAnythingElseTemporaryStandInTheWay(): void
    {
        $call = $this->visit('inspection');
        $board = self::textAt(self::at($this->call('GET', "/api/calls/$call/map"), 'boards', 0, 'id'));
        $this->isolate($call, $board);
        $this->observe($call, 'done', ['changes' => [['operation' => 'link', 'subject' => 'way2.out', 'value' => 'met.t1'], ['operation' => 'load', 'subject' => 'washer', 'value' => 'out']]]);
        self::assertContains('A test link is still fitted: take it off. It never stays.', (array) self::at($this->call('GET', "/api/calls/$call"), 'closing', 'obstacles'));
        self::assertStringContainsString('test link', self::textAt($this->observe($call, 'closed', self::TOLD, 409)['detail']));
        $this->observe($call, 'done', ['changes' => [['operation' => 'unlink', 'subject' => 'way2.out', 'value' => 'met.t1']]]);
        $temporary = (array) self::at($this->call('GET', "/api/calls/$call"), 'closing', 'temporary');
        self::assertSame(['Unplug or disconnect Washing machine', 'Switch Main switch off'], array_column($temporary, 'words'));
        self::assertStringContainsString('Not put back: Unplug', self::textAt($this->observe($call, 'closed', self::TOLD, 409)['detail']));
        $stays = array_map(static fn (mixed $each): array => array_intersect_key((array) $each, ['operation' => 1, 'subject' => 1, 'value' => 1]) + ['reason' => 'Left locked off until the board is rebuilt.'], $temporary);
        self::assertSame('/payload/stays', $this->observe($call, 'closed', self::TOLD + ['stays' => [$stays[0]]], 409)['pointer'], 'every one needs its reason');
        self::assertSame('closed', self::at($this->observe($call, 'closed', self::TOLD + ['stays' => $stays]), 'call', 'stage'));
        $record = (array) self::at($this->call('GET', "/api/calls/$call"), 'record');
        self::assertStringContainsString('Left locked off until the board is rebuilt.', json_encode(end($record), \JSON_THROW_ON_ERROR), 'what stays is on the record, with its reason');
    }

    public function testManyJointsAreUndoneInOneAct(): void
    {
        $call = $this->visit('inspection');
        $board = self::textAt(self::at($this->call('GET', "/api/calls/$call/map"), 'boards', 0, 'id'));
        $this->isolate($call, $board);
        $joints = ['lights-up-r1/L@1', 'lights-low-r1/L@1', 'ring-low-r1/L@1'];
        $this->observe($call, 'done', ['changes' => array_map(static fn (string $joint): array => ['operation' => 'lift', 'subject' => $joint, 'value' => ''], $joints)]);
        $back = $this->observe($call, 'done', ['changes' => array_map(static fn (string $joint): array => ['operation' => 'refit', 'subject' => $joint, 'value' => ''], $joints)]);
        self::assertSame([], self::at($back, 'state', 'lifted'));
        $this->release($call);
        $this->observe($call, 'done', ['changes' => [['operation' => 'set', 'subject' => 'main', 'value' => 'on']]]);
        $this->observe($call, 'measured', ['instrument' => 'leakage-clamp', 'raw' => '1.2', 'connection' => ['terminals' => [], 'around' => ['+lights-up-r1/L', '+lights-up-r1/N']]]);
        self::assertSame('/payload/coversOn', $this->observe($call, 'closed', ['text' => 'x'], 409)['pointer'], 'the board was open');
    }

    public function testADangerAndNoDangerNowCannotStandOnOnePaper(): void
    {
        $call = $this->visit('inspection');
        $id = (new UuidV7())->toRfc4122();
        $this->observe($call, 'seen', ['text' => 'Bare copper at the cooker switch.', 'look' => 'blanks-missing', 'class' => 'D'], 201, $id);
        self::assertCount(1, (array) self::at($this->call('GET', "/api/calls/$call"), 'closing', 'dangers'));
        self::assertStringContainsString('“no danger now” cannot stand', self::textAt($this->observe($call, 'closed', self::TOLD + ['noDanger' => true], 409)['detail']));
        self::assertStringContainsString('write it down as unrepaired', self::textAt($this->observe($call, 'closed', self::TOLD, 409)['detail']));
        $earlier = self::textAt(self::at($this->call('GET', "/api/calls/$call"), 'last'));
        self::assertStringContainsString('does not show', self::textAt($this->observe($call, 'closed', self::TOLD + ['noDanger' => true, 'removed' => [['danger' => $id, 'by' => $earlier]]], 409)['detail']), 'a danger does not show itself gone');
        $after = (new UuidV7())->toRfc4122();
        $this->observe($call, 'seen', ['text' => 'Cover on, no copper to be seen.', 'knowing' => 'seen'], 201, $after);
        self::assertSame('closed', self::at($this->observe($call, 'closed', self::TOLD + ['noDanger' => true, 'removed' => [['danger' => $id, 'by' => $after]]]), 'call', 'stage'));
    }

    public function testAMistakenDangerIsWithdrawnBesideTheOriginal(): void
    {
        $call = $this->visit('inspection');
        $id = (new UuidV7())->toRfc4122();
        $this->observe($call, 'seen', ['text' => 'Smells burnt.', 'look' => 'blanks-missing', 'class' => 'D'], 201, $id);
        $corrected = $this->observe($call, 'corrected', ['observation' => $id, 'text' => 'Smells of toast.', 'reason' => 'The toaster was on.']);
        self::assertContains('Smells of toast.', array_column((array) self::at($corrected, 'record', 0, 'facts'), 'value'));
        self::assertSame('The toaster was on.', self::at($corrected, 'record', 0, 'beside', 0, 'reason'));
        $withdrawn = $this->observe($call, 'withdrawn', ['observation' => $id, 'reason' => 'It was toast.']);
        self::assertSame([], self::at($withdrawn, 'closing', 'dangers'));
        self::assertSame('It was toast.', self::at($withdrawn, 'record', 0, 'withdrawn'), 'the original stays, and says why it does not stand');
        $this->observe($call, 'withdrawn', ['observation' => $id, 'reason' => 'Again.'], 409);
        self::assertSame('closed', self::at($this->observe($call, 'closed', self::TOLD + ['noDanger' => true]), 'call', 'stage'));
        $this->observe($call, 'corrected', ['observation' => $id, 'text' => 'Smelt of toast.', 'reason' => 'Tense.']);
    }

    public function testAVisitEndsUnrepairedWithWhatWasSaid(): void
    {
        $call = $this->demoCall('Salter');
        $this->release($call);
        foreach ((array) self::at($this->call('GET', "/api/calls/$call"), 'unsettled') as $told) {
            $this->observe($call, 'settled', ['observation' => $told, 'verdict' => 'explained', 'text' => 'Found, not repaired.']);
        }
        self::assertStringContainsString('not repaired', self::textAt($this->observe($call, 'closed', self::TOLD, 409)['detail']));
        self::assertSame('/payload/comeBack', $this->observe($call, 'unrepaired', ['comeBack' => '2026-13-45'] + self::left(), 422)['pointer']);
        $left = $this->observe($call, 'unrepaired', self::left());
        self::assertSame('hand-over', self::at($left, 'call', 'stage'));
        $record = (array) $left['record'];
        $values = array_column((array) self::at((array) end($record), 'facts'), 'value');
        foreach (['Workshop circuit switched off and locked.', 'Mr Teague, at the door', 'Refuses', 'I want my brother-in-law to look at it.', '2027-01-11'] as $said) {
            self::assertContains($said, $values);
        }
        $stays = array_map(static fn (mixed $each): array => array_intersect_key((array) $each, ['operation' => 1, 'subject' => 1, 'value' => 1]) + ['reason' => 'Made safe.'], (array) self::at($left, 'closing', 'temporary'));
        self::assertContains('A test link is still fitted: take it off. It never stays.', (array) self::at($left, 'closing', 'obstacles'));
        foreach ((array) self::at($left, 'state', 'links') as $link) {
            $this->observe($call, 'done', ['changes' => [['operation' => 'unlink', 'subject' => self::at((array) $link, 0), 'value' => self::at((array) $link, 1)]]]);
        }
        $stays = array_values(array_filter($stays, static fn (array $each): bool => 'link' !== $each['operation']));
        self::assertSame('closed', self::at($this->observe($call, 'closed', self::TOLD + ['stays' => $stays]), 'call', 'stage'));
    }

    public function testACauseWithdrawnIsNoCauseAnyMore(): void
    {
        $call = $this->demoCall('Salter');
        $accepted = null;
        foreach ((array) $this->call('GET', "/api/calls/$call")['observations'] as $each) {
            $accepted = 'accepted' === self::at((array) $each, 'kind') ? self::textAt(self::at((array) $each, 'id')) : $accepted;
        }
        $after = $this->observe($call, 'withdrawn', ['observation' => $accepted, 'reason' => 'The lathe was unplugged.']);
        self::assertSame('trace', self::at($after, 'call', 'stage'));
        self::assertSame([], array_filter((array) self::at($after, 'call', 'unsafe'), static fn (mixed $words): bool => str_contains(self::textAt($words), 'not repaired')));
        $this->observe($call, 'repaired', ['text' => 'x'], 409);
    }

    /** @return array<string, string> */
    private static function left(): array
    {
        return ['finding' => 'Cpc of the workshop open at the workbench.', 'class' => 'P', 'measure' => 'Workshop circuit switched off and locked.', 'told' => 'Mr Teague, at the door', 'answer' => 'refuses', 'words' => 'I want my brother-in-law to look at it.', 'comeBack' => '2027-01-11'];
    }

    private function visit(string $visit): string
    {
        $id = (new UuidV7())->toRfc4122();
        $house = self::at($this->call('GET', '/api/calls/'.$this->demoCall('4 Wicket')), 'call', 'houseId');
        $this->call('POST', '/api/calls', ['id' => $id, 'address' => '1 New Street', 'customer' => 'Mr Brack', 'complaint' => 'Please look.', 'visit' => $visit, 'openedAt' => '2026-11-20T09:00:00Z', 'houseId' => $house], 201);

        return $id;
    }
}
