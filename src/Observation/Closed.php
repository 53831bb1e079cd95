<?php

declare(strict_types=1);

namespace App\Observation;

use OpenApi\Attributes as OA;

/** The end of a visit: who was told, whether danger is left, and what of the temporary changes stays. */
#[OA\Schema(required: ['text'], additionalProperties: false)]
final readonly class Closed implements Payload
{
    /**
     * @param string        $text     who was told, and how
     * @param bool          $noDanger whether it is said that no danger is present now
     * @param list<Stay>    $stays
     * @param list<Removed> $removed  dangers found on this call that are gone, each with the entry that shows it
     */
    public function __construct(
        #[OA\Property(minLength: 1, maxLength: 2000)]
        public string $text,
        #[OA\Property]
        public bool $noDanger = false,
        #[OA\Property(description: 'Whether every cover that was off is on again.')]
        public bool $coversOn = false,
        #[OA\Property(type: 'array', maxItems: 400, items: new OA\Items(ref: Stay::class))]
        public array $stays = [],
        #[OA\Property(type: 'array', maxItems: 400, items: new OA\Items(ref: Removed::class))]
        public array $removed = [],
    ) {
    }

    public static function kind(): string
    {
        return 'closed';
    }

    public static function read(Fields $fields): self
    {
        return new self($fields->text('text', 2000), $fields->flag('noDanger'), $fields->flag('coversOn'), array_map(Stay::read(...), $fields->objects('stays')), array_map(Removed::read(...), $fields->objects('removed')));
    }
}
