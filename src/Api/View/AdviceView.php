<?php

declare(strict_types=1);

namespace App\Api\View;

use OpenApi\Attributes as OA;

/** Whether to test on or to stop, and the tests worth most per minute. */
#[OA\Schema(required: ['advice', 'words', 'lossMinutes', 'asks', 'unexplained', 'tests', 'forcings'])]
final readonly class AdviceView
{
    /**
     * @param list<string>       $asks
     * @param list<string>       $unexplained
     * @param list<NextTestView> $tests
     * @param list<ForcingView>  $forcings
     */
    public function __construct(
        #[OA\Property(enum: ['test', 'open', 'out-of-use', 'repair', 'swap', 'explain', 'leave', 'done', 'distributor', 'look-again'])]
        public string $advice,
        #[OA\Property]
        public string $words,
        #[OA\Property(description: 'Expected loss of repairing now, in minutes.')]
        public float $lossMinutes,
        #[OA\Property(description: 'Before anything is read: what nobody has told yet and would narrow it.', type: 'array', items: new OA\Items(type: 'string', enum: ['device', 'running', 'onset', 'place']))]
        public array $asks,
        #[OA\Property(description: 'Where no listed cause fits: readings that nothing explains, the oddest first.', type: 'array', items: new OA\Items(type: 'string'))]
        public array $unexplained,
        #[OA\Property(type: 'array', items: new OA\Items(ref: NextTestView::class))]
        public array $tests,
        #[OA\Property(description: 'What may bring out a fault that comes and goes, and what to read meanwhile: where no test pays as the house is, or where it tells more a minute than any.', type: 'array', items: new OA\Items(ref: ForcingView::class))]
        public array $forcings,
    ) {
    }
}
