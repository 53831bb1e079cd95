<?php

declare(strict_types=1);

namespace App\Observation;

use OpenApi\Attributes as OA;

/**
 * Something that is wrong and stays so when the visit ends: its class, what was done for the meantime, who was told, what
 * they answered, and when somebody comes back. A visit may end with it as well as with a repair.
 */
#[OA\Schema(required: ['finding', 'class', 'measure', 'told', 'answer', 'words'], additionalProperties: false)]
final readonly class Unrepaired implements Worded
{
    public const ANSWERS = ['agrees', 'refuses', 'not-there'];

    /**
     * @param string      $finding  what is wrong, in plain words
     * @param string      $measure  what was done for the meantime, or why nothing was
     * @param string      $told     who was told, and by what means
     * @param string      $words    consent or refusal as it was said
     * @param string|null $about    entry that it is about: an accepted cause, something seen, something told
     * @param string|null $comeBack day of the next visit
     */
    public function __construct(
        #[OA\Property(minLength: 1, maxLength: 2000)]
        public string $finding,
        #[OA\Property(enum: Seen::CLASSES)]
        public string $class,
        #[OA\Property(minLength: 1, maxLength: 2000)]
        public string $measure,
        #[OA\Property(minLength: 1, maxLength: 300)]
        public string $told,
        #[OA\Property(enum: self::ANSWERS)]
        public string $answer,
        #[OA\Property(minLength: 1, maxLength: 2000)]
        public string $words,
        #[OA\Property(format: 'uuid')]
        public ?string $about = null,
        #[OA\Property(minLength: 1, maxLength: 100)]
        public ?string $place = null,
        #[OA\Property(format: 'date')]
        public ?string $comeBack = null,
    ) {
    }

    public function words(): string
    {
        return $this->finding;
    }

    public static function kind(): string
    {
        return 'unrepaired';
    }

    public static function read(Fields $fields): self
    {
        return new self(
            $fields->text('finding', 2000),
            $fields->oneOf('class', Seen::CLASSES),
            $fields->text('measure', 2000),
            $fields->text('told', 300),
            $fields->oneOf('answer', self::ANSWERS),
            $fields->text('words', 2000),
            $fields->optionalId('about'),
            $fields->optionalText('place', 100),
            $fields->optionalDate('comeBack'),
        );
    }
}
