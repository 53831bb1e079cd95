<?php

declare(strict_types=1);

namespace App\Api\View;

use OpenApi\Attributes as OA;

/** A way of the board and its line. */
#[OA\Schema(required: ['circuit', 'name', 'device', 'board', 'rating', 'group', 'groupName', 'on', 'terminals', 'stops', 'returns', 'ring', 'clamps', 'controls', 'legs'])]
final readonly class WayView
{
    /**
     * @param list<TerminalView> $terminals
     * @param list<StopView> $stops
     * @param list<ReturnView> $returns
     * @param list<ClampView> $clamps
     * @param list<ControlView> $controls
     * @param list<LegView> $legs
     */
    public function __construct(
        #[OA\Property]
        public string $circuit,
        #[OA\Property]
        public string $name,
        #[OA\Property(description: 'Id of its breaker.')]
        public string $device,
        #[OA\Property(description: 'Place of the board that it is in.')]
        public string $board,
        #[OA\Property]
        public string $rating,
        #[OA\Property(description: 'Id of the residual device before it.')]
        public ?string $group,
        #[OA\Property]
        public string $groupName,
        #[OA\Property]
        public bool $on,
        #[OA\Property(type: 'array', description: 'At the board: line, neutral, earth, and lifted ends.', items: new OA\Items(ref: TerminalView::class))]
        public array $terminals,
        #[OA\Property(type: 'array', items: new OA\Items(ref: StopView::class))]
        public array $stops,
        #[OA\Property(type: 'array', items: new OA\Items(ref: ReturnView::class))]
        public array $returns,
        #[OA\Property]
        public bool $ring,
        #[OA\Property(type: 'array', items: new OA\Items(ref: ClampView::class))]
        public array $clamps,
        #[OA\Property(type: 'array', items: new OA\Items(ref: ControlView::class))]
        public array $controls,
        #[OA\Property(type: 'array', description: 'Its cables at the board.', items: new OA\Items(ref: LegView::class))]
        public array $legs,
    ) {
    }
}
