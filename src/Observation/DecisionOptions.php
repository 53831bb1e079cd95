<?php

declare(strict_types=1);

namespace App\Observation;

use OpenApi\Attributes as OA;

/** The two ways as they were priced when it was decided. */
#[OA\Schema(required: ['mendMinutes', 'mendMoney', 'listMinutes', 'listMoney', 'leansToMend', 'because'], additionalProperties: false)]
final readonly class DecisionOptions
{
    /** @param list<string> $because */
    public function __construct(
        #[OA\Property]
        public float $mendMinutes,
        #[OA\Property]
        public float $mendMoney,
        #[OA\Property]
        public float $listMinutes,
        #[OA\Property]
        public float $listMoney,
        #[OA\Property]
        public bool $leansToMend,
        #[OA\Property(type: 'array', maxItems: 400, items: new OA\Items(type: 'string', maxLength: 300))]
        public array $because,
    ) {
    }

    public static function read(Fields $fields): self
    {
        $own = new self($fields->number('mendMinutes'), $fields->number('mendMoney'), $fields->number('listMinutes'), $fields->number('listMoney'), $fields->flag('leansToMend'), $fields->texts('because', 300));
        $fields->done();

        return $own;
    }
}
