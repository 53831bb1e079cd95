<?php

declare(strict_types=1);

namespace App\Tests\Load;

use Symfony\Component\Uid\UuidV7;

/**
 * One person at one house: every so many seconds the leads go on, a reading is stored, and the page asks for what follows from
 * it, as it does for a real one. Every fifth time something is switched instead.
 */
final class Electrician
{
    /** From the leads being on until what the tester shows is read and typed. */
    private const READING_SECONDS = 3.0;

    private const BETWEEN_LOGINS_SECONDS = 0.5;

    private readonly string $call;
    private string $cookie = '';
    private int $taken = 0;
    private float $due = 0.0;

    /** @var list<array{string, list<string>}> tester and terminals, in the order they are read */
    private array $tests = [];

    /** @var array<string, list<\Closure(): void>> who waits, by the address of the job */
    private array $waiting = [];

    /** @var list<string> ids of entries that were acknowledged */
    public array $stored = [];

    /** @param array<string, mixed> $document of a house that nobody else has */
    public function __construct(private readonly Http $http, private readonly Figures $figures, private readonly array $document, private readonly float $everySeconds, private readonly int $number)
    {
        $this->call = (new UuidV7())->toRfc4122();
        foreach (['voltmeter-high-z' => ['L', 'N'], 'loop-2-wire' => ['L', 'E'], 'voltmeter-low-z' => ['L', 'E'], 'two-pole-indicator' => ['N', 'E']] as $tester => $poles) {
            foreach (array_keys(array_filter((array) $document['parts'], static fn (mixed $part): bool => \is_array($part) && 'socket' === $part['kind'])) as $socket) {
                $this->tests[] = [$tester, array_map(static fn (string $pole): string => "$socket.front-$pole", $poles)];
            }
        }
        mt_srand($number);
        shuffle($this->tests);
    }

    /** People come one after the other: more logins at once than the door lets in are told to come back, and that is another test. */
    public function arrive(float $at): void
    {
        $this->figures->later(self::BETWEEN_LOGINS_SECONDS * $this->number, fn () => $this->login($at));
    }

    private function login(float $at): void
    {
        $this->http->send('POST', '/api/login', ['email' => ['ines@brindle.example', 'tam@brindle.example'][$this->number % 2], 'password' => 'two-probes'], '', function (int $status, string $text) use ($at): void {
            $this->expect(200, $status, 'login', $text);
            $this->cookie = 1 === preg_match('/^set-cookie: (yp_session=[^;]+)/mi', $text, $match) ? $match[1] : '';
            $house = (new UuidV7())->toRfc4122();
            $this->ask('POST', '/api/houses', ['id' => $house, 'address' => "$this->number Load Street", 'document' => $this->document], 'import', 201, function () use ($house, $at): void {
                $this->ask('POST', '/api/calls', ['id' => $this->call, 'address' => "$this->number Load Street", 'customer' => 'Mr Load', 'complaint' => 'Half of it is dead.', 'visit' => 'fault', 'openedAt' => gmdate('Y-m-d\TH:i:s\Z'), 'houseId' => $house], 'open', 201, function () use ($at): void {
                    $this->due = $at;
                });
            });
        });
    }

    public function isDue(float $now): bool
    {
        return $this->due > 0.0 && $now >= $this->due;
    }

    public function act(float $now): void
    {
        $this->due = $now + $this->everySeconds;
        $which = $this->taken++;
        // The first of a call that nothing is kept for are told apart.
        $phase = $which < 5 ? 'cold' : 'warm';
        if (4 === $which % 5) {
            $this->store('done', ['changes' => [['operation' => 'load', 'subject' => 'washer', 'value' => 0 === $which % 2 ? 'on' : 'off']]], $phase);

            return;
        }
        [$tester, $terminals] = $this->tests[$which % \count($this->tests)];
        $connection = ['terminals' => $terminals, 'around' => []];
        $read = microtime(true) + self::READING_SECONDS;
        $this->ask('POST', "/api/calls/$this->call/preparations", ['instrument' => $tester, 'connection' => $connection], "prepare $phase", 202, static function (): void {
        });
        $this->waitFor('POST', "/api/calls/$this->call/predictions", ['instrument' => $tester, 'connection' => $connection, 'forced' => []], "expected $phase", function (string $text) use ($tester, $connection, $phase, $read): void {
            $expected = Http::json($text)['expected'] ?? '';
            $raw = \is_string($expected) && '' !== $expected ? $expected : '230';
            $this->figures->later(max(0.0, $read - microtime(true)), fn () => $this->store('measured', ['instrument' => $tester, 'connection' => $connection, 'raw' => $raw], $phase));
        });
    }

