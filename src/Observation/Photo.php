<?php

declare(strict_types=1);

namespace App\Observation;

/** A picture of an entry as the journal keeps it: what was sent and what is kept by their hashes; the picture has its own store. */
final readonly class Photo
{
    public const TYPES = ['image/jpeg', 'image/png', 'image/webp'];

    /**
     * @param string $sent  SHA-256 of the bytes that came
     * @param string $file  SHA-256 of the file that is kept, and its name
     * @param int    $bytes of the file that is kept
     */
    private function __construct(public string $sent, public string $file, public string $type, public int $bytes)
    {
    }

    public static function read(Fields $fields): self
    {
        $own = new self($fields->text('sent', 64), $fields->text('file', 64), $fields->oneOf('type', self::TYPES), $fields->optionalWhole('bytes', 10_000_000) ?? 0);
        foreach (['sent' => $own->sent, 'file' => $own->file] as $key => $hash) {
            if (1 !== preg_match('/^[0-9a-f]{64}$/D', $hash)) {
                throw $fields->error($key, 'A SHA-256 is expected here.');
            }
        }
        $fields->done();

        return $own;
    }
}
