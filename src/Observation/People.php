<?php

declare(strict_types=1);

namespace App\Observation;

use App\Call\AtRisk;
use OpenApi\Attributes as OA;

/** The people of the house, as a whole: who suffers when the power goes, and whom to ask. The latest stands. */
#[OA\Schema(additionalProperties: false)]
final readonly class People implements Payload
{
    /**
     * @param list<string>  $occupants slugs of {@see AtRisk}
     * @param list<Contact> $contacts
     */
    public function __construct(
        #[OA\Property(type: 'array', maxItems: 8, items: new OA\Items(type: 'string', enum: AtRisk::class))]
        public array $occupants = [],
        #[OA\Property(type: 'array', maxItems: 400, items: new OA\Items(ref: Contact::class))]
        public array $contacts = [],
    ) {
    }

    public static function kind(): string
    {
        return 'people';
    }

    public static function read(Fields $fields): self
    {
        $occupants = $fields->texts('occupants', 60);
        foreach ($occupants as $at => $slug) {
            if (null === AtRisk::tryFrom($slug)) {
                throw $fields->error("occupants/$at", 'Expected one of '.implode(', ', array_column(AtRisk::cases(), 'value')).'.');
            }
        }

        return new self($occupants, array_map(Contact::read(...), $fields->objects('contacts')));
    }
}
