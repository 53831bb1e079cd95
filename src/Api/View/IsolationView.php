<?php

declare(strict_types=1);

namespace App\Api\View;

use OpenApi\Attributes as OA;

/** Safe isolation as far as it has come. */
#[OA\Schema(required: ['steps', 'place', 'level', 'locks', 'points', 'stopped'])]
final readonly class IsolationView
{
    /**
     * @param list<IsolationStepView> $steps
     * @param list<LockView> $locks
     * @param list<DeviceView> $points
     */
    public function __construct(
        #[OA\Property(type: 'array', items: new OA\Items(ref: IsolationStepView::class))]
        public array $steps,
        #[OA\Property]
        public ?string $place,
        #[OA\Property]
        public ?string $level,
        #[OA\Property(type: 'array', items: new OA\Items(ref: LockView::class))]
        public array $locks,
        #[OA\Property(type: 'array', items: new OA\Items(ref: DeviceView::class))]
        public array $points,
        #[OA\Property(description: 'Place at which a voltage was found and nothing was opened since.')]
        public ?string $stopped,
    ) {
    }
}
