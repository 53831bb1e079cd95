<?php

declare(strict_types=1);

namespace App\Tests;

use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Component\Uid\UuidV7;

/** Readings of a call: stored once, judged, corrected beside the original, placed later. */
final class ReadingsTest extends ApiTestCase
{
    public function testADeviceThatTripsIsEvidence(): void
    {
        $call = $this->demoCall('4 Wicket');
        $map = $this->call('GET', "/api/calls/$call/map");
        self::assertContains(['words' => 'Device A', 'around' => ['+rcd-a/L', '+rcd-a/N']], (array) $map['watches']);
        $this->observe($call, 'measured', ['instrument' => 'device-watch', 'connection' => ['terminals' => [], 'around' => ['+rcd-a/L', '+rcd-a/N']], 'raw' => 'trips']);
        $readings = (array) self::at($this->call('GET', "/api/calls/$call"), 'readings');
        self::assertSame('trips', self::at((array) $readings[\count($readings) - 1], 'raw'));
        self::assertSame('off', self::at((array) $readings[\count($readings) - 1], 'fit'), 'a sound house holds');
        $refused = $this->observe($call, 'measured', ['instrument' => 'device-watch', 'connection' => ['terminals' => [], 'around' => ['+rcd-a/L', '+rcd-a/N']], 'raw' => 'maybe'], 422);
        self::assertStringContainsString('holds', self::textAt($refused['detail'] ?? ''));
    }

    public function testARepeatedObservationIsStoredOnceAndAnotherUnderItsIdIsRefused(): void
    {
        $call = $this->demoCall('4 Wicket');
        $id = (new UuidV7())->toRfc4122();
        $first = $this->observe($call, 'told', ['text' => 'Also the bell rings.'], 201, $id);
        $again = $this->observe($call, 'told', ['text' => 'Also the bell rings.'], 201, $id);
        self::assertSame($first, $again);
        self::assertSame('/id', $this->observe($call, 'told', ['text' => 'Something else.'], 409, $id)['pointer']);
        self::assertSame($first, $this->call('GET', "/api/calls/$call"));
    }

    /** @return iterable<string, array{array<string, mixed>, int, string}> payload, status, pointer */
    public static function badReadings(): iterable
    {
        $at = ['terminals' => ['rl-hall.front-L', 'rl-hall.front-E'], 'around' => []];
        yield 'wrong unit' => [['instrument' => 'loop-2-wire', 'connection' => $at, 'raw' => '230 V'], 422, '/payload/raw'];
        yield 'impossible number' => [['instrument' => 'voltmeter-high-z', 'connection' => $at, 'raw' => '99999'], 422, '/payload/raw'];
        yield 'ambiguous number' => [['instrument' => 'voltmeter-high-z', 'connection' => $at, 'raw' => '1,200'], 422, '/payload/raw'];
        yield 'unknown tester' => [['instrument' => 'dowsing-rod', 'connection' => $at, 'raw' => '1'], 422, '/payload/instrument'];
        yield 'unknown terminal' => [['instrument' => 'loop-2-wire', 'connection' => ['terminals' => ['rl-hall.front-L', 'ghost.E'], 'around' => []], 'raw' => '0.4'], 422, '/payload/connection/terminals/1'];
        yield 'too few leads' => [['instrument' => 'loop-2-wire', 'connection' => ['terminals' => ['rl-hall.front-L'], 'around' => []], 'raw' => '0.4'], 422, '/payload/connection/terminals'];
        yield 'two leads on one terminal' => [['instrument' => 'loop-2-wire', 'connection' => ['terminals' => ['rl-hall.front-L', 'rl-hall.front-L'], 'around' => []], 'raw' => '0.4'], 422, '/payload/connection/terminals'];
        yield 'a joint of no conductor' => [['instrument' => 'voltmeter-high-z', 'connection' => ['terminals' => ['lights-up-r1/X@1', 'met.t1'], 'around' => []], 'raw' => '3'], 422, '/payload/connection/terminals/0'];
        yield 'ohms on live conductors' => [['instrument' => 'low-ohm', 'connection' => $at, 'raw' => '0.4'], 409, '/payload/instrument'];
    }

