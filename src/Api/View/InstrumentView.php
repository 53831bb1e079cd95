<?php

declare(strict_types=1);

namespace App\Api\View;

use OpenApi\Attributes as OA;

/** A tester. */
#[OA\Schema(required: ['slug', 'words', 'unit', 'leads', 'deadOnly', 'family', 'trap', 'typed', 'patterns', 'acts'])]
final readonly class InstrumentView
{
    /**
     * @param list<string> $leads
     * @param string       $typed    unit of a bare number
     * @param list<string> $patterns what it can show instead of a number
     * @param bool         $acts     whether it makes a device act, which has to be named
     */
    public function __construct(
        #[OA\Property]
        public string $slug,
        #[OA\Property]
        public string $words,
        #[OA\Property]
        public string $unit,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $leads,
        #[OA\Property]
        public bool $deadOnly,
        #[OA\Property]
        public string $family,
        #[OA\Property]
        public string $trap,
        #[OA\Property]
        public string $typed,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $patterns,
        #[OA\Property]
        public bool $acts,
    ) {
    }
}
