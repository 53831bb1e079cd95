<?php

declare(strict_types=1);

namespace App\Tests\Load;

/** Many requests at once to a server of this machine, each with what to do when its answer comes. */
final class Http
{
    private const REST_SECONDS = 0.005;

    private readonly \CurlMultiHandle $all;

    /** @var array<int, array{\CurlHandle, \Closure(int, string, float): void, float}> */
    private array $underway = [];

    public function __construct(private readonly string $address)
    {
        if (1 !== preg_match('~^http://(127\.0\.0\.1|localhost):\d+$~', $address)) {
            throw new \InvalidArgumentException('Load is put on a server of this machine only.');
        }
        $this->all = curl_multi_init();
    }

    /**
     * @param array<string, mixed>|null            $body
     * @param \Closure(int, string, float): void $then status (0 when nothing came), text, seconds
     */
    public function send(string $method, string $path, ?array $body, string $cookie, \Closure $then, string $etag = ''): void
    {
        $handle = curl_init($this->address.$path);
        if (false === $handle || '' === $method) {
            throw new \InvalidArgumentException('This is no request.');
        }
        curl_setopt_array($handle, [\CURLOPT_CUSTOMREQUEST => $method, \CURLOPT_RETURNTRANSFER => true, \CURLOPT_TIMEOUT => 60, \CURLOPT_HEADER => true, \CURLOPT_HTTPHEADER => ['Content-Type: application/json', 'Expect:', "Cookie: $cookie", "If-None-Match: $etag"]] + (null === $body ? [] : [\CURLOPT_POSTFIELDS => json_encode((object) $body, \JSON_THROW_ON_ERROR | \JSON_PRESERVE_ZERO_FRACTION)]));
        curl_multi_add_handle($this->all, $handle);
        $this->underway[spl_object_id($handle)] = [$handle, $then, microtime(true)];
    }

    /** Lets what is under way go on, for so long at most. */
    public function turn(float $seconds): void
    {
        curl_multi_exec($this->all, $running);
        // With nothing to wait for it does not wait, and would take half of the machine that is measured.
        if (0 === $running || -1 === curl_multi_select($this->all, $seconds)) {
            usleep((int) (1e6 * min($seconds, self::REST_SECONDS)));
        }
        curl_multi_exec($this->all, $running);
        while (false !== ($done = curl_multi_info_read($this->all))) {
            $handle = $done['handle'];
            \assert($handle instanceof \CurlHandle);
            [, $then, $begun] = $this->underway[spl_object_id($handle)];
            unset($this->underway[spl_object_id($handle)]);
            $text = (string) curl_multi_getcontent($handle);
            $status = (int) curl_getinfo($handle, \CURLINFO_RESPONSE_CODE);
            curl_multi_remove_handle($this->all, $handle);
            $then($status, $text, microtime(true) - $begun);
        }
    }

    public function isIdle(): bool
    {
        return [] === $this->underway;
    }

    /** @return array<array-key, mixed> the JSON of an answer with its head */
    public static function json(string $text): array
    {
        $decoded = json_decode(explode("\r\n\r\n", $text, 2)[1] ?? '', true);

        return \is_array($decoded) ? $decoded : [];
    }
}