    /** @param array<string, mixed> $payload */
    #[DataProvider('badReadings')]
    public function testABadReadingIsRefusedAndNothingIsStored(array $payload, int $status, string $pointer): void
    {
        $call = $this->demoCall('4 Wicket');
        $before = $this->call('GET', "/api/calls/$call");
        self::assertSame($pointer, $this->observe($call, 'measured', $payload, $status)['pointer'] ?? '');
        self::assertSame($before, $this->call('GET', "/api/calls/$call"));
    }

    public function testAReadingIsJudgedAtOnceAndMovesTheRanking(): void
    {
        $call = $this->demoCall('4 Wicket');
        $before = $this->call('GET', "/api/calls/$call/ranking");
        $this->observe($call, 'done', ['changes' => [['operation' => 'set', 'subject' => 'stair-top', 'value' => '1']]]);
        $around = [];
        foreach ((array) self::at($this->call('GET', "/api/calls/$call/map"), 'ways') as $way) {
            if ('lights-low' === self::at((array) $way, 'circuit')) {
                $around = self::at((array) $way, 'clamps', 0, 'around');
            }
        }
        $after = $this->observe($call, 'measured', ['instrument' => 'leakage-clamp', 'connection' => ['terminals' => [], 'around' => $around], 'raw' => '258 mA']);
        $reading = self::at($after, 'readings', 4);
        self::assertSame('off', self::at((array) $reading, 'fit'));
        self::assertSame('bad', self::at((array) $reading, 'judgements', 0, 'verdict'));
        self::assertSame(['Put Stair switch, head to position 1'], self::at((array) $reading, 'stateWords'));
        $ranking = $this->call('GET', "/api/calls/$call/ranking");
        self::assertSame(5, $ranking['readings']);
        self::assertSame('Borrowed neutral', self::at($ranking, 'suspects', 0, 'title'));
        self::assertStringContainsString('Stair light', self::textAt(self::at($ranking, 'suspects', 0, 'where', 0)));
        self::assertGreaterThan(self::at($before, 'suspects', 0, 'probability'), self::at($ranking, 'suspects', 0, 'probability'));
        $tests = static fn (array $advice): array => array_column((array) $advice['tests'], 'instrument');
        $next = $tests($this->call('GET', "/api/calls/$call/next-tests"));
        self::assertNotEmpty($next);
        self::assertNotContains($next[0], $tests($this->call('GET', "/api/calls/$call/next-tests?without={$next[0]}")), 'what is not to hand is not proposed');
        self::assertStringContainsString('No tester is called', self::textAt(self::at($this->call('GET', "/api/calls/$call/next-tests?without=none-such", status: 422), 'detail')));

        $assistant = $this->call('GET', "/api/calls/$call/next-tests?role=assistant&residual=board&loop=calculated");
        self::assertNotContains('zs', array_column((array) $assistant['tests'], 'procedure'));
        self::assertNotContains('residual-clamp', array_column((array) $assistant['tests'], 'procedure'));
        self::assertSame('/practice', $this->call('GET', "/api/calls/$call/next-tests?role=foreman", status: 422)['pointer']);

        // Doubted, it counts for less, and says why.
        $doubted = $this->observe($call, 'doubted', ['observation' => self::at((array) $reading, 'id'), 'reason' => 'The jaw stood near the tails.']);
        self::assertSame('The jaw stood near the tails.', self::at($doubted, 'readings', 4, 'doubted'));
        self::assertLessThan(self::at($ranking, 'suspects', 0, 'probability'), self::at($this->call('GET', "/api/calls/$call/ranking"), 'suspects', 0, 'probability'));

        // Withdrawn, the ranking is as it was; the reading stays on the record with its reason.
        $withdrawn = $this->observe($call, 'withdrawn', ['observation' => self::at((array) $reading, 'id'), 'reason' => 'Jaw not closed.']);
        self::assertSame('Jaw not closed.', self::at($withdrawn, 'readings', 4, 'withdrawn'));
        self::assertEquals($before, $this->call('GET', "/api/calls/$call/ranking"));
    }

