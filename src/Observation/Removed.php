<?php

declare(strict_types=1);

namespace App\Observation;

use OpenApi\Attributes as OA;

/** A danger that was removed: the entry that found it, and the entry that shows it gone. */
#[OA\Schema(required: ['danger', 'by'], additionalProperties: false)]
final readonly class Removed
{
    public function __construct(
        #[OA\Property(format: 'uuid')]
        public string $danger,
        #[OA\Property(format: 'uuid')]
        public string $by,
    ) {
    }

    public static function read(Fields $fields): self
    {
        $own = new self($fields->id('danger'), $fields->id('by'));
        $fields->done();

        return $own;
    }
}
