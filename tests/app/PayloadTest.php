<?php

declare(strict_types=1);

namespace App\Tests;

use App\Api\OpenApi;
use App\Call\Journal;
use App\Call\RecordViews;
use App\Entity\Call;
use App\Entity\Firm;
use App\Entity\Observation;
use App\Entity\User;
use App\Observation\Kinds;
use App\Observation\Measured;
use App\Observation\Payload;
use App\Observation\PayloadError;
use App\Observation\Worded;
use App\Record\RecordLines;
use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Bundle\FrameworkBundle\Test\KernelTestCase;
use Symfony\Component\Uid\UuidV7;
use YellowProbe\Installation\House;
use YellowProbe\Installation\Part;
use YellowProbe\Instrument\Instruments;
use YellowProbe\Safety\IsolationScope;
use YellowProbe\Safety\Levers;
use YellowProbe\Safety\Pair;

/**
 * Every kind of entry is closed and typed: what its published schema admits can be read, folded and shown, all of it; what it
 * does not is refused with the place, and what an older version let in is set aside.
 */
final class PayloadTest extends KernelTestCase
{
    use Services;

    private const DRAWN = 60;

    /** Fields that say the same as another one beside them, or only how the entry was made. */
    private const SAID_ELSEWHERE = [
        'accompanied.trainee' => 'said by name, which is frozen with it when it is stored',
        'accepted.hypothesis' => 'its words are frozen with it when it is stored',
        'measured.connection' => 'said as the name of the test, when the house holds it',
        'placed.connection' => 'the same',
    ];

    /** @return iterable<string, array{class-string<Payload>}> */
    public static function kinds(): iterable
    {
        foreach (Kinds::ALL as $class) {
            yield $class::kind() => [$class];
        }
    }

    /** @param class-string<Payload> $class */
    #[DataProvider('kinds')]
    public function testWhatTheSchemaAdmitsIsReadFoldedAndShown(string $class): void
    {
        $samples = self::samples(7);
        $read = 0;
        for ($drawn = 0; $drawn < self::DRAWN; ++$drawn) {
            $raw = self::admitted($samples, $class, 0.2 + 0.6 * $drawn / self::DRAWN);
            $line = $this->shown($class::kind(), $raw);
            ++$read;
            self::assertNotSame('', trim((string) $line));
            self::assertStringNotContainsString('record.', (string) $line, 'a key is no sentence');
        }
        self::assertGreaterThan(0, $read, $class::kind());
    }

    /** @param class-string<Payload> $class */
    #[DataProvider('kinds')]
    public function testNothingElseIsAdmitted(string $class): void
    {
        $samples = self::samples(8);
        $raw = self::admitted($samples, $class);
        foreach ($samples->properties(self::schema($class)) as $property) {
            foreach ([['a' => ['b' => 1]], 3.5, [[[]]]] as $wrong) {
                $changed = [$property => $wrong] + $raw;
                $error = self::error($class::kind(), $changed);
                if (3.5 === $wrong && null === $error) {
                    continue;
                }
                self::assertNotNull($error, "{$class::kind()}.$property");
            }
        }
        $error = self::error($class::kind(), $raw + ['surplus' => 1]);
        self::assertSame('/surplus', $error?->pointer);
        self::assertStringContainsString('surplus', $error->getMessage());
    }

    /** @param class-string<Payload> $class */
    #[DataProvider('kinds')]
    public function testEveryStoredFieldIsOnTheRecord(string $class): void
    {
        $samples = self::samples(9);
        foreach ($samples->properties(self::schema($class)) as $property) {
            if (isset(self::SAID_ELSEWHERE["{$class::kind()}.$property"])) {
                continue;
            }
            $differs = $tried = 0;
            for ($drawn = 0; $drawn < 400 && $tried < 5; ++$drawn) {
                $one = self::admitted($samples, $class, 0.5, $property);
                $other = [$property => $samples->property(self::schema($class), $property, 0.5)] + $one;
                [$shown, $shownOther] = [$this->shown($class::kind(), $one), $this->shown($class::kind(), $other)];
                if ($one == $other || null === $shown || null === $shownOther) {
                    continue;
                }
                ++$tried;
                $differs += $shown === $shownOther ? 0 : 1;
            }
            self::assertGreaterThan(0, $tried, "no sample of {$class::kind()}.$property could be drawn");
            self::assertSame($tried, $differs, "{$class::kind()}.$property is stored and nowhere on the record");
        }
    }

    /** @param class-string<Payload> $class */
    #[DataProvider('kinds')]
    public function testACorrectionAndWhatItCorrectsBothStandOnTheRecord(string $class): void
    {
        $isFigure = Measured::class === $class;
        if (!$isFigure && !is_a($class, Worded::class, true)) {
            $this->expectNotToPerformAssertions();

            return;
        }
        $first = self::observation($class::kind(), self::admitted(self::samples(23), $class, 1.0));
        $said = $isFigure ? ['raw' => '0.31 Ω'] : ['text' => 'What it should have said.'];
        $journal = new Journal([$first, self::observation('corrected', ['observation' => $first->id->toRfc4122(), 'reason' => 'A slip.'] + $said, 2)], self::house());
        $line = self::service(RecordViews::class)->of($journal)[0];
        $payload = $journal->entries[0]->payload;
        $original = $payload instanceof Worded ? $payload->words() : ($payload instanceof Measured ? $payload->raw : '');
        self::assertNotSame('', $original);
        self::assertSame($original, $line->original);
        self::assertSame([current($said), 'A slip.'], [$line->beside[0]->words, $line->beside[0]->reason]);
        if (!$isFigure) {
            self::assertStringContainsString(current($said), json_encode([$line->words, $line->facts], \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE), 'what it says now');
        }
    }

