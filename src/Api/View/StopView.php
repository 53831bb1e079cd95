<?php

declare(strict_types=1);

namespace App\Api\View;

use OpenApi\Attributes as OA;

/** A point on a line. */
#[OA\Schema(required: ['part', 'place', 'name', 'kind', 'column', 'row', 'after', 'terminals', 'loads', 'assumed', 'controls', 'legs'])]
final readonly class StopView
{
    /**
     * @param list<TerminalView> $terminals
     * @param list<string> $loads
     * @param list<ControlView> $controls
     * @param list<LegView> $legs
     */
    public function __construct(
        #[OA\Property]
        public string $part,
        #[OA\Property]
        public string $place,
        #[OA\Property]
        public string $name,
        #[OA\Property]
        public string $kind,
        #[OA\Property]
        public int $column,
        #[OA\Property]
        public int $row,
        #[OA\Property]
        public ?string $after,
        #[OA\Property(type: 'array', items: new OA\Items(ref: TerminalView::class))]
        public array $terminals,
        #[OA\Property(type: 'array', description: 'Ids of loads here.', items: new OA\Items(type: 'string'))]
        public array $loads,
        #[OA\Property(description: 'Whether the cable before it is assumed rather than known.')]
        public bool $assumed,
        #[OA\Property(type: 'array', items: new OA\Items(ref: ControlView::class))]
        public array $controls,
        #[OA\Property(type: 'array', description: 'Cables that end here.', items: new OA\Items(ref: LegView::class))]
        public array $legs,
    ) {
    }
}
