<?php

declare(strict_types=1);

namespace App\Observation;

use OpenApi\Attributes as OA;

/** What somebody said: in plain words, and what of it could be picked as an event. */
#[OA\Schema(required: ['text'], additionalProperties: false)]
final readonly class Told implements Worded
{
    /**
     * @param string|null $device      the protective device that trips, by its id in the house
     * @param string|null  $deviceWords what the page called it then
     * @param list<string> $places      where it shows, by their ids in the house
     * @param string|null  $onset       how soon it comes, and after what
     * @param list<string> $running     what runs each time, by their ids in the house
     */
    public function __construct(
        #[OA\Property(minLength: 1, maxLength: 2000)]
        public string $text,
        #[OA\Property(minLength: 1, maxLength: 60, nullable: false)]
        public ?string $symptom = null,
        #[OA\Property(minLength: 1, maxLength: 60)]
        public ?string $context = null,
        #[OA\Property(minLength: 1, maxLength: 60)]
        public ?string $resets = null,
        #[OA\Property(minLength: 1, maxLength: 100)]
        public ?string $device = null,
        #[OA\Property(minLength: 1, maxLength: 200)]
        public ?string $deviceWords = null,
        #[OA\Property(minLength: 1, maxLength: 200)]
        public ?string $when = null,
        #[OA\Property(minLength: 1, maxLength: 200)]
        public ?string $since = null,
        #[OA\Property(minLength: 1, maxLength: 300)]
        public ?string $also = null,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string', minLength: 1, maxLength: 100))]
        public array $places = [],
        #[OA\Property(minLength: 1, maxLength: 60)]
        public ?string $onset = null,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string', minLength: 1, maxLength: 100))]
        public array $running = [],
    ) {
    }

    public function words(): string
    {
        return $this->text;
    }

    public static function kind(): string
    {
        return 'told';
    }

    public static function read(Fields $fields): self
    {
        return new self($fields->text('text', 2000), $fields->optionalText('symptom', 60), $fields->optionalText('context', 60), $fields->optionalText('resets', 60), $fields->optionalText('device', 100), $fields->optionalText('deviceWords', 200), $fields->optionalText('when', 200), $fields->optionalText('since', 200), $fields->optionalText('also', 300), $fields->texts('places', 100), $fields->optionalText('onset', 60), $fields->texts('running', 100));
    }
}
