<?php

declare(strict_types=1);

namespace App\Job;

use OpenApi\Attributes as OA;

/** How far a piece of work is. */
#[OA\Schema(schema: 'Progress', required: ['isRunning', 'done', 'total', 'ahead', 'againMilliseconds'])]
final readonly class Progress
{
    private const SOON_MILLISECONDS = 100;

    /** What one job takes at least, roughly. */
    private const EACH_MILLISECONDS = 700;

    private const LATEST_MILLISECONDS = 5000;

    public function __construct(
        #[OA\Property(description: 'Whether a worker has taken it up.')]
        public bool $isRunning,
        #[OA\Property(description: 'Pieces done.')]
        public int $done,
        #[OA\Property(description: 'Pieces in all; 0 while that is not known.')]
        public int $total,
        #[OA\Property(description: 'Others that are worked out before it.')]
        public int $ahead,
        #[OA\Property(description: 'Nothing new is to be expected before: who looks sooner only takes time from what is worked out.')]
        public int $againMilliseconds,
    ) {
    }

    public static function of(bool $isRunning, int $done, int $total, int $ahead): self
    {
        return new self($isRunning, $done, $total, $ahead, $isRunning || 0 === $ahead ? self::SOON_MILLISECONDS : min(self::LATEST_MILLISECONDS, $ahead * self::EACH_MILLISECONDS));
    }
}
