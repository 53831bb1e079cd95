<?php

declare(strict_types=1);

namespace App\Observation;

use OpenApi\Attributes as OA;

/** An electrician stands beside a trainee at live steps: their own entry, by their own login or their own password. */
#[OA\Schema(required: ['trainee'], additionalProperties: false)]
final readonly class Accompanied implements Payload
{
    public function __construct(
        #[OA\Property(description: 'The trainee, by the id of a person of the firm.', format: 'uuid')]
        public string $trainee,
    ) {
    }

    public static function kind(): string
    {
        return 'accompanied';
    }

    public static function read(Fields $fields): self
    {
        return new self($fields->id('trainee'));
    }
}
