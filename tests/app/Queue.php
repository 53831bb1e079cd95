<?php

declare(strict_types=1);

namespace App\Tests;

use Symfony\Component\Messenger\Envelope;
use Symfony\Component\Messenger\Transport\TransportInterface;

/** A transport that counts how often it is asked, and lets something happen while it is. */
final class Queue implements TransportInterface
{
    public int $asked = 0;

    /** @var (\Closure(): void)|null */
    public ?\Closure $meanwhile = null;

    /** @var list<Envelope> */
    private array $waiting = [];

    public function get(): iterable
    {
        ++$this->asked;
        $found = array_splice($this->waiting, 0, 1);
        [$meanwhile, $this->meanwhile] = [$this->meanwhile, null];
        null === $meanwhile || $meanwhile();

        return $found;
    }

    public function send(Envelope $envelope): Envelope
    {
        return $this->waiting[] = $envelope;
    }

    public function ack(Envelope $envelope): void
    {
    }

    public function reject(Envelope $envelope): void
    {
    }
}
