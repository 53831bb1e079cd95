<?php

declare(strict_types=1);

namespace App\Api\View;

use OpenApi\Attributes as OA;
use YellowProbe\Rules\Agreement;

/** Whether readings agree that have to. */
#[OA\Schema(required: ['verdict', 'sentence', 'working', 'readings'])]
final readonly class AgreementView
{
    /**
     * @param list<string> $readings
     */
    public function __construct(
        #[OA\Property]
        public string $verdict,
        #[OA\Property]
        public string $sentence,
        #[OA\Property]
        public string $working,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $readings,
    ) {
    }

    public static function of(Agreement $agreement): self
    {
        return new self($agreement->verdict->value, $agreement->sentence, $agreement->working, $agreement->readings);
    }
}
