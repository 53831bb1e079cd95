<?php

declare(strict_types=1);

namespace App\Observation;

/** A picture as it travels: a data URL of a JPEG, PNG or WebP. */
final readonly class Photo
{
    /** Of the data URL: enough for 1280 pixels across, and no more than a phone with one bar can send. */
    public const MOST_BYTES = 700_000;

    private const IMAGES = ['image/jpeg', 'image/png', 'image/webp'];

    private function __construct(public string $type, public string $bytes)
    {
    }

    /** @throws PayloadError when it is no picture */
    public static function of(string $url): self
    {
        $parts = explode(';base64,', $url, 2);
        $bytes = 2 === \count($parts) ? base64_decode($parts[1], true) : false;
        // That it is no picture is said by what it returns; the notice beside it says no more.
        $size = false === $bytes || '' === $bytes ? false : @getimagesizefromstring($bytes);
        if (false === $bytes || false === $size || !\in_array($size['mime'], self::IMAGES, true) || "data:{$size['mime']}" !== $parts[0]) {
            throw new PayloadError('/photo', 'This is no JPEG, PNG or WebP picture. Choose another one.');
        }

        return new self($size['mime'], $bytes);
    }
}
