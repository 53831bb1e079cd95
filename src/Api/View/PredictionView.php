<?php

declare(strict_types=1);

namespace App\Api\View;

use OpenApi\Attributes as OA;
use YellowProbe\Diagnosis\Worth;

/** What a tester should show where it is put. */
#[OA\Schema(required: ['where', 'expected', 'range', 'outcomes', 'from', 'to', 'bits', 'worth', 'cautions', 'loop', 'path'])]
final readonly class PredictionView
{
    /**
     * @param list<OutcomeView> $outcomes
     * @param list<string> $cautions
     * @param list<string> $loop
     * @param list<PathStepView> $path
     */
    public function __construct(
        #[OA\Property]
        public string $where,
        #[OA\Property]
        public string $expected,
        #[OA\Property]
        public string $range,
        #[OA\Property(type: 'array', items: new OA\Items(ref: OutcomeView::class))]
        public array $outcomes,
        #[OA\Property(description: 'Where on the scale of the outcomes the range of this house begins; null where there is no number.')]
        public ?float $from,
        #[OA\Property(description: 'Where it ends.')]
        public ?float $to,
        #[OA\Property(description: 'What the reading would tell about the cause as things stand, in bits.')]
        public float $bits,
        #[OA\Property(enum: Worth::class, description: 'The same by what would be left of the uncertainty over what to repair: up to a tenth, up to 60 %, up to 95 %, more.')]
        public string $worth,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $cautions,
        #[OA\Property(type: 'array', description: '"part|role" of both ends of every core that the test current passes.', items: new OA\Items(type: 'string'))]
        public array $loop,
        #[OA\Property(type: 'array', description: 'What the test current passes, the largest part of the resistance first.', items: new OA\Items(ref: PathStepView::class))]
        public array $path,
    ) {
    }
}
