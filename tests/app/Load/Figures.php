<?php

declare(strict_types=1);

namespace App\Tests\Load;

/** What was measured, and what is to be done a moment later. */
final class Figures
{
    /** @var array<string, list<float>> seconds by what was waited for */
    private array $seconds = [];

    /** @var array<string, int> what went wrong => how often */
    public array $failures = [];

    /** @var array<int, array{float, \Closure(): void}> */
    private array $later = [];

    public function add(string $figure, float $seconds): void
    {
        $this->seconds[$figure][] = $seconds;
    }

    public function fail(string $what): void
    {
        $this->failures[$what] = ($this->failures[$what] ?? 0) + 1;
    }

    /** @param \Closure(): void $do */
    public function later(float $seconds, \Closure $do): void
    {
        $this->later[] = [microtime(true) + $seconds, $do];
    }

    public function due(): void
    {
        $now = microtime(true);
        foreach ($this->later as $at => [$when, $do]) {
            if ($when <= $now) {
                unset($this->later[$at]);
                $do();
            }
        }
    }

    public function print(): void
    {
        ksort($this->seconds);
        printf("%-28s %6s %9s %9s %9s\n", '', 'times', 'median', 'p95', 'longest');
        foreach ($this->seconds as $figure => $seconds) {
            sort($seconds);
            $at = static fn (float $share): float => 1000.0 * $seconds[(int) min(\count($seconds) - 1, floor($share * \count($seconds)))];
            printf("%-28s %6d %6.0f ms %6.0f ms %6.0f ms\n", $figure, \count($seconds), $at(0.5), $at(0.95), 1000.0 * (float) end($seconds));
        }
    }
}
