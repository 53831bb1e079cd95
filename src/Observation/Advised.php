<?php

declare(strict_types=1);

namespace App\Observation;

use OpenApi\Attributes as OA;

/** Advice to the customer, as it stands on the record. */
#[OA\Schema(required: ['text'], additionalProperties: false)]
final readonly class Advised implements Worded
{
    public function __construct(
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
        return 'advised';
    }

    public static function read(Fields $fields): self
    {
        return new self($fields->text('text', 2000));
    }
}