    public function testACorrectionStandsBesideTheOriginal(): void
    {
        $call = $this->demoCall('4 Wicket');
        $reading = self::at($this->call('GET', "/api/calls/$call"), 'readings', 2);
        $id = self::textAt(self::at((array) $reading, 'id'));
        self::assertSame('/payload/raw', $this->observe($call, 'corrected', ['observation' => $id, 'raw' => '2 V', 'reason' => 'slip'], 422)['pointer']);
        $after = $this->observe($call, 'corrected', ['observation' => $id, 'raw' => '24.0', 'reason' => 'Decimal point missed.']);

        self::assertSame('24.0', self::at($after, 'readings', 2, 'raw'));
        self::assertSame(self::at((array) $reading, 'raw'), self::at($after, 'readings', 2, 'original'));
        self::assertSame('Decimal point missed.', self::at($after, 'readings', 2, 'corrections', 0, 'reason'));
        $this->observe($call, 'corrected', ['observation' => (new UuidV7())->toRfc4122(), 'raw' => '1', 'reason' => 'x'], 422);
    }

    public function testWhatWasMadeOfAFigureIsSaidOfThatFigureOnly(): void
    {
        $call = $this->demoCall('4 Wicket');
        $loop = ['instrument' => 'loop-2-wire', 'connection' => ['terminals' => ['rl-hall.front-L', 'rl-hall.front-E'], 'around' => []]];
        $taken = $this->observe($call, 'measured', $loop + ['raw' => '3.1']);
        self::assertSame('off', self::at($taken, 'readings', 4, 'fit'));
        self::assertContains('bad', array_column((array) self::at($taken, 'readings', 4, 'judgements'), 'verdict'));
        self::assertCount(1, (array) $taken['toRepeat']);
        $right = $this->observe($call, 'corrected', ['observation' => self::at($taken, 'readings', 4, 'id'), 'raw' => '0.31', 'reason' => 'Decimal point missed.']);
        self::assertSame('fits', self::at($right, 'readings', 4, 'fit'));
        self::assertSame(['good'], array_unique(array_column((array) self::at($right, 'readings', 4, 'judgements'), 'verdict')));
        self::assertSame([], $right['toRepeat'], 'what was misread has not failed');
        $lines = \array_slice((array) $right['record'], -2);
        self::assertStringContainsString('More than', json_encode(self::at((array) $lines[0], 'facts'), \JSON_THROW_ON_ERROR), 'what was said of the first figure stays with it');
        self::assertStringContainsString('As this house should', json_encode(self::at((array) $lines[1], 'facts'), \JSON_THROW_ON_ERROR), 'and what holds now stands with the correction');
    }

    public function testARepairIsNotProvedByAFigureThatIsCorrectedToAFailure(): void
    {
        $call = $this->demoCall('Salter');
        $failed = null;
        foreach ((array) $this->call('GET', "/api/calls/$call")['readings'] as $reading) {
            $failed = 'low-ohm' === self::at((array) $reading, 'instrument') && 'off' === self::at((array) $reading, 'fit') ? (array) $reading : $failed;
        }
        self::assertIsArray($failed);
        $again = ['instrument' => 'low-ohm', 'connection' => ['terminals' => $failed['terminals'], 'around' => []]];
        $this->observe($call, 'repaired', ['text' => 'Conductor put back into its terminal, 2 N m.']);
        $proved = $this->observe($call, 'measured', $again + ['raw' => '0.61']);
        $readings = (array) $proved['readings'];
        $last = \count($readings) - 1;
        $id = self::at((array) $readings[$last], 'id');
        self::assertTrue(self::at((array) $readings[$last], 'proves'));
        self::assertContains($id, array_column((array) $proved['toRepeat'], 'provedBy'));
        self::assertSame('hand-over', self::at($proved, 'call', 'stage'));
        $turned = $this->observe($call, 'corrected', ['observation' => $id, 'raw' => $failed['raw'], 'reason' => 'Read wrongly.']);
        self::assertFalse(self::at($turned, 'readings', $last, 'proves'));
        self::assertNotContains($id, array_column((array) $turned['toRepeat'], 'provedBy'));
        self::assertSame('put-right', self::at($turned, 'call', 'stage'));
    }