    /** @param array<string, mixed> $payload */
    private function store(string $kind, array $payload, string $phase): void
    {
        $id = (new UuidV7())->toRfc4122();
        $this->ask('POST', "/api/calls/$this->call/observations", ['id' => $id, 'kind' => $kind, 'at' => gmdate('Y-m-d\TH:i:s\Z'), 'payload' => $payload], "store $phase", 201, function () use ($id, $phase): void {
            $this->stored[] = $id;
            $this->waitFor('GET', "/api/calls/$this->call/ranking", null, "ranked $phase", function () use ($phase): void {
                $this->waitFor('GET', "/api/calls/$this->call/map", null, "map $phase", static function (): void {
                });
                $this->waitFor('GET', "/api/calls/$this->call/next-tests", null, "next $phase", static function (): void {
                });
            });
        });
    }

    /** @param \Closure(array<array-key, mixed>): void $then */
    public function detail(\Closure $then): void
    {
        $this->ask('GET', "/api/calls/$this->call", null, 'open call', 200, static fn (string $text) => $then(Http::json($text)));
    }

    /**
     * Asks, and where that is worked out by a worker waits for it as the page does.
     *
     * @param array<string, mixed>|null $body
     * @param \Closure(string): void    $then
     */
    private function waitFor(string $method, string $path, ?array $body, string $figure, \Closure $then, ?float $since = null): void
    {
        $since ??= microtime(true);
        $entries = \count($this->stored);
        $this->http->send($method, $path, $body, $this->cookie, function (int $status, string $text) use ($method, $path, $body, $figure, $then, $since, $entries): void {
            if (202 === $status) {
                $job = Http::json($text)['job'] ?? '';
                $this->look(\is_string($job) ? $job : '', fn () => $this->waitFor($method, $path, $body, $figure, $then, $since));

                return;
            }
            $this->expect(200, $status, $figure, $text);
            // What the call had left behind before it came is no wait of anybody.
            $this->figures->add(\count($this->stored) === $entries ? $figure : "$figure, overtaken", microtime(true) - $since);
            $then($text);
        });
    }

    /** Looks until nothing is under way any more; who waits for the same job looks with the same eyes, as a page does. */
    private function look(string $job, \Closure $then): void
    {
        $isWatched = isset($this->waiting[$job]);
        $this->waiting[$job][] = $then;
        if (!$isWatched) {
            $this->again($job, 0, '', 0.0);
        }
    }

    private function again(string $job, int $looks, string $etag, float $soonest): void
    {
        $this->figures->later(max($soonest, [0.12, 0.15, 0.2, 0.25, 0.3, 0.4, 0.5, 0.6][$looks] ?? 1.0), fn () => $this->http->send('GET', $job, null, $this->cookie, function (int $status, string $text, float $seconds) use ($job, $looks, $etag, $soonest): void {
            $this->figures->add('look', $seconds);
            $progress = Http::json($text)['progress'] ?? null;
            if (304 === $status || (200 === $status && \is_array($progress))) {
                $etag = 1 === preg_match('/^etag: (\S+)/mi', $text, $match) ? $match[1] : $etag;
                $again = \is_array($progress) && is_numeric($progress['againMilliseconds'] ?? null) ? $progress['againMilliseconds'] / 1000.0 : $soonest;
                $this->again($job, $looks + 1, $etag, $again);

                return;
            }
            $waiting = $this->waiting[$job] ?? [];
            unset($this->waiting[$job]);
            foreach ($waiting as $then) {
                $then();
            }
        }, $etag));
    }

    /**
     * @param array<string, mixed>|null $body
     * @param \Closure(string): void    $then
     */
    private function ask(string $method, string $path, ?array $body, string $figure, int $expected, \Closure $then): void
    {
        $this->http->send($method, $path, $body, $this->cookie, function (int $status, string $text, float $seconds) use ($figure, $expected, $then): void {
            $this->expect($expected, $status, $figure, $text);
            $this->figures->add($figure, $seconds);
            if ($status === $expected) {
                $then($text);
            }
        });
    }

    private function expect(int $expected, int $status, string $what, string $text): void
    {
        if ($status !== $expected) {
            $this->figures->fail("$what answered $status: ".mb_strimwidth(explode("\r\n\r\n", $text, 2)[1] ?? '', 0, 200, '…'));
        }
    }
}
