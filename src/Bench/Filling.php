<?php

declare(strict_types=1);

namespace App\Bench;

use App\Demo\Demo;
use App\Entity\Call;
use App\Entity\User;
use App\Photo\PhotoStore;
use App\Photo\Picture;
use Doctrine\DBAL\Connection;
use Doctrine\ORM\EntityManagerInterface;
use League\Flysystem\FilesystemOperator;
use Symfony\Component\Uid\UuidV7;

/**
 * Many calls in a demonstration, to see how it does with them: each is a copy of what the demonstration's own call holds, read
 * again and again, at an invented address, with pictures of a few small files.
 */
final readonly class Filling
{
    private const HOUSES = 400;
    private const PICTURES = 50;
    private const ROWS = 300;
    private const STREETS = ['Fennel Rise', 'Tansy Row', 'Wicket Lane', 'Sorrel Court', 'Alder Bank', 'Mallow Street', 'Teasel Walk', 'Yarrow Close', 'Burdock Hill', 'Clover End'];
    private const TOWNS = ['Ottersby', 'Nether Combe', 'Upper Thrush', 'Marsh End', 'Hollin Bridge'];
    private const COMPLAINTS = ['The sockets in the kitchen go off in the evening.', 'A lamp flickers when it rains.', 'The shower trips the board.', 'Half the house is dead.', 'The fridge gives a tingle.'];

    public function __construct(private EntityManagerInterface $entities, private Connection $connection, private FilesystemOperator $files)
    {
    }

    /** @param \Closure(int): void $told after each hundred calls */
    public function fill(int $calls, int $entries, int $photos, \Closure $told): void
    {
        mt_srand(20261201);
        $user = $this->entities->getRepository(User::class)->findOneBy(['email' => Demo::EMAIL]) ?? throw new \RuntimeException('Only a demonstration is filled up. Start one: bin/start');
        $model = $this->entities->getRepository(Call::class)->findOneBy(['firm' => $user->firm, 'customer' => 'Mrs Adeyemi-Hartley']) ?? throw new \RuntimeException('The call to copy from is not there.');
        /** @var non-empty-list<array{payload: string, state: string, verdict: string}> $readings */
        $readings = $this->connection->fetchAllAssociative("SELECT payload, state, verdict FROM observation WHERE call_id = ? AND kind = 'measured' ORDER BY position", [$model->id], ['uuid']);
        /** @var array{unsafe: string, cause: string} $summary */
        $summary = $this->connection->fetchAssociative('SELECT unsafe, cause FROM call_summary WHERE call_id = ?', [$model->id], ['uuid']);
        $document = $this->connection->fetchOne('SELECT document FROM house_version WHERE house_id = ? AND number = 1', [$model->house?->id], ['uuid']);
        $pictures = $this->pictures();
        [$firm, $author] = [$user->firm->id->toBinary(), $user->id->toBinary()];
        $houses = [];
        for ($at = 0; $at < min(self::HOUSES, $calls); ++$at) {
            $houses[] = [$id = (new UuidV7())->toBinary(), $address = \sprintf('%d %s, %s', mt_rand(1, 240), self::STREETS[array_rand(self::STREETS)], self::TOWNS[array_rand(self::TOWNS)])];
            $this->insert('house', ['id', 'firm_id', 'version', 'address'], [[$id, $firm, 1, $address]]);
            $this->insert('house_version', ['id', 'firm_id', 'house_id', 'author_id', 'number', 'operation', 'document', 'at'], [[$id, $firm, $id, $author, 1, '{"op":"import"}', $document, '2026-01-01 08:00:00']]);
        }
        for ($done = 0; $done < $calls; ++$done) {
            $this->connection->beginTransaction();
            [$house, $address] = $houses[array_rand($houses)];
            $call = (new UuidV7())->toBinary();
            $opened = gmdate('Y-m-d H:i:s', 1_700_000_000 + $done * 3_100);
            $this->insert('callout', ['id', 'firm_id', 'house_id', 'address', 'customer', 'complaint', 'visit', 'opened_at'], [[$call, $firm, $house, $address, \sprintf('%s Copy %d', ['Mr', 'Mrs', 'Ms'][mt_rand(0, 2)], $done), self::COMPLAINTS[array_rand(self::COMPLAINTS)], 'fault', $opened]]);
            $rows = [];
            for ($entry = 1; $entry <= $entries + $photos; ++$entry) {
                [$kind, $payload, $state, $verdict] = $entry <= $entries
                    ? ['measured', ...array_values($readings[$entry % \count($readings)])]
                    : ['seen', json_encode(['text' => 'As found.', 'photo' => $pictures[array_rand($pictures)]], \JSON_THROW_ON_ERROR), $readings[0]['state'], '[]'];
                $rows[] = [(new UuidV7())->toBinary(), $firm, $call, $author, $entry, $kind, $payload, $state, 1, $verdict, $opened, $opened];
            }
            $this->insert('observation', ['id', 'firm_id', 'call_id', 'author_id', 'position', 'kind', 'payload', 'state', 'house_version', 'verdict', 'client_at', 'stored_at'], $rows);
            // Nineteen of twenty are over, as far as a list goes.
            $closed = 0 !== $done % 20;
            $this->insert('call_summary', ['call_id', 'firm_id', 'opened_at', 'position', 'house_version', 'stage', 'closed', 'unsafe', 'unreadable', 'cause'], [[$call, $firm, $opened, $entries + $photos, 1, $closed ? 'closed' : 'trace', $closed ? 1 : 0, $summary['unsafe'], 0, $summary['cause']]]);
            $this->connection->commit();
            0 !== ($done + 1) % 100 || $told($done + 1);
        }
    }

    /** @return non-empty-list<array{sent: string, file: string, type: string, bytes: int}> */
    private function pictures(): array
    {
        $pictures = [];
        for ($at = 0; $at < self::PICTURES; ++$at) {
            $image = imagecreatetruecolor(320, 240) ?: throw new \RuntimeException('No picture could be drawn.');
            for ($line = 0; $line < 60; ++$line) {
                imageline($image, mt_rand(0, 319), mt_rand(0, 239), mt_rand(0, 319), mt_rand(0, 239), mt_rand(0, 0xFFFFFF));
            }
            ob_start();
            imagejpeg($image);
            $picture = Picture::ofUrl('data:image/jpeg;base64,'.base64_encode((string) ob_get_clean()));
            $pictures[] = $kept = $picture->toArray();
            $this->files->write(PhotoStore::path($kept['file']), $picture->bytes);
        }

        return $pictures;
    }

    /**
     * @param list<string>      $columns
     * @param list<list<mixed>> $rows
     */
    private function insert(string $table, array $columns, array $rows): void
    {
        foreach (array_chunk($rows, self::ROWS) as $chunk) {
            $row = '('.implode(', ', array_fill(0, \count($columns), '?')).')';
            $this->connection->executeStatement("INSERT INTO $table (".implode(', ', $columns).') VALUES '.implode(', ', array_fill(0, \count($chunk), $row)), array_merge(...$chunk));
        }
    }
}
