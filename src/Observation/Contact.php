<?php

declare(strict_types=1);

namespace App\Observation;

use OpenApi\Attributes as OA;

/** Somebody to ask or to tell, and how to reach them. */
#[OA\Schema(required: ['role', 'name'], additionalProperties: false)]
final readonly class Contact
{
    public const ROLES = ['occupier', 'owner', 'payer', 'other'];

    public function __construct(
        #[OA\Property(enum: self::ROLES)]
        public string $role,
        #[OA\Property(minLength: 1, maxLength: 200)]
        public string $name,
        #[OA\Property(maxLength: 200)]
        public string $how = '',
    ) {
    }

    public static function read(Fields $fields): self
    {
        $own = new self($fields->oneOf('role', self::ROLES), $fields->text('name', 200), $fields->maybeEmpty('how', 200));
        $fields->done();

        return $own;
    }
}
