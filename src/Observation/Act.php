<?php

declare(strict_types=1);

namespace App\Observation;

use OpenApi\Attributes as OA;
use YellowProbe\Installation\StateChange;

/** One thing that was switched, plugged, lifted or linked. */
#[OA\Schema(required: ['operation', 'subject', 'value'], additionalProperties: false)]
final readonly class Act
{
    public const OPERATIONS = ['set', 'load', 'lift', 'refit', 'link', 'unlink'];

    public function __construct(
        #[OA\Property(enum: self::OPERATIONS)]
        public string $operation,
        #[OA\Property(description: 'The part, load or joint; the first terminal of a link.', minLength: 1, maxLength: 200)]
        public string $subject,
        #[OA\Property(description: 'The position; the second terminal of a link; empty for a joint.', maxLength: 200)]
        public string $value = '',
    ) {
    }

    public static function read(Fields $fields): self
    {
        $own = new self($fields->oneOf('operation', self::OPERATIONS), $fields->text('subject', 200), $fields->has('value') ? $fields->maybeEmpty('value', 200) : '');
        $fields->done();

        return $own;
    }

    public function change(): StateChange
    {
        return new StateChange($this->operation, $this->subject, $this->value);
    }
}
