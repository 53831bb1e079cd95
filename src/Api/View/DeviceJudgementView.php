<?php

declare(strict_types=1);

namespace App\Api\View;

use OpenApi\Attributes as OA;

/** What one device of the board takes with it. */
#[OA\Schema(required: ['device', 'circuits', 'amperes', 'sum', 'diverse', 'remarks'])]
final readonly class DeviceJudgementView
{
    /**
     * @param list<string> $circuits
     * @param list<string> $remarks
     */
    public function __construct(
        #[OA\Property]
        public string $device,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $circuits,
        #[OA\Property(nullable: true)]
        public ?float $amperes,
        #[OA\Property]
        public float $sum,
        #[OA\Property]
        public float $diverse,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $remarks,
    ) {
    }
}
