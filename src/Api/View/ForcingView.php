<?php

declare(strict_types=1);

namespace App\Api\View;

use OpenApi\Attributes as OA;
use YellowProbe\Diagnosis\Worth;

/** A test while something is done that brings out what comes and goes. */
#[OA\Schema(required: ['by', 'words', 'caution', 'bits', 'worth', 'minutes', 'test'])]
final readonly class ForcingView
{
    public function __construct(
        #[OA\Property(description: 'Goes with the reading, among what was forced.', enum: ['vibration', 'rain', 'heat'])]
        public string $by,
        #[OA\Property(description: 'What is done meanwhile.')]
        public string $words,
        #[OA\Property]
        public string $caution,
        #[OA\Property(description: 'What the test tells while it is done.')]
        public float $bits,
        #[OA\Property(enum: Worth::class)]
        public string $worth,
        #[OA\Property(description: 'Of the test and of what is done.')]
        public float $minutes,
        #[OA\Property]
        public NextTestView $test,
    ) {
    }
}
