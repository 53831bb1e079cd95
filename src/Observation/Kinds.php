<?php

declare(strict_types=1);

namespace App\Observation;

/** The register of kinds. A new kind is one class and its row here. */
final class Kinds
{
    /** @var list<class-string<Payload>> */
    public const ALL = [
        Told::class, Seen::class, People::class, Advised::class, Done::class, IsolationStep::class, LeverTried::class, Measured::class, Placed::class, Corrected::class,
        Withdrawn::class, Doubted::class, Settled::class, Accepted::class, Decided::class, Repaired::class, Tried::class, Unrepaired::class, Closed::class, Accompanied::class,
    ];

    /** @return list<string> */
    public static function slugs(): array
    {
        return array_map(static fn (string $kind): string => $kind::kind(), self::ALL);
    }

    /**
     * @param array<array-key, mixed> $raw
     *
     * @throws PayloadError when there is no such kind, or it does not admit what was sent
     */
    public static function read(string $kind, array $raw): Payload
    {
        foreach (self::ALL as $class) {
            if ($class::kind() === $kind) {
                $fields = new Fields($raw);
                $payload = $class::read($fields);
                $fields->done();

                return $payload;
            }
        }
        throw new PayloadError('/kind', 'Expected one of '.implode(', ', self::slugs()).'.');
    }
}
