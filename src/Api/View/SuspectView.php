<?php

declare(strict_types=1);

namespace App\Api\View;

use OpenApi\Attributes as OA;

/** A cause, or places of one cause that cannot be told apart. */
#[OA\Schema(required: ['id', 'title', 'where', 'moreWhere', 'alike', 'places', 'probability', 'class', 'reasons', 'hypotheses', 'atTimes', 'shown', 'isSmall'])]
final readonly class SuspectView
{
    /**
     * @param list<string> $where
     * @param list<string> $places
     * @param list<ReasonView> $reasons
     * @param list<string> $hypotheses
     */
    public function __construct(
        #[OA\Property(description: 'The likeliest hypothesis of the line.')]
        public string $id,
        #[OA\Property]
        public string $title,
        #[OA\Property(type: 'array', description: 'At most six, likeliest first.', items: new OA\Items(type: 'string'))]
        public array $where,
        #[OA\Property(description: 'How many further places.')]
        public int $moreWhere,
        #[OA\Property(description: 'How many of all of them are no less than a tenth as likely as the first.')]
        public int $alike,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $places,
        #[OA\Property]
        public float $probability,
        #[OA\Property(description: 'D, P, I, F or empty.')]
        public string $class,
        #[OA\Property(type: 'array', items: new OA\Items(ref: ReasonView::class))]
        public array $reasons,
        #[OA\Property(type: 'array', description: 'One for each place in "where".', items: new OA\Items(type: 'string'))]
        public array $hypotheses,
        #[OA\Property(description: 'How much of its probability is that it comes and goes.')]
        public float $atTimes,
        #[OA\Property(description: 'Its probability as it is shown everywhere: page, dialogue and paper.')]
        public string $shown,
        #[OA\Property(description: 'Whether it is so unlikely that it stands with the others of its kind in one line.')]
        public bool $isSmall,
    ) {
    }
}
