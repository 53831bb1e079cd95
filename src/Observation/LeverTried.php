<?php

declare(strict_types=1);

namespace App\Observation;

use OpenApi\Attributes as OA;

/** One row of a board's truth table: a lever opened by itself, and what went dead with it. */
#[OA\Schema(required: ['device', 'dead', 'live'], additionalProperties: false)]
final readonly class LeverTried implements Payload
{
    /**
     * @param string       $device the device whose lever was opened and closed again
     * @param list<string> $dead   circuits seen dead while it was open, by id
     * @param list<string> $live   circuits seen live while it was open, by id
     */
    public function __construct(
        #[OA\Property(minLength: 1, maxLength: 100)]
        public string $device,
        #[OA\Property(type: 'array', maxItems: 400, items: new OA\Items(type: 'string', maxLength: 100))]
        public array $dead,
        #[OA\Property(type: 'array', maxItems: 400, items: new OA\Items(type: 'string', maxLength: 100))]
        public array $live,
        #[OA\Property(minLength: 1, maxLength: 500)]
        public ?string $text = null,
    ) {
    }

    public static function kind(): string
    {
        return 'lever';
    }

    public static function read(Fields $fields): self
    {
        $own = new self($fields->text('device', 100), $fields->texts('dead', 100), $fields->texts('live', 100), $fields->optionalText('text', 500));
        if ([] === $own->dead && [] === $own->live) {
            throw $fields->error('dead', 'Say of at least one circuit whether it was dead or live.');
        }
        if ([] !== array_intersect($own->dead, $own->live)) {
            throw $fields->error('live', 'A circuit was either dead or live, not both.');
        }

        return $own;
    }
}
