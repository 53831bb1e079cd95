<?php

declare(strict_types=1);

namespace App\Observation;

use OpenApi\Attributes as OA;

/** What a decision between mending and listing was made from. */
#[OA\Schema(required: ['isDangerous', 'affected', 'tested', 'minutesEach', 'minutesLeft', 'hasParts', 'isRepairVisit', 'materials', 'ratePerHour'], additionalProperties: false)]
final readonly class DecisionInputs
{
    public function __construct(
        #[OA\Property]
        public bool $isDangerous,
        #[OA\Property]
        public float $affected,
        #[OA\Property]
        public float $tested,
        #[OA\Property]
        public float $minutesEach,
        #[OA\Property]
        public float $minutesLeft,
        #[OA\Property]
        public bool $hasParts,
        #[OA\Property]
        public bool $isRepairVisit,
        #[OA\Property(description: 'In the currency of the firm.')]
        public float $materials,
        #[OA\Property(description: 'In the currency of the firm.')]
        public float $ratePerHour,
    ) {
    }

    public static function read(Fields $fields): self
    {
        $own = new self($fields->flag('isDangerous'), $fields->number('affected'), $fields->number('tested'), $fields->number('minutesEach'), $fields->number('minutesLeft'), $fields->flag('hasParts'), $fields->flag('isRepairVisit'), $fields->number('materials'), $fields->number('ratePerHour'));
        $fields->done();

        return $own;
    }
}
