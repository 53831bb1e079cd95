<?php

declare(strict_types=1);

namespace App\Api\View;

use OpenApi\Attributes as OA;

/** The board judged as it is built. */
#[OA\Schema(required: ['devices', 'unprotected', 'findings', 'jumpers'])]
final readonly class BoardView
{
    /**
     * @param list<DeviceJudgementView> $devices
     * @param list<string> $unprotected
     * @param list<string> $findings
     * @param list<JumperView> $jumpers
     */
    public function __construct(
        #[OA\Property(type: 'array', items: new OA\Items(ref: DeviceJudgementView::class))]
        public array $devices,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $unprotected,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $findings,
        #[OA\Property(type: 'array', items: new OA\Items(ref: JumperView::class))]
        public array $jumpers,
    ) {
    }
}
