<?php

declare(strict_types=1);

namespace App\Observation;

use App\Call\Journal;
use OpenApi\Attributes as OA;

/** The verdict on one symptom that was told. */
#[OA\Schema(required: ['observation', 'verdict', 'text'], additionalProperties: false)]
final readonly class Settled implements Worded
{
    public function __construct(
        #[OA\Property(format: 'uuid')]
        public string $observation,
        #[OA\Property(enum: Journal::VERDICTS)]
        public string $verdict,
        #[OA\Property(minLength: 1, maxLength: 2000)]
        public string $text,
    ) {
    }

    public function words(): string
    {
        return $this->text;
    }

    public static function kind(): string
    {
        return 'settled';
    }

    public static function read(Fields $fields): self
    {
        return new self($fields->id('observation'), $fields->oneOf('verdict', Journal::VERDICTS), $fields->text('text', 2000));
    }
}
