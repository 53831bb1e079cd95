<?php

declare(strict_types=1);

namespace App\Api\View;

use OpenApi\Attributes as OA;

/** What of the lists the words of a complaint may be about: to be tapped by a person, of no weight before. */
#[OA\Schema(required: ['field', 'slug', 'words', 'said'])]
final readonly class SuggestionView
{
    public function __construct(
        #[OA\Property(description: 'Of an entry "told".', enum: ['symptom', 'context', 'onset', 'resets', 'running'])]
        public string $field,
        #[OA\Property(description: 'Of a list, or the id of an appliance.')]
        public string $slug,
        #[OA\Property]
        public string $words,
        #[OA\Property(description: 'The words that it is taken from.')]
        public string $said,
    ) {
    }
}
