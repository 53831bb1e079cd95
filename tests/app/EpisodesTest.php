<?php

declare(strict_types=1);

namespace App\Tests;

use App\Call\Episodes;
use App\Entity\Call;
use App\Entity\Firm;
use App\Entity\Observation;
use App\Entity\User;
use App\Observation\Entry;
use PHPUnit\Framework\TestCase;
use Symfony\Component\Uid\UuidV7;
use YellowProbe\Diagnosis\Exposure;
use YellowProbe\Fault\Condition;

/** Half an hour without a reading begins another episode; what a reading was forced with is part of it. */
final class EpisodesTest extends TestCase
{
    public function testAGapOfHalfAnHourBeginsAnotherEpisodeWhateverTheOrderOfStoring(): void
    {
        $readings = array_map(self::reading(...), ['10:00', '10:29', '11:05', '10:58', '12:00']);
        self::assertSame([0, 0, 1, 0, 2], array_map(static fn (Exposure $exposure): int => $exposure->episode, Episodes::of(array_map(self::reading(...), ['10:00', '10:29', '11:35', '10:59', '12:10']))));
        self::assertSame([0, 0, 0, 0, 1], array_map(static fn (Exposure $exposure): int => $exposure->episode, Episodes::of($readings)), 'one stored late fills the gap');
    }

    public function testWhatItWasForcedWithSplitsAnEpisode(): void
    {
        $exposures = Episodes::of([self::reading('10:00'), self::reading('10:05', ['vibration', 'load'])]);
        self::assertSame([], $exposures[0]->conditions);
        self::assertSame([Condition::Load, Condition::Vibration], $exposures[1]->conditions);
        self::assertNotSame($exposures[0]->key(), $exposures[1]->key());
    }

    /** @param list<string> $forced */
    private static function reading(string $time, array $forced = []): Entry
    {
        $at = new \DateTimeImmutable("2026-11-02 $time");
        $firm = new Firm(new UuidV7(), 'Firm');
        $user = new User(new UuidV7(), $firm, 'a@b.example', 'A');
        $call = new Call(new UuidV7(), $firm, null, 'Hut', 'B', 'C', 'fault', $at);

        return Entry::of(new Observation(new UuidV7(), $firm, $call, 1, 'measured', ['instrument' => 'low-ohm', 'raw' => '1', 'near' => 'here', 'forced' => $forced], [], 1, [], $user, $at, $at));
    }
}
