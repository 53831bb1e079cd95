<?php

declare(strict_types=1);

namespace App\Photo;

use App\Api\Problem;
use App\Entity\Call;
use App\Observation\PayloadError;
use App\Observation\Photo;
use Doctrine\DBAL\Connection;
use League\Flysystem\FilesystemException;
use League\Flysystem\FilesystemOperator;
use Psr\Log\LoggerInterface;

/** Where pictures are kept: files named by their hash, written before the entry that names them and never changed. */
final readonly class PhotoStore
{
    /** Of the data URL: enough for 1280 pixels across, and no more than a phone with one bar can send. */
    public const MOST_BYTES = 700_000;

    /** Pictures of one call. */
    public const MOST_A_CALL = 200;

    public function __construct(private FilesystemOperator $files, private Disk $disk, private Connection $connection, private LoggerInterface $logger)
    {
    }

    public static function path(string $file): string
    {
        return 'photos/'.substr($file, 0, 2)."/$file.jpg";
    }

    /**
     * The payload with its picture taken out, once that is in its place.
     *
     * @param array<array-key, mixed> $raw
     *
     * @return array<array-key, mixed>
     *
     * @throws Problem when it is no picture, or there is no room
     */
    public function taken(array $raw): array
    {
        if (!isset($raw['photo'])) {
            return $raw;
        }
        if (!\is_string($raw['photo']) || \strlen($raw['photo']) > self::MOST_BYTES) {
            throw Problem::invalid('/payload/photo', \sprintf('Expected a picture as a data URL of at most %d kB. Make it smaller.', self::MOST_BYTES / 1000));
        }
        try {
            $picture = Picture::ofUrl($raw['photo']);
        } catch (PayloadError $e) {
            throw Problem::invalid('/payload'.$e->pointer, $e->getMessage());
        }
        $kept = $picture->toArray();
        $this->disk->admitPhoto();
        try {
            $path = self::path($kept['file']);
            if (!$this->files->fileExists($path)) {
                $this->files->write($path, $picture->bytes);
            }
        } catch (FilesystemException $e) {
            $this->logger->error('A picture cannot be kept', ['exception' => $e]);
            throw new Problem(507, 'No room for pictures', 'The picture cannot be kept at the moment. Store the entry without it, and tell whoever runs this.', '/payload/photo', $e);
        }

        return ['photo' => $kept] + $raw;
    }

    /** @throws Problem when the call has as many as it can hold */
    public function admit(Call $call): void
    {
        $count = $this->connection->fetchOne("SELECT COUNT(*) FROM observation WHERE call_id = ? AND kind = 'seen' AND JSON_EXISTS(payload, '$.photo')", [$call->id], ['uuid']);
        if (is_numeric($count) && (int) $count >= self::MOST_A_CALL) {
            throw Problem::invalid('/payload/photo', \sprintf('This call has %d pictures already, which is all that a call holds. Store the entry without it.', self::MOST_A_CALL));
        }
    }

    public function read(Photo $photo): string
    {
        return $this->find($photo->file) ?? throw Problem::notFound();
    }

    /**
     * @param string $file hash of the picture
     *
     * @return string|null its bytes; null where they are no longer there, which is an error of whoever runs this
     */
    public function find(string $file): ?string
    {
        try {
            return $this->files->read(self::path($file));
        } catch (FilesystemException $e) {
            $this->logger->error('A picture is missing', ['file' => $file, 'exception' => $e]);

            return null;
        }
    }
}
