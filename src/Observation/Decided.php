<?php

declare(strict_types=1);

namespace App\Observation;

use OpenApi\Attributes as OA;

/** Mend now, or make safe and list: the choice with its reason, and who agreed to what costs money. */
#[OA\Schema(required: ['choice', 'reason'], additionalProperties: false)]
final readonly class Decided implements Worded
{
    public const CHOICES = ['mend', 'list'];

    public function __construct(
        #[OA\Property(enum: self::CHOICES)]
        public string $choice,
        #[OA\Property(minLength: 1, maxLength: 2000)]
        public string $reason,
        #[OA\Property]
        public ?Consent $consent = null,
        #[OA\Property]
        public ?DecisionInputs $inputs = null,
        #[OA\Property]
        public ?DecisionOptions $options = null,
    ) {
    }

    public function words(): string
    {
        return $this->reason;
    }

    public static function kind(): string
    {
        return 'decided';
    }

    public static function read(Fields $fields): self
    {
        [$consent, $inputs, $options] = [$fields->optionalObject('consent'), $fields->optionalObject('inputs'), $fields->optionalObject('options')];
        $own = new self(
            $fields->oneOf('choice', self::CHOICES),
            $fields->text('reason', 2000),
            null === $consent ? null : Consent::read($consent),
            null === $inputs ? null : DecisionInputs::read($inputs),
            null === $options ? null : DecisionOptions::read($options),
        );
        // What is mended costs somebody money: who agreed, and how, stands beside it.
        if ('mend' === $own->choice && null === $own->consent) {
            throw $fields->error('consent/who', 'Say who agreed to the work, and how.');
        }

        return $own;
    }
}
