<?php

declare(strict_types=1);

namespace App\Api\View;

use OpenApi\Attributes as OA;

/** A device with a lever, as it stands. */
#[OA\Schema(required: ['device', 'name', 'kind', 'on', 'isMain', 'trips', 'locked', 'behind', 'shows', 'watch'])]
final readonly class LeverView
{
    /**
     * @param list<string> $behind
     * @param list<string> $shows
     * @param list<string> $watch
     */
    public function __construct(
        #[OA\Property]
        public string $device,
        #[OA\Property]
        public string $name,
        #[OA\Property]
        public string $kind,
        #[OA\Property]
        public bool $on,
        #[OA\Property]
        public bool $isMain,
        #[OA\Property(description: 'Whether it can open by itself.')]
        public bool $trips,
        #[OA\Property(description: 'Who keeps the key of the lock on it.')]
        public ?string $locked,
        #[OA\Property(description: 'Circuits that it feeds, by id.', type: 'array', items: new OA\Items(type: 'string'))]
        public array $behind,
        #[OA\Property(description: 'Symptoms that it can have shown.', type: 'array', items: new OA\Items(type: 'string'))]
        public array $shows,
        #[OA\Property(description: 'Signed poles by which it is watched; empty where it does not open by itself.', type: 'array', items: new OA\Items(type: 'string'))]
        public array $watch,
    ) {
    }
}
