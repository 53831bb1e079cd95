<?php

declare(strict_types=1);

namespace App\Command;

/**
 * Copies of this process that share out tasks: who is free takes the next one. What was worked out before the copies were
 * made they have in common.
 */
final readonly class Crew
{
    /**
     * @template T
     *
     * @param int                    $workers   one does it all in this process
     * @param int                    $tasks     numbered from 0
     * @param \Closure(int): T       $work      one task; its result has to be serialisable
     * @param \Closure(): bool       $isStopped asked before each task is given out; those under way are ended
     * @param \Closure(): void       $done      called after each task
     *
     * @return list<T> in the order of the tasks; each is given out after those before it, so that none is left out between
     *
     * @throws \RuntimeException when a worker fails, with what it said
     */
    public static function share(int $workers, int $tasks, \Closure $work, \Closure $isStopped, \Closure $done): array
    {
        if ($workers < 2) {
            return self::alone($tasks, $work, $isStopped, $done);
        }
        $free = [];
        for ($worker = 0; $worker < min($workers, $tasks); ++$worker) {
            $free[] = self::hired($work, $free);
        }
        $busy = $results = [];
        $next = 0;
        try {
            while (true) {
                while ([] !== $free && $next < $tasks && !$isStopped()) {
                    $socket = array_pop($free);
                    $busy[$next] = $socket;
                    self::say($socket, $next++);
                }
                if ([] === $busy) {
                    break;
                }
                $ready = $busy;
                $none = null;
                // A signal ends the wait: then it is asked again whether to go on.
                if (!@stream_select($ready, $none, $none, 1)) {
                    continue;
                }
                foreach ($ready as $task => $socket) {
                    /** @var array{bool, T|string} $told */
                    $told = self::hear($socket) ?? [false, 'it ended without a word'];
                    if (!$told[0]) {
                        throw new \RuntimeException("Task $task failed: ".(\is_string($told[1]) ? $told[1] : ''));
                    }
                    /** @var T $result */
                    $result = $told[1];
                    $results[$task] = $result;
                    unset($busy[$task]);
                    $free[] = $socket;
                    $done();
                }
            }
        } finally {
            // A worker whose line is cut goes home.
            array_map(fclose(...), [...$free, ...$busy]);
            while (pcntl_wait($status) > 0) {
            }
        }
        ksort($results);

        return array_values($results);
    }

    /**
     * @template T
     *
     * @param \Closure(int): T $work
     * @param \Closure(): bool $isStopped
     * @param \Closure(): void $done
     *
     * @return list<T>
     */
    private static function alone(int $tasks, \Closure $work, \Closure $isStopped, \Closure $done): array
    {
        $results = [];
        for ($task = 0; $task < $tasks && !$isStopped(); ++$task) {
            $results[] = $work($task);
            $done();
        }

        return $results;
    }

    /**
     * @param \Closure(int): mixed $work
     * @param list<resource>        $others lines to those hired before: a copy of one would keep it open
     *
     * @return resource the line to it
     */
    private static function hired(\Closure $work, array $others): mixed
    {
        $pair = stream_socket_pair(\STREAM_PF_UNIX, \STREAM_SOCK_STREAM, 0);
        $child = false === $pair ? -1 : pcntl_fork();
        if (false === $pair || $child < 0) {
            throw new \RuntimeException('No further process could be started. Ask for fewer with --jobs.');
        }
        if ($child > 0) {
            fclose($pair[1]);

            return $pair[0];
        }
        array_map(fclose(...), [$pair[0], ...$others]);
        while (\is_int($task = self::hear($pair[1]))) {
            try {
                self::say($pair[1], [true, $work($task)]);
            } catch (\Throwable $e) {
                self::say($pair[1], [false, $e->getMessage()]);
            }
        }
        // Not exit(): what ends a process in PHP belongs to the one that it is a copy of.
        posix_kill(posix_getpid(), \SIGKILL);
        throw new \LogicException('A worker went on after its end.');
    }

    /** @param resource $socket */
    private static function say(mixed $socket, mixed $what): void
    {
        $bytes = serialize($what);
        $bytes = pack('J', \strlen($bytes)).$bytes;
        while ('' !== $bytes && false !== ($written = @fwrite($socket, $bytes))) {
            $bytes = substr($bytes, $written);
        }
    }

    /** @param resource $socket */
    private static function hear(mixed $socket): mixed
    {
        $head = self::bytes($socket, 8);
        if (null === $head) {
            return null;
        }
        /** @var array{int} $length */
        $length = array_values(unpack('J', $head) ?: [0]);
        $body = self::bytes($socket, $length[0]);

        return null === $body ? null : unserialize($body);
    }

    /** @param resource $socket */
    private static function bytes(mixed $socket, int $length): ?string
    {
        $bytes = '';
        while (($left = $length - \strlen($bytes)) > 0) {
            $read = @fread($socket, $left);
            if ('' === $read && feof($socket)) {
                return null;
            }
            $bytes .= (string) $read;
        }

        return $bytes;
    }
}
