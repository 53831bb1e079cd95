<?php

declare(strict_types=1);

namespace App\Observation;

use OpenApi\Attributes as OA;

/** Where a tester was put: its leads on terminals, its jaw around conductors, or both for what makes a device act. */
#[OA\Schema(required: ['terminals', 'around'], additionalProperties: false)]
final readonly class Leads
{
    /**
     * @param list<string> $terminals
     * @param list<string> $around    "+cable/core" or "-cable/core"
     */
    public function __construct(
        #[OA\Property(type: 'array', maxItems: 8, items: new OA\Items(type: 'string', maxLength: 200))]
        public array $terminals,
        #[OA\Property(type: 'array', maxItems: 400, items: new OA\Items(type: 'string', maxLength: 200))]
        public array $around = [],
    ) {
    }

    public static function read(Fields $fields): self
    {
        $own = new self($fields->texts('terminals'), $fields->texts('around'));
        if ([] === $own->terminals && [] === $own->around) {
            throw $fields->error('terminals', 'Say where the leads or the jaw are.');
        }
        $fields->done();

        return $own;
    }

    /** @return array{terminals: list<string>, around: list<string>} */
    public function raw(): array
    {
        return ['terminals' => $this->terminals, 'around' => $this->around];
    }
}
