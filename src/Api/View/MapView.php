<?php

declare(strict_types=1);

namespace App\Api\View;

use OpenApi\Attributes as OA;

/** The house as a line map in the state it is in. */
#[OA\Schema(required: ['houseId', 'version', 'name', 'supply', 'main', 'mainOn', 'origin', 'ways', 'loads', 'switches', 'deviceClamps', 'live', 'colours', 'findings', 'watches', 'links', 'levers', 'boards', 'dangers'])]
final readonly class MapView
{
    /**
     * @param list<TerminalView> $origin
     * @param list<WayView> $ways
     * @param list<LoadView> $loads
     * @param list<ControlView> $switches
     * @param list<ClampView> $deviceClamps
     * @param list<string> $findings
     * @param list<ClampView> $watches
     * @param list<LinkView> $links
     * @param list<LeverView> $levers
     * @param list<DeviceView> $boards
     * @param list<ImmediateDangerView> $dangers
     */
    public function __construct(
        #[OA\Property]
        public string $houseId,
        #[OA\Property]
        public int $version,
        #[OA\Property]
        public string $name,
        #[OA\Property]
        public string $supply,
        #[OA\Property(description: 'Id of the main switch.')]
        public ?string $main,
        #[OA\Property]
        public bool $mainOn,
        #[OA\Property(type: 'array', description: 'Terminals at the main switch and bars.', items: new OA\Items(ref: TerminalView::class))]
        public array $origin,
        #[OA\Property(type: 'array', items: new OA\Items(ref: WayView::class))]
        public array $ways,
        #[OA\Property(type: 'array', items: new OA\Items(ref: LoadView::class))]
        public array $loads,
        #[OA\Property(type: 'array', description: 'Wall switches.', items: new OA\Items(ref: ControlView::class))]
        public array $switches,
        #[OA\Property(type: 'array', items: new OA\Items(ref: ClampView::class))]
        public array $deviceClamps,
        #[OA\Property(type: 'object', description: 'Terminal => expected-live, may-be-live or expected-dead. Never "dead".', additionalProperties: new OA\AdditionalProperties(type: 'string'))]
        public object $live,
        #[OA\Property(type: 'object', description: 'Role => colour it is drawn in.', additionalProperties: new OA\AdditionalProperties(type: 'string'))]
        public object $colours,
        #[OA\Property(type: 'array', description: 'What is odd and possible in this house.', items: new OA\Items(type: 'string'))]
        public array $findings,
        #[OA\Property(type: 'array', description: 'Protective devices that trip or hold, with their poles.', items: new OA\Items(ref: ClampView::class))]
        public array $watches,
        #[OA\Property(type: 'array', description: 'Test links that are fitted.', items: new OA\Items(ref: LinkView::class))]
        public array $links,
        #[OA\Property(type: 'array', description: 'Every device with a lever, from the supply to the circuits.', items: new OA\Items(ref: LeverView::class))]
        public array $levers,
        #[OA\Property(type: 'array', description: 'Places that are boards.', items: new OA\Items(ref: DeviceView::class))]
        public array $boards,
        #[OA\Property(type: 'array', description: 'What cannot wait for a diagnosis, ahead of any test.', items: new OA\Items(ref: ImmediateDangerView::class))]
        public array $dangers,
    ) {
    }
}
