<?php

declare(strict_types=1);

namespace App\Observation;

use App\Photo\PhotoStore;
use OpenApi\Attributes as OA;

/** What was seen, heard or smelt at a place: of the list of looks, of the list of findings, or in words; with a photo. */
#[OA\Schema(additionalProperties: false)]
final readonly class Seen implements Worded
{
    public const CLASSES = ['D', 'P', 'I', 'F'];
    public const KNOWING = ['seen', 'measured', 'inferred', 'assumed'];

    public function __construct(
        #[OA\Property(minLength: 1, maxLength: 60)]
        public ?string $look = null,
        #[OA\Property(enum: self::CLASSES)]
        public ?string $class = null,
        #[OA\Property(enum: self::KNOWING)]
        public ?string $knowing = null,
        #[OA\Property(minLength: 1, maxLength: 100)]
        public ?string $place = null,
        #[OA\Property(minLength: 1, maxLength: 60)]
        public ?string $finding = null,
        #[OA\Property(minLength: 1, maxLength: 2000)]
        public ?string $text = null,
        #[OA\Property(type: 'string', description: 'A JPEG, PNG or WebP picture as a data URL; the store keeps it by itself.', minLength: 1, maxLength: PhotoStore::MOST_BYTES)]
        public ?Photo $photo = null,
    ) {
    }

    public function words(): string
    {
        return $this->text ?? '';
    }

    public static function kind(): string
    {
        return 'seen';
    }

    public static function read(Fields $fields): self
    {
        $photo = $fields->optionalObject('photo');
        $own = new self($fields->optionalText('look', 60), $fields->optionalOneOf('class', self::CLASSES), $fields->optionalOneOf('knowing', self::KNOWING), $fields->optionalText('place', 100), $fields->optionalText('finding', 60), $fields->optionalText('text', 2000), null === $photo ? null : Photo::read($photo));
        if (null === $own->look && null === $own->text) {
            throw $fields->error('text', 'Say what was seen: pick it from the list, or write it.');
        }

        return $own;
    }
}
