<?php

declare(strict_types=1);

namespace App\Api\View;

use OpenApi\Attributes as OA;

/** Something that can be switched, plugged or lifted where it is. */
#[OA\Schema(required: ['operation', 'subject', 'name', 'value', 'options', 'clampFirst'])]
final readonly class ControlView
{
    /** @param list<OptionView> $options */
    public function __construct(
        #[OA\Property(description: 'set, load, or joint: of that one the options are lift and refit.')]
        public string $operation,
        #[OA\Property]
        public string $subject,
        #[OA\Property]
        public string $name,
        #[OA\Property(description: 'As it stands.')]
        public string $value,
        #[OA\Property(type: 'array', items: new OA\Items(ref: OptionView::class))]
        public array $options,
        #[OA\Property(description: 'Core that the jaw of a clamp goes around before it is parted.', nullable: true)]
        public ?string $clampFirst,
    ) {
    }
}
