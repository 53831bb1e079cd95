<?php

declare(strict_types=1);

namespace App\Api\View;

use OpenApi\Attributes as OA;

/** The test that somebody is preparing for, wherever they go on with it. */
#[OA\Schema(required: ['test', 'run', 'since', 'leftOut', 'forced'])]
final readonly class InHandView
{
    /**
     * @param list<string> $leftOut
     * @param list<string> $forced
     */
    public function __construct(
        #[OA\Property(description: 'Id of the test; empty where the run says it, or nothing is in hand.')]
        public string $test,
        #[OA\Property(description: 'Id of the run; empty for a test by itself.')]
        public string $run,
        #[OA\Property(description: 'The last entry when its steps were listed; empty where there was none.')]
        public string $since,
        #[OA\Property(type: 'array', description: 'Subjects of the steps that were left out.', items: new OA\Items(type: 'string'))]
        public array $leftOut,
        #[OA\Property(type: 'array', description: 'What is done meanwhile to bring out what comes and goes.', items: new OA\Items(type: 'string'))]
        public array $forced,
    ) {
    }
}
