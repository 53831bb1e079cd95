<?php

declare(strict_types=1);

namespace App\Observation;

/**
 * What one kind of observation holds, closed and typed: nothing else can be stored.
 *
 * Each kind is one class; its constructor is the schema that the API publishes, its read() the only way in.
 */
interface Payload
{
    /** The stable name of the kind in data. */
    public static function kind(): string;

    /** @throws PayloadError for a field that is missing, of another type, too long, or not of this kind */
    public static function read(Fields $fields): self;
}
