<?php

declare(strict_types=1);

namespace App\Export;

use App\Entity\Call;
use App\Entity\HouseVersion;
use App\Entity\Observation;
use App\Entity\User;
use Doctrine\ORM\EntityManagerInterface;
use Symfony\Component\Clock\ClockInterface;

/**
 * All that is stored of a call, as one document of a published form (docs/call.schema.json): what it is about, every entry as it
 * was stored, who made it, and the versions of the house that entries were made in.
 */
final readonly class CallDocument
{
    public const FORMAT = 'yellow-probe/call/1';

    /** Microseconds and the zone: entries of one second keep their order. */
    private const INSTANT = 'Y-m-d\TH:i:s.uP';

    private const FLAGS = \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE | \JSON_UNESCAPED_SLASHES | \JSON_PRESERVE_ZERO_FRACTION | \JSON_PRETTY_PRINT;

    public function __construct(private EntityManagerInterface $entities, private ClockInterface $clock)
    {
    }

    /**
     * @param list<Observation> $entries in their order
     * @param list<string>      $missing hashes of pictures that an entry names and that are no longer where they were kept
     */
    public function json(Call $call, array $entries, array $missing): string
    {
        return json_encode([
            'format' => self::FORMAT,
            'takenOutAt' => $this->clock->now()->format(self::INSTANT),
            'call' => [
                'id' => $call->id->toRfc4122(), 'address' => $call->address, 'customer' => $call->customer, 'complaint' => $call->complaint,
                'visit' => $call->visit, 'openedAt' => $call->openedAt->format(self::INSTANT),
            ],
            'people' => $this->people($entries),
            'entries' => array_map(self::entry(...), $entries),
            'house' => $this->house($call, $entries),
            'missingPictures' => $missing,
        ], self::FLAGS);
    }

    /** @return array<string, mixed> */
    private static function entry(Observation $entry): array
    {
        return [
            'id' => $entry->id->toRfc4122(), 'position' => $entry->position, 'kind' => $entry->kind, 'payload' => (object) $entry->payload,
            'state' => (object) $entry->state, 'houseVersion' => $entry->houseVersion, 'verdict' => (object) $entry->verdict,
            'by' => $entry->author->id->toRfc4122(), 'at' => $entry->clientAt->format(self::INSTANT), 'storedAt' => $entry->storedAt->format(self::INSTANT),
            'seen' => $entry->seen, 'device' => $entry->device?->toRfc4122(),
        ];
    }

    /**
     * @param list<Observation> $entries
     *
     * @return list<array{id: string, name: string}> who made them
     */
    private function people(array $entries): array
    {
        $people = [];
        foreach (array_map(static fn (Observation $entry): User => $entry->author, $entries) as $person) {
            $people[$person->id->toRfc4122()] = ['id' => $person->id->toRfc4122(), 'name' => $person->name];
        }

        return array_values($people);
    }

    /**
     * @param list<Observation> $entries
     *
     * @return array<string, mixed>|null null while the call has none
     */
    private function house(Call $call, array $entries): ?array
    {
        $house = $call->house;
        if (null === $house) {
            return null;
        }
        $numbers = array_unique([$house->version, ...array_filter(array_map(static fn (Observation $entry): ?int => $entry->houseVersion, $entries), static fn (?int $number): bool => null !== $number)]);
        sort($numbers);
        $versions = array_map(static fn (HouseVersion $version): array => [
            // Decoded as objects: an empty one stays one.
            'version' => $version->number, 'at' => $version->at->format(self::INSTANT), 'document' => json_decode($version->document, false, 64, \JSON_THROW_ON_ERROR),
        ], $this->entities->getRepository(HouseVersion::class)->findBy(['house' => $house, 'number' => $numbers], ['number' => 'ASC']));

        return ['id' => $house->id->toRfc4122(), 'address' => $house->address, 'current' => $house->version, 'versions' => $versions];
    }
}