    public function testAReadingTakenInWordsIsPlacedLater(): void
    {
        $call = $this->demoCall('4 Wicket');
        $after = $this->observe($call, 'measured', ['instrument' => 'loop-2-wire', 'near' => 'socket by the stairs', 'raw' => '0.44']);
        $id = self::textAt(self::at($after, 'readings', 4, 'id'));
        self::assertSame(4, $this->call('GET', "/api/calls/$call/ranking")['readings']);
        $this->observe($call, 'placed', ['observation' => $id, 'connection' => ['terminals' => ['rl-hall.front-L', 'ghost.L'], 'around' => []]], 422);
        $placed = $this->observe($call, 'placed', ['observation' => $id, 'connection' => ['terminals' => ['rl-hall.front-L', 'rl-hall.front-E'], 'around' => []]]);
        self::assertTrue(self::at($placed, 'readings', 4, 'placed'));
        self::assertSame('Ω', mb_substr(self::textAt(self::at($placed, 'readings', 4, 'expected')), -1), 'it is judged once it is known where it was');
        self::assertSame(5, $this->call('GET', "/api/calls/$call/ranking")['readings']);
    }

    public function testAReadingThatCannotBeTrueIsNamedWithItsLikelyReason(): void
    {
        $call = $this->demoCall('4 Wicket');
        self::assertCount(0, $this->call('GET', "/api/calls/$call/contradictions"));
        $this->observe($call, 'measured', ['instrument' => 'voltmeter-high-z', 'connection' => ['terminals' => ['rl-hall.front-L', 'rl-hall.front-E'], 'around' => []], 'raw' => '0.9']);
        foreach (['rl-hall.front-L' => 'rl-hall.front-N', 'rl-bay.front-L' => 'rl-bay.front-E'] as $line => $other) {
            $this->observe($call, 'measured', ['instrument' => 'voltmeter-high-z', 'connection' => ['terminals' => [$line, $other], 'around' => []], 'raw' => '231']);
        }
        $this->observe($call, 'measured', ['instrument' => 'loop-2-wire', 'connection' => ['terminals' => ['rl-hall.front-L', 'rl-hall.front-E'], 'around' => []], 'raw' => '0.30']);
        $odd = $this->call('GET', "/api/calls/$call/contradictions");
        self::assertStringContainsString('Hall', self::textAt(self::at($odd, 0, 'where')));
        self::assertStringContainsString('take it again', self::textAt(self::at($odd, 0, 'words')));
    }

    public function testAPredictionSaysWhyATesterCannotBeUsedNowAndTheWayOfItsCurrent(): void
    {
        $call = $this->demoCall('4 Wicket');
        $predict = fn (string $tester, string ...$terminals): array => $this->call('POST', "/api/calls/$call/predictions", ['instrument' => $tester, 'connection' => ['terminals' => $terminals, 'around' => []]]);
        $ohms = $predict('low-ohm', 'rl-hall.front-L', 'rl-hall.front-E');
        self::assertIsArray($ohms['cautions']);
        self::assertCount(1, $ohms['cautions']);
        self::assertStringContainsString('is for dead conductors only', self::textAt($ohms['cautions'][0]));
        $loop = $predict('loop-2-wire', 'rl-hall.front-L', 'rl-hall.front-E');
        self::assertSame([], $loop['cautions']);
        self::assertIsNumeric($loop['bits']);
        self::assertLessThan(0.01, (float) $loop['bits'], 'an earth loop says next to nothing of what trips');
        self::assertIsArray($loop['path']);
        $words = array_map(static fn (mixed $step): string => self::textAt(self::at((array) $step, 'words')), $loop['path']);
        self::assertContains('Line of the supply', $words);
        self::assertContains('Earth contact of Hall', $words);
        self::assertSame($words, array_values(array_unique($words)));
    }
}
