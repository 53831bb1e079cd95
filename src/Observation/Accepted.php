<?php

declare(strict_types=1);

namespace App\Observation;

use OpenApi\Attributes as OA;

/** A cause taken as the cause, by its id in the ranking, with how it is known and how it came about. */
#[OA\Schema(required: ['hypothesis', 'knowing'], additionalProperties: false)]
final readonly class Accepted implements Worded
{
    public function __construct(
        #[OA\Property(minLength: 1, maxLength: 300)]
        public string $hypothesis,
        #[OA\Property(enum: Seen::KNOWING)]
        public string $knowing,
        #[OA\Property(maxLength: 2000)]
        public string $how = '',
    ) {
    }

    public function words(): string
    {
        return $this->how;
    }

    public static function kind(): string
    {
        return 'accepted';
    }

    public static function read(Fields $fields): self
    {
        return new self($fields->text('hypothesis', 300), $fields->oneOf('knowing', Seen::KNOWING), $fields->maybeEmpty('how', 2000));
    }
}
