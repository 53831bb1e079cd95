<?php

declare(strict_types=1);

namespace App\Tests\Fuzz;

use Symfony\Component\Uid\UuidV7;

/**
 * Sends odd requests to a running demonstration, many at a time and some of them twice at once, and looks afterwards whether
 * all that was acknowledged is there, once and in order, and nothing else. To loopback only.
 */
final class Fuzzer
{
    private const AT_ONCE = 6;
    private const SLOW_SECONDS = 20.0;

    private string $cookie = '';

    /** @var array<string, string> id => call of entries that were acknowledged */
    private array $stored = [];

    /** @var array<string, true> ids that were refused */
    private array $refused = [];

    /** @var array<string, true> houses that were taken and lived in */
    private array $houses = [];

    /** @var array<int, int> status => how often */
    private array $statuses = [];

    /** @var list<string> */
    private array $failures = [];

    private float $slowest = 0.0;

    public function __construct(private readonly string $address, private readonly string $projectDir)
    {
        if (1 !== preg_match('~^http://(127\.0\.0\.1|localhost):\d+$~', $address)) {
            throw new \InvalidArgumentException('Only a server of this machine is sent odd requests.');
        }
    }

    /** @return list<string> what went wrong; nothing when all is well */
    public function run(int $requests, int $seed): array
    {
        mt_srand($seed);
        $this->login();
        $openApi = (string) file_get_contents("$this->projectDir/docs/openapi.json");
        /** @var array<string, mixed> $document */
        $document = json_decode((string) file_get_contents("$this->projectDir/demo/houses/wicket-lane.json"), true, 64, \JSON_THROW_ON_ERROR);
        $house = (new UuidV7())->toRfc4122();
        $this->ask('POST', '/api/houses', ['id' => $house, 'address' => "Fuzz Row $seed", 'document' => $document], 201);
        $calls = [];
        for ($at = 0; $at < 12; ++$at) {
            $calls[] = $id = (new UuidV7())->toRfc4122();
            $this->ask('POST', '/api/calls', ['id' => $id, 'address' => "Fuzz Row $seed", 'customer' => 'Mr Odd', 'complaint' => 'It is odd.', 'visit' => 'fault', 'openedAt' => gmdate('Y-m-d\TH:i:s\Z')] + (0 === $at % 3 ? [] : ['houseId' => $house]), 201);
        }
        $person = (new UuidV7())->toRfc4122();
        $this->ask('POST', '/api/people', ['id' => $person, 'email' => "$person@odd.example", 'name' => 'Miss Odd', 'role' => 'electrician'], 201);
        $made = new Requests($openApi, $seed, $document, $house, $calls, $person);
        for ($sent = 0; $sent < $requests;) {
            $batch = [];
            while (\count($batch) < self::AT_ONCE && $sent + \count($batch) < $requests) {
                [$method, $path, $body] = $made->next();
                $json = Mutation::of($body);
                // Some race themselves.
                for ($copies = 0 === mt_rand(0, 9) ? mt_rand(2, 4) : 1; $copies > 0; --$copies) {
                    $batch[] = [$method, $path, $json];
                }
            }
            $this->send($batch, $made);
            $sent += \count($batch);
        }
        $this->check($house, $calls);
        ksort($this->statuses);
        printf("%d requests, seed %d: %s; slowest %.1f s; %d entries acknowledged\n", $sent, $seed, implode(', ', array_map(static fn (int $status, int $count): string => "$status × $count", array_keys($this->statuses), $this->statuses)), $this->slowest, \count($this->stored));

        return $this->failures;
    }

    /** @param list<array{string, string, string}> $batch */
    private function send(array $batch, Requests $made): void
    {
        $all = curl_multi_init();
        $handles = [];
        foreach ($batch as $at => [$method, $path, $json]) {
            $handles[$at] = $this->handle($method, $path, $json);
            curl_multi_add_handle($all, $handles[$at]);
        }
        do {
            $status = curl_multi_exec($all, $running);
            curl_multi_select($all, 0.1);
        } while ($running > 0 && \CURLM_OK === $status);
        foreach ($handles as $at => $handle) {
            [$method, $path, $json] = $batch[$at];
            $code = (int) curl_getinfo($handle, \CURLINFO_RESPONSE_CODE);
            $seconds = (float) curl_getinfo($handle, \CURLINFO_TOTAL_TIME);
            $answer = (string) curl_multi_getcontent($handle);
            $this->statuses[$code] = ($this->statuses[$code] ?? 0) + 1;
            $this->slowest = max($this->slowest, $seconds);
            if ($code >= 500 || 0 === $code || $seconds > self::SLOW_SECONDS || str_contains($answer, 'Stack trace')) {
                $this->failures[] = \sprintf('%d after %.1f s: %s %s %s', $code, $seconds, $method, $path, mb_strimwidth(mb_scrub($json), 0, 1500, '…'));
            }
            $this->remember($path, $json, $code, $answer, $made);
            curl_multi_remove_handle($all, $handle);
        }
        curl_multi_close($all);
    }

    private function remember(string $path, string $json, int $code, string $answer, Requests $made): void
    {
        $body = json_decode($json, true);
        $id = \is_array($body) && \is_string($body['id'] ?? null) ? $body['id'] : '';
        if (str_ends_with($path, '/observations') || str_ends_with($path, '/second-person')) {
            if (201 === $code) {
                $this->stored[strtolower($id)] = explode('/', $path)[3];
                $made->entries[] = strtolower($id);
            } elseif ('' !== $id) {
                $this->refused[strtolower($id)] = true;
            }
        } elseif ('/api/houses' === $path && 201 === $code && '' !== $id) {
            $this->live($id);
        } elseif (str_ends_with($path, '/operations') && 201 === $code) {
            $view = json_decode($answer, true);
            $made->houseVersion = \is_array($view) && \is_int($view['version'] ?? null) ? max($made->houseVersion, $view['version']) : $made->houseVersion;
        }
    }