    public function testWhatAnOlderVersionLetInIsSetAsideAndNeverFatal(): void
    {
        $journal = new Journal([self::observation('advised', ['step' => 5]), self::observation('told', ['text' => 'It hums.', 'symptom' => 'hum'], 2), self::observation('measured', ['instrument' => 'a tester that was sold', 'raw' => '1', 'near' => 'x'], 3)], self::house());
        self::assertNotNull($journal->entries[0]->unreadable);
        self::assertSame(['hum'], $journal->story()->symptoms);
        self::assertSame([], $journal->readings());
        $line = self::service(RecordLines::class)->of($journal, $journal->entries[0]);
        self::assertStringContainsString('cannot be read', $line->words);
    }

    /** @param class-string<Payload> $class */
    private static function schema(string $class): string
    {
        return substr((string) strrchr($class, '\\'), 1);
    }

    /**
     * A payload that its kind admits: drawn from the schema, less the fields that cannot stand beside the others.
     *
     * @param class-string<Payload> $class
     * @param string|null           $kept a property that has to be there
     *
     * @return array<string, mixed>
     */
    private static function admitted(PayloadSamples $samples, string $class, float $chance = 0.4, ?string $kept = null): array
    {
        $schema = self::schema($class);
        for ($tried = 0; $tried < 3000; ++$tried) {
            $raw = $samples->object($schema, $chance);
            if (null !== $kept) {
                $raw[$kept] = $samples->property($schema, $kept, $chance);
            }
            while (null !== ($error = self::error($class::kind(), $raw))) {
                $field = explode('/', $error->pointer)[1];
                $free = array_filter(array_keys($raw), static fn (string $each): bool => $each !== $kept && !$samples->isRequired($schema, $each));
                if (!\in_array($field, $free, true)) {
                    $field = $free[array_rand($free ?: ['' => ''])] ?? '';
                }
                if (!isset($raw[$field])) {
                    continue 2;
                }
                unset($raw[$field]);
            }

            return $raw;
        }
        self::fail("No sample of {$class::kind()} is admitted".(null === $kept ? '.' : " with $kept."));
    }

    private static function samples(int $seed): PayloadSamples
    {
        $house = self::house();
        $pairs = array_merge(...array_map(static fn (string $place): array => array_map(static fn (Pair $pair): string => $pair->id, IsolationScope::pairs($house, $place)), ['p-rl-hall', 'p-rl-bay']));
        $levers = array_map(static fn (Part $lever): string => $lever->id, Levers::all($house));
        $entries = array_map(static fn (Observation $each): string => $each->id->toRfc4122(), self::earlier());

        return new PayloadSamples(self::service(OpenApi::class)->json(), $seed, [
            'place' => ['p-rl-hall', 'p-rl-bay'], 'places' => ['p-rl-hall', 'p-rl-bay', 'p-rl-sink', 'p-rl-hearth'], 'device' => $levers, 'switched' => $levers, 'off' => ['washer', 'fridge'], 'running' => ['washer', 'fridge', 'desktop', 'stair'], 'dead' => ['ring-low', 'ring-up'], 'live' => ['lights-up', 'loft'],
            'instrument' => array_keys(Instruments::all()), 'pair' => $pairs, 'observation' => $entries, 'about' => $entries, 'danger' => $entries, 'by' => $entries, 'setUpAt' => $entries,
            'subject' => $levers, 'test' => ['zs:rl-hall.front:L-E', 'polarity-live:rl-hall.front:L-E', 'r1-r2:rl-hall'],
        ]);
    }

    /** @return list<Observation> what stands on the call already */
    private static function earlier(): array
    {
        static $earlier = null;

        return $earlier ??= [self::observation('told', ['text' => 'It hums.']), self::observation('measured', ['instrument' => 'low-ohm', 'raw' => '0.44', 'near' => 'the loft'], 2), self::observation('seen', ['text' => 'A brown mark.'], 3)];
    }

    /** @param array<string, mixed> $raw */
    private static function error(string $kind, array $raw): ?PayloadError
    {
        try {
            Kinds::read($kind, $raw);

            return null;
        } catch (PayloadError $e) {
            return $e;
        }
    }

    /**
     * The line of the record, whole; null when the kind refuses it.
     *
     * @param array<string, mixed> $raw
     */
    private function shown(string $kind, array $raw): ?string
    {
        $error = self::error($kind, $raw);
        if (null !== $error) {
            self::assertNotSame('', $error->getMessage());

            return null;
        }
        foreach ([self::house(), null] as $house) {
            $journal = new Journal([...self::earlier(), self::observation($kind, $raw, 4)], $house);
            $journal->state();
            $journal->stage();
            $line = self::service(RecordLines::class)->of($journal, $journal->entries[3]);
            $shown ??= json_encode([$line->words, $line->facts], \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE);
        }

        return $shown;
    }

    private static function house(): House
    {
        static $house = null;
        if (!$house instanceof House) {
            /** @var array<string, mixed> $document */
            $document = json_decode((string) file_get_contents(__DIR__.'/../../demo/houses/wicket-lane.json'), true, 64, \JSON_THROW_ON_ERROR);
            $house = House::fromDocument($document);
        }

        return $house;
    }

    /** @param array<string, mixed> $payload */
    private static function observation(string $kind, array $payload, int $position = 1): Observation
    {
        $firm = new Firm(new UuidV7(), 'Firm');
        $user = new User(new UuidV7(), $firm, 'a@b.example', 'A');
        $at = new \DateTimeImmutable('2026-01-05 10:00:00');

        return new Observation(new UuidV7(), $firm, new Call(new UuidV7(), $firm, null, 'Hut', 'B', 'C', 'fault', $at), $position, $kind, $payload, [], null, [], $user, $at, $at);
    }
}
