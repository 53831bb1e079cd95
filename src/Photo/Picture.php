<?php

declare(strict_types=1);

namespace App\Photo;

use App\Observation\PayloadError;
use App\Observation\Photo;
use Intervention\Image\Drivers\Gd\Driver;
use Intervention\Image\Exceptions\RuntimeException;
use Intervention\Image\ImageManager;

/** A picture as it came, and as it is kept: drawn anew, upright, no larger than is of use, and without what a camera writes into it. */
final readonly class Picture
{
    /** Longest side of what is kept. */
    private const MOST_PIXELS = 1600;

    /** More than any phone takes; what is larger is drawn to use up memory. */
    private const MOST_ACROSS = 12_000;
    private const MOST_AREA = 50_000_000;

    private const QUALITY = 80;

    private function __construct(public string $sent, public string $bytes)
    {
    }

    /** @throws PayloadError when it is no picture */
    public static function ofUrl(string $url): self
    {
        $parts = explode(';base64,', $url, 2);
        $bytes = 2 === \count($parts) ? base64_decode($parts[1], true) : false;
        // That it is no picture is said by what it returns; the notice beside it says no more.
        $size = false === $bytes || '' === $bytes ? false : @getimagesizefromstring($bytes);
        if (false === $bytes || false === $size || !\in_array($size['mime'], Photo::TYPES, true) || "data:{$size['mime']}" !== $parts[0]) {
            throw new PayloadError('/photo', 'This is no JPEG, PNG or WebP picture. Choose another one.');
        }
        if ($size[0] < 1 || $size[1] < 1 || max($size[0], $size[1]) > self::MOST_ACROSS || $size[0] * $size[1] > self::MOST_AREA) {
            throw new PayloadError('/photo', \sprintf('This picture is %d × %d pixels; at most %d across are taken. Make it smaller.', $size[0], $size[1], self::MOST_ACROSS));
        }
        try {
            $image = ImageManager::withDriver(new Driver(), autoOrientation: true, strip: true)->read($bytes)->scaleDown(self::MOST_PIXELS, self::MOST_PIXELS);

            return new self(hash('sha256', $bytes), (string) $image->toJpeg(self::QUALITY));
        } catch (RuntimeException) {
            throw new PayloadError('/photo', 'This picture cannot be read; it may not have arrived whole. Choose it again.');
        }
    }

    /** @return array{sent: string, file: string, type: string, bytes: int} as the journal keeps it */
    public function toArray(): array
    {
        return ['sent' => $this->sent, 'file' => hash('sha256', $this->bytes), 'type' => 'image/jpeg', 'bytes' => \strlen($this->bytes)];
    }
}
