<?php

declare(strict_types=1);

namespace App\Observation;

use OpenApi\Attributes as OA;

/** What was watched while a device was closed again: what should have come alive, and whether it did. */
#[OA\Schema(required: ['live', 'dead'], additionalProperties: false)]
final readonly class Watched
{
    /**
     * @param list<string> $live  what was expected to come alive, by name
     * @param list<string> $dead  circuits that were expected to stay dead, by name
     * @param string|null  $found what happened instead, as typed
     * @param bool         $trips whether the device opened again by itself
     */
    public function __construct(
        #[OA\Property(type: 'array', maxItems: 400, items: new OA\Items(type: 'string', maxLength: 200))]
        public array $live,
        #[OA\Property(type: 'array', maxItems: 400, items: new OA\Items(type: 'string', maxLength: 200))]
        public array $dead,
        #[OA\Property]
        public bool $asExpected = true,
        #[OA\Property(minLength: 1, maxLength: 500)]
        public ?string $found = null,
        #[OA\Property]
        public bool $trips = false,
    ) {
    }

    public static function read(Fields $fields): self
    {
        $own = new self($fields->texts('live'), $fields->texts('dead'), $fields->flag('asExpected', true), $fields->optionalText('found', 500), $fields->flag('trips'));
        if (!$own->asExpected && null === $own->found && !$own->trips) {
            throw $fields->error('found', 'Say what happened instead.');
        }
        if ($own->asExpected && ($own->trips || null !== $own->found)) {
            throw $fields->error('asExpected', 'Either it was as expected, or something else happened: not both.');
        }
        $fields->done();

        return $own;
    }
}
