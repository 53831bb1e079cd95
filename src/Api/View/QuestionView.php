<?php

declare(strict_types=1);

namespace App\Api\View;

use App\Observation\Act;
use OpenApi\Attributes as OA;

/** An act that arrived after somebody else had switched the same thing: how does it stand now? */
#[OA\Schema(required: ['id', 'words', 'said', 'by', 'at', 'else'])]
final readonly class QuestionView
{
    public function __construct(
        #[OA\Property]
        public string $id,
        #[OA\Property]
        public string $words,
        #[OA\Property(ref: Act::class, description: 'What the late entry did.')]
        public Act $said,
        #[OA\Property]
        public string $by,
        #[OA\Property]
        public string $at,
        #[OA\Property(ref: Act::class, description: 'What stands as far as the journal says, where the answer is no.')]
        public Act $else,
    ) {
    }
}
