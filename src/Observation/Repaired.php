<?php

declare(strict_types=1);

namespace App\Observation;

use OpenApi\Attributes as OA;

/** A repair of the cause accepted last: what was done, with what, in how many minutes. */
#[OA\Schema(required: ['text'], additionalProperties: false)]
final readonly class Repaired implements Worded
{
    public function __construct(
        #[OA\Property(minLength: 1, maxLength: 2000)]
        public string $text,
        #[OA\Property(minLength: 1, maxLength: 500)]
        public ?string $materials = null,
        #[OA\Property(minimum: 0, maximum: 100000)]
        public ?int $minutes = null,
    ) {
    }

    public function words(): string
    {
        return $this->text;
    }

    public static function kind(): string
    {
        return 'repaired';
    }

    public static function read(Fields $fields): self
    {
        return new self($fields->text('text', 2000), $fields->optionalText('materials', 500), $fields->optionalWhole('minutes', 100_000));
    }
}
