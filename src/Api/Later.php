<?php

declare(strict_types=1);

namespace App\Api;

use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpKernel\Event\TerminateEvent;

/** Work that nobody has to wait for: done after the answer has gone out. */
final class Later
{
    /** @var list<\Closure(): void> */
    private array $jobs = [];

    /** @param \Closure(): void $job */
    public function add(\Closure $job): void
    {
        $this->jobs[] = $job;
    }

    #[AsEventListener(TerminateEvent::class)]
    public function run(): void
    {
        foreach ($this->jobs as $job) {
            $job();
        }
        $this->jobs = [];
    }
}
