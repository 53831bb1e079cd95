<?php

declare(strict_types=1);

namespace App\Observation;

use OpenApi\Attributes as OA;

/** A device locked off: the number on the lock, who keeps the key, whether the sign hangs. */
#[OA\Schema(required: ['device', 'keeper', 'sign'], additionalProperties: false)]
final readonly class Lock
{
    public function __construct(
        #[OA\Property(minLength: 1, maxLength: 100)]
        public string $device,
        #[OA\Property(minLength: 1, maxLength: 80)]
        public string $keeper,
        #[OA\Property]
        public bool $sign,
        #[OA\Property(minLength: 1, maxLength: 40)]
        public ?string $number = null,
    ) {
    }

    public static function read(Fields $fields): self
    {
        $own = new self($fields->text('device', 100), $fields->text('keeper', 80), $fields->flag('sign'), $fields->optionalText('number', 40));
        $fields->done();

        return $own;
    }
}
