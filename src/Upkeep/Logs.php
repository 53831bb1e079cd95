<?php

declare(strict_types=1);

namespace App\Upkeep;

use Symfony\Component\DependencyInjection\Attribute\Autowire;

/**
 * Logs of all servers turned over when they have grown. They are copied and cut, not renamed: every server has its log open and
 * writes at the end of it.
 */
final readonly class Logs
{
    private const MOST_BYTES = 5_000_000;
    private const KEPT = 4;

    public function __construct(#[Autowire('%kernel.logs_dir%')] private string $directory)
    {
    }

    /** @return list<string> names of logs that were turned over */
    public function rotate(int $mostBytes = self::MOST_BYTES): array
    {
        $turned = [];
        clearstatcache();
        foreach (glob("$this->directory/*.log") ?: [] as $log) {
            if ((int) @filesize($log) <= $mostBytes) {
                continue;
            }
            for ($age = self::KEPT - 1; $age > 0; --$age) {
                @rename("$log.$age", "$log.".($age + 1));
            }
            if (copy($log, "$log.1")) {
                file_put_contents($log, '');
                $turned[] = basename($log);
            }
        }

        return $turned;
    }
}
