<?php

declare(strict_types=1);

namespace App\Job;

use Symfony\Component\Messenger\Envelope;
use Symfony\Component\Messenger\Transport\TransportInterface;

/**
 * A transport that is asked only when somebody has rung since, or nobody has asked for a second: a worker that waits looks at
 * a file of a few bytes twenty times a second, not at the database. What is sent from another machine is found by the second.
 */
final class BellTransport implements TransportInterface
{
    private const SECONDS = 1.0;

    /** @var string|null what the bell said when it was last asked and had nothing; null while it may have more */
    private ?string $heard = null;

    private float $asked = 0.0;

    public function __construct(private readonly TransportInterface $inner, private readonly string $file)
    {
    }

    public function get(): iterable
    {
        $rung = (string) @file_get_contents($this->file);
        if ($rung === $this->heard && microtime(true) - $this->asked < self::SECONDS) {
            return [];
        }
        // Noted before it is asked: what is sent meanwhile rings again.
        $this->asked = microtime(true);
        $found = [...$this->inner->get()];
        $this->heard = [] === $found ? $rung : null;

        return $found;
    }

    public function send(Envelope $envelope): Envelope
    {
        $sent = $this->inner->send($envelope);
        // Where it cannot be written, as on a full disk, the second is waited for.
        @file_put_contents($this->file, bin2hex(random_bytes(8)));

        return $sent;
    }

    public function ack(Envelope $envelope): void
    {
        $this->inner->ack($envelope);
    }

    public function reject(Envelope $envelope): void
    {
        $this->inner->reject($envelope);
    }
}
