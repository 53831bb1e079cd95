<?php

declare(strict_types=1);

namespace App\Observation;

use App\Entity\Observation;

/**
 * An observation as it is stored, with its payload read. What an older version let in and its kind does not admit is kept,
 * shown as unreadable, and counts for nothing: it can never make a call unreadable.
 */
final readonly class Entry
{
    private function __construct(public Observation $source, public ?Payload $payload, public ?string $unreadable)
    {
    }

    public static function of(Observation $observation): self
    {
        try {
            return new self($observation, Kinds::read($observation->kind, $observation->payload), null);
        } catch (PayloadError $e) {
            return new self($observation, null, $e->getMessage());
        }
    }

    /** With what was read of it on its way in. */
    public static function new(Observation $observation, Payload $payload): self
    {
        return new self($observation, $payload, null);
    }

    public function id(): string
    {
        return $this->source->id->toRfc4122();
    }

    public function position(): int
    {
        return $this->source->position;
    }
}
