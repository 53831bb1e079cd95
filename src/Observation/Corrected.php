<?php

declare(strict_types=1);

namespace App\Observation;

use OpenApi\Attributes as OA;

/** What an earlier entry should have said, beside it: the figure of a reading, or the words of anything else. */
#[OA\Schema(required: ['observation', 'reason'], additionalProperties: false)]
final readonly class Corrected implements Payload
{
    public function __construct(
        #[OA\Property(format: 'uuid')]
        public string $observation,
        #[OA\Property(minLength: 1, maxLength: 2000)]
        public string $reason,
        #[OA\Property(description: 'Of a reading: what the tester showed.', minLength: 1, maxLength: 40)]
        public ?string $raw = null,
        #[OA\Property(description: 'Of what was told, seen, decided, accepted, repaired or advised: the words as they should be.', minLength: 1, maxLength: 2000)]
        public ?string $text = null,
    ) {
    }

    public static function kind(): string
    {
        return 'corrected';
    }

    public static function read(Fields $fields): self
    {
        $own = new self($fields->id('observation'), $fields->text('reason', 2000), $fields->optionalText('raw', 40), $fields->optionalText('text', 2000));
        if ((null === $own->raw) === (null === $own->text)) {
            throw $fields->error('raw', 'Give the figure of a reading, or the words of another entry: one of them.');
        }

        return $own;
    }
}
