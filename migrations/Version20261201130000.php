<?php

declare(strict_types=1);

namespace App\Migrations;

use App\Observation\PayloadError;
use App\Photo\PhotoStore;
use App\Photo\Picture;
use Doctrine\DBAL\Schema\Schema;
use Doctrine\DBAL\Types\Types;
use Doctrine\Migrations\AbstractMigration;
use League\Flysystem\Filesystem;
use League\Flysystem\Local\LocalFilesystemAdapter;

/**
 * Pictures leave the journal for files. The entries keep who, when and what was sent, by its hash; this once the table lets
 * itself be changed, by the user who owns it, and only the pictures in it.
 */
final class Version20261201130000 extends AbstractMigration
{
    private const BATCH = 20;

    private const TRIGGER = "CREATE TRIGGER observation_no_update BEFORE UPDATE ON observation FOR EACH ROW SIGNAL SQLSTATE '45000' SET MESSAGE_TEXT = 'An observation is evidence: add a correction beside it.'";

    public function getDescription(): string
    {
        return 'Pictures leave the journal for files';
    }

    public function up(Schema $schema): void
    {
        $directory = $_SERVER['YP_FILES'] ?? '';
        $files = new Filesystem(new LocalFilesystemAdapter(\is_string($directory) && '' !== $directory ? $directory : 'var/files'));
        $this->connection->executeStatement('DROP TRIGGER IF EXISTS observation_no_update');
        try {
            do {
                /** @var list<array{id: string, payload: string}> $rows */
                $rows = $this->connection->fetchAllAssociative("SELECT id, payload FROM observation WHERE kind = 'seen' AND JSON_TYPE(JSON_EXTRACT(payload, '$.photo')) = 'STRING' LIMIT ".self::BATCH);
                foreach ($rows as $row) {
                    /** @var array{photo: string} $payload */
                    $payload = json_decode($row['payload'], true, 64, \JSON_THROW_ON_ERROR);
                    $kept = $this->kept($payload['photo'], $files);
                    $this->connection->executeStatement('UPDATE observation SET payload = ? WHERE id = ?', [['photo' => $kept] + $payload, $row['id']], [Types::JSON, Types::STRING]);
                }
            } while ([] !== $rows);
        } finally {
            $this->connection->executeStatement(self::TRIGGER);
        }
    }

    public function isTransactional(): bool
    {
        return false;
    }

    public function down(Schema $schema): void
    {
        $this->throwIrreversibleMigrationException('Versions go forward only; go back with a backup.');
    }

    /** @return array{sent: string, file: string, type: string, bytes: int} */
    private function kept(string $url, Filesystem $files): array
    {
        try {
            $picture = Picture::ofUrl($url);
            $kept = $picture->toArray();
            $files->write(PhotoStore::path($kept['file']), $picture->bytes);

            return $kept;
        } catch (PayloadError) {
            // What cannot be drawn anew is kept as it came: it is evidence all the same.
            $bytes = (string) base64_decode(explode(';base64,', $url, 2)[1] ?? '', true);
            $hash = hash('sha256', $bytes);
            $files->write(PhotoStore::path($hash), $bytes);

            return ['sent' => $hash, 'file' => $hash, 'type' => 'image/jpeg', 'bytes' => \strlen($bytes)];
        }
    }
}
