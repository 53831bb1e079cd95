<?php

declare(strict_types=1);

namespace App\Call;

use App\Api\Problem;
use YellowProbe\Installation\Attributes;
use YellowProbe\Installation\Knowing;
use YellowProbe\Rules\Looks;

/** What was seen at a place: a defect of the list with its class and grade of knowing, and a photo. */
final readonly class Seen
{
    /** Of a photo as a data URL: enough for 1280 pixels across, and no more than a phone with one bar can send. */
    private const MOST_PHOTO = 700_000;
    private const IMAGES = ['image/jpeg', 'image/png', 'image/webp'];

    /**
     * @return array<string, mixed> what the list knows of it, to be kept with it; empty when nothing of the list was picked
     *
     * @throws Problem when the list, the class, the grade or the photo is not what it should be
     */
    public static function read(Attributes $payload, Looks $looks): array
    {
        if ($payload->has('photo')) {
            self::photo($payload->string('photo'));
        }
        if (!$payload->has('look')) {
            return [];
        }
        $look = $looks->all()[$payload->string('look')] ?? throw Problem::invalid('/payload/look', 'This is not on the list of what to look for.');
        $class = $payload->string('class', $look->class);
        if (!\in_array($class, ['D', 'P', 'I', 'F'], true)) {
            throw Problem::invalid('/payload/class', 'Expected D, P, I or F.');
        }
        if (null === Knowing::tryFrom($payload->string('knowing', 'seen'))) {
            throw Problem::invalid('/payload/knowing', 'Say how it is known: measured, seen, inferred or assumed.');
        }

        return ['words' => $look->words, 'class' => $class] + ('' === $look->finding ? [] : ['finding' => $look->finding]);
    }

    /**
     * The bytes of a photo.
     *
     * @return array{string, string} type, bytes
     *
     * @throws Problem when it is none
     */
    public static function photo(string $url): array
    {
        if (\strlen($url) > self::MOST_PHOTO) {
            throw Problem::invalid('/payload/photo', \sprintf('The photo is too large: at most %d kB.', self::MOST_PHOTO / 1000));
        }
        $parts = explode(';base64,', $url, 2);
        $bytes = 2 === \count($parts) ? base64_decode($parts[1], true) : false;
        // That it is no picture is said by what it returns; the notice beside it says no more.
        $size = false === $bytes || '' === $bytes ? false : @getimagesizefromstring($bytes);
        if (false === $bytes || false === $size || !\in_array($size['mime'], self::IMAGES, true) || "data:{$size['mime']}" !== $parts[0]) {
            throw Problem::invalid('/payload/photo', 'Expected a JPEG, PNG or WebP picture as a data URL.');
        }

        return [$size['mime'], $bytes];
    }
}
