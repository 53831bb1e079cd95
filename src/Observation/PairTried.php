<?php

declare(strict_types=1);

namespace App\Observation;

use OpenApi\Attributes as OA;

/** One pair of the dead test, or of the live reference before it: no voltage, voltage found, or the figure. */
#[OA\Schema(required: ['pair', 'voltage'], additionalProperties: false)]
final readonly class PairTried
{
    /**
     * @param string      $pair as the server names it: two terminals, or "others"
     * @param bool        $voltage whether any was found
     * @param string|null $raw  what the indicator showed, as typed
     */
    public function __construct(
        #[OA\Property(minLength: 1, maxLength: 400)]
        public string $pair,
        #[OA\Property]
        public bool $voltage,
        #[OA\Property(minLength: 1, maxLength: 40)]
        public ?string $raw = null,
    ) {
    }

    public static function read(Fields $fields): self
    {
        if (!$fields->has('voltage')) {
            throw $fields->error('voltage', 'Say whether a voltage was found on this pair.');
        }
        $own = new self($fields->text('pair', 400), $fields->flag('voltage'), $fields->optionalText('raw', 40));
        $fields->done();

        return $own;
    }
}
