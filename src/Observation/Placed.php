<?php

declare(strict_types=1);

namespace App\Observation;

use OpenApi\Attributes as OA;

/** Where a reading was taken, said later: once the house holds that point. */
#[OA\Schema(required: ['observation', 'connection'], additionalProperties: false)]
final readonly class Placed implements Payload
{
    public function __construct(
        #[OA\Property(format: 'uuid')]
        public string $observation,
        #[OA\Property]
        public Leads $connection,
    ) {
    }

    public static function kind(): string
    {
        return 'placed';
    }

    public static function read(Fields $fields): self
    {
        return new self($fields->id('observation'), Leads::read($fields->object('connection')));
    }
}