    /** Works in a house that was taken: whatever it holds, everything about it is computed or refused with a reason. */
    private function live(string $house): void
    {
        if (isset($this->houses[$house])) {
            return;
        }
        $this->houses[$house] = true;
        $call = (new UuidV7())->toRfc4122();
        $this->ask('POST', '/api/calls', ['id' => $call, 'address' => 'Odd Row', 'customer' => 'Mr Odd', 'complaint' => 'It is odd.', 'visit' => 'fault', 'openedAt' => gmdate('Y-m-d\TH:i:s\Z'), 'houseId' => $house], 201);
        $this->ask('POST', "/api/calls/$call/observations", ['id' => (new UuidV7())->toRfc4122(), 'kind' => 'measured', 'at' => gmdate('Y-m-d\TH:i:s\Z'), 'payload' => ['instrument' => 'two-pole-indicator', 'raw' => '228', 'connection' => ['terminals' => ['rl-hall.front-L', 'rl-hall.front-E'], 'around' => []]]]);
        foreach (['', '/runs', '/board', '/way-back', '/isolation-scope?place=p-rl-hall&level=circuit', '/ranking', '/map', '/next-tests', '/contradictions'] as $tail) {
            $until = microtime(true) + self::SLOW_SECONDS;
            while (202 === $this->ask('GET', "/api/calls/$call$tail")['status'] && microtime(true) < $until) {
                usleep(100_000);
            }
            if (microtime(true) >= $until) {
                $this->failures[] = "Nothing came of $tail in house $house.";
            }
        }
    }

    /** @param list<string> $calls */
    private function check(string $house, array $calls): void
    {
        $there = [];
        foreach ($calls as $call) {
            $detail = $this->ask('GET', "/api/calls/$call", null, 200);
            $entries = \is_array($detail['observations'] ?? null) ? $detail['observations'] : [];
            $positions = array_column($entries, 'position');
            if ($positions !== range(1, \count($positions)) && [] !== $positions) {
                $this->failures[] = "The entries of call $call do not stand one after the other: ".implode(', ', array_map(static fn (mixed $position): string => \is_int($position) ? (string) $position : '?', $positions));
            }
            $summary = \is_array($detail['call'] ?? null) ? $detail['call'] : [];
            if (0 !== ($summary['unreadable'] ?? null)) {
                $this->failures[] = "Call $call holds what cannot be read.";
            }
            foreach (array_column($entries, 'id') as $id) {
                \is_string($id) && $there[$id] = $call;
            }
        }
        foreach ($this->stored as $id => $call) {
            if (($there[$id] ?? null) !== $call) {
                $this->failures[] = "Entry $id was acknowledged and is not in call $call.";
            }
        }
        foreach (array_keys(array_diff_key($this->refused, $this->stored)) as $id) {
            if (isset($there[$id])) {
                $this->failures[] = "Entry $id was refused and is there all the same.";
            }
        }
        $view = $this->ask('GET', "/api/houses/$house", null, 200);
        for ($version = 1; \is_int($view['version'] ?? null) && $version <= $view['version']; ++$version) {
            $this->ask('GET', "/api/houses/$house?version=$version", null, 200);
        }
    }

    private function login(): void
    {
        $this->ask('POST', '/api/login', ['email' => 'ines@brindle.example', 'password' => 'two-probes'], 200);
        if ('' === $this->cookie) {
            throw new \RuntimeException('The login gave no session.');
        }
    }

    /**
     * @param array<string, mixed>|null $body
     * @param int|null                  $expected any answer but a failure when it is left out
     *
     * @return array<array-key, mixed> the answer, and its status where it holds none
     */
    private function ask(string $method, string $path, ?array $body = null, ?int $expected = null): array
    {
        $handle = $this->handle($method, $path, null === $body ? null : json_encode($body, \JSON_THROW_ON_ERROR | \JSON_PRESERVE_ZERO_FRACTION));
        curl_setopt($handle, \CURLOPT_HEADERFUNCTION, function (mixed $handle, string $line): int {
            if (1 === preg_match('/^Set-Cookie: (yp_session=[^;]+)/i', $line, $match)) {
                $this->cookie = $match[1];
            }

            return \strlen($line);
        });
        $answer = (string) curl_exec($handle);
        $code = curl_getinfo($handle, \CURLINFO_RESPONSE_CODE);
        if (null === $expected ? $code >= 500 || 0 === $code : $code !== $expected) {
            $this->failures[] = "$method $path answered $code: ".mb_strimwidth($answer, 0, 300, '…');
        }
        $decoded = json_decode($answer, true);

        return (\is_array($decoded) ? $decoded : []) + ['status' => $code];
    }

    private function handle(string $method, string $path, ?string $json): \CurlHandle
    {
        $handle = curl_init($this->address.$path);
        if (false === $handle || '' === $method) {
            throw new \RuntimeException('This is no request.');
        }
        curl_setopt_array($handle, [\CURLOPT_CUSTOMREQUEST => $method, \CURLOPT_RETURNTRANSFER => true, \CURLOPT_TIMEOUT => 60, \CURLOPT_HTTPHEADER => ['Content-Type: application/json', 'Expect:', "Cookie: $this->cookie"]] + (null === $json ? [] : [\CURLOPT_POSTFIELDS => $json]));

        return $handle;
    }
}
