<?php

declare(strict_types=1);

namespace App\Tests;

use PHPUnit\Framework\TestCase;
use Symfony\Component\Process\Process;
use Symfony\Component\Uid\UuidV7;

/** From the tables of the version before, with data in them: two processes at the same moment, and nothing is lost. */
final class MigrationTest extends TestCase
{
    private const EARLIER = 'App\Migrations\Version20261201080000';

    private string $directory;
    private \PDO $database;

    /** @var array<string, string> */
    private array $environment;

    protected function setUp(): void
    {
        $url = $_SERVER['EARLIER_DATABASE_URL'] ?? '';
        self::assertIsString($url);
        $parts = parse_url($url);
        self::assertIsArray($parts);
        self::assertArrayHasKey('pass', $parts, 'EARLIER_DATABASE_URL is missing: bin/test sets it.');
        self::assertArrayHasKey('host', $parts);
        self::assertArrayHasKey('port', $parts);
        $name = explode('?', ltrim($parts['path'] ?? '', '/'))[0];
        $this->database = new \PDO("mysql:host={$parts['host']};port={$parts['port']};charset=utf8mb4", $parts['user'] ?? '', $parts['pass'], [\PDO::ATTR_ERRMODE => \PDO::ERRMODE_EXCEPTION]);
        $this->database->exec("DROP DATABASE IF EXISTS $name");
        $this->database->exec("CREATE DATABASE $name CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci");
        $this->database->exec("USE $name");
        $this->directory = sys_get_temp_dir().'/yellow-probe-'.bin2hex(random_bytes(6));
        mkdir($this->directory);
        $this->environment = ['APP_ENV' => 'prod', 'APP_DEBUG' => '0', 'APP_SECRET' => 'x', 'DATABASE_URL' => $url, 'APP_CACHE_DIR' => "$this->directory/cache", 'APP_LOG_DIR' => "$this->directory/log", 'YP_FILES' => "$this->directory/files", 'YP_PREDICTIONS' => "$this->directory/predictions"];
    }

    protected function tearDown(): void
    {
        (new Process(['rm', '-rf', $this->directory]))->mustRun();
    }

    public function testWhatTheVersionBeforeHeldIsThereAfterwards(): void
    {
        $this->console('doctrine:migrations:migrate', self::EARLIER)->mustRun();
        [$firm, $other, $user, $call, $seen] = array_map(static fn (): string => (new UuidV7())->toBinary(), range(1, 5));
        ob_start();
        imagepng(imagecreatetruecolor(5, 4) ?: throw new \LogicException());
        $png = (string) ob_get_clean();
        $this->insert('firm', ['id' => $firm, 'name' => 'Brindle Electrical', 'proof_minutes' => 30]);
        $this->insert('firm', ['id' => $other, 'name' => 'Hallam', 'proof_minutes' => 30]);
        $this->insert('user', ['id' => $user, 'firm_id' => $firm, 'email' => 'ines@brindle.example', 'name' => 'Ines Corran', 'password' => 'x']);
        $this->insert('callout', ['id' => $call, 'firm_id' => $firm, 'address' => '1 Old Row', 'customer' => 'Mr Old', 'complaint' => 'It hums.', 'visit' => 'fault', 'opened_at' => '2026-11-01 09:00:00']);
        foreach ([['told', ['text' => 'It hums.']], ['seen', ['text' => 'A burn.', 'photo' => 'data:image/png;base64,'.base64_encode($png)]], ['seen', ['text' => 'Broken picture.', 'photo' => 'data:image/png;base64,'.base64_encode('no picture')]]] as $at => [$kind, $payload]) {
            $this->insert('observation', ['id' => 1 === $at ? $seen : (new UuidV7())->toBinary(), 'firm_id' => $firm, 'call_id' => $call, 'author_id' => $user, 'position' => $at + 1, 'kind' => $kind, 'payload' => json_encode($payload, \JSON_THROW_ON_ERROR), 'state' => '{}', 'verdict' => '[]', 'client_at' => '2026-11-01 09:05:00', 'stored_at' => '2026-11-01 09:05:00']);
        }

        $both = [$this->console('database:migrate'), $this->console('database:migrate')];
        array_map(static fn (Process $process) => $process->start(), $both);
        foreach ($both as $process) {
            self::assertSame(0, $process->wait(), $process->getOutput().$process->getErrorOutput());
        }
        $this->console('doctrine:schema:validate')->mustRun();
        $this->console('calls:summarise')->mustRun();

        self::assertSame([['Brindle Electrical', 1], ['Hallam', 0]], $this->rows('SELECT name, demonstration FROM firm ORDER BY name'));
        self::assertSame([['owner', null]], $this->rows('SELECT role, deactivated_at FROM user'), 'who could do everything still can');
        self::assertSame([['hear', 0, 3, 0]], $this->rows('SELECT stage, closed, position, unreadable FROM call_summary'));
        $kept = array_map(static fn (array $row): mixed => json_decode(\is_string($row[0]) ? $row[0] : '', true), $this->rows("SELECT payload FROM observation WHERE kind = 'seen' ORDER BY position"));
        self::assertIsArray($kept[0]);
        self::assertIsArray($kept[1]);
        self::assertSame(['A burn.', 'Broken picture.'], array_column($kept, 'text'));
        $photos = array_column($kept, 'photo');
        self::assertIsArray($photos[0]);
        self::assertIsArray($photos[1]);
        self::assertSame([hash('sha256', $png), hash('sha256', 'no picture')], array_column($photos, 'sent'));
        foreach ($photos as $photo) {
            self::assertIsArray($photo);
            self::assertIsString($photo['file']);
            $file = "$this->directory/files/photos/".substr($photo['file'], 0, 2)."/{$photo['file']}.jpg";
            self::assertSame($photo['file'], hash_file('sha256', $file));
        }
        $this->expectExceptionMessage('An observation is evidence');
        $this->database->exec("UPDATE observation SET kind = 'told'");
    }

    private function console(string ...$arguments): Process
    {
        return new Process(['php', __DIR__.'/../../bin/console', '--no-interaction', ...$arguments], env: $this->environment, timeout: 120);
    }

    /** @param array<string, string|int> $row */
    private function insert(string $table, array $row): void
    {
        $this->database->prepare("INSERT INTO $table (`".implode('`, `', array_keys($row)).'`) VALUES ('.implode(', ', array_fill(0, \count($row), '?')).')')->execute(array_values($row));
    }

    /** @return list<list<mixed>> */
    private function rows(string $sql): array
    {
        $rows = [];
        foreach ($this->database->query($sql, \PDO::FETCH_NUM) ?: [] as $row) {
            self::assertIsArray($row);
            $rows[] = array_values($row);
        }

        return $rows;
    }
}
