<?php

declare(strict_types=1);

namespace App\Tests;

use App\Job\BellTransport;
use PHPUnit\Framework\TestCase;
use Symfony\Component\Messenger\Envelope;

/** A worker that waits asks the database only when somebody has rung. */
final class BellTransportTest extends TestCase
{
    private string $file;

    protected function setUp(): void
    {
        $this->file = tempnam(sys_get_temp_dir(), 'bell') ?: '';
    }

    protected function tearDown(): void
    {
        unlink($this->file);
    }

    public function testItIsAskedOnceUntilSomebodyRings(): void
    {
        $inner = new Queue();
        $worker = new BellTransport($inner, $this->file);
        self::assertSame([[], [], []], [[...$worker->get()], [...$worker->get()], [...$worker->get()]]);
        self::assertSame(1, $inner->asked);

        // Sent by another process: its own transport, the same file.
        $sent = new Envelope(new \stdClass());
        (new BellTransport($inner, $this->file))->send($sent);
        self::assertSame([$sent], [...$worker->get()]);
        // There may be more of what was found: asked until there is none.
        self::assertSame([], [...$worker->get()]);
        self::assertSame([], [...$worker->get()]);
        self::assertSame(3, $inner->asked);
    }

    public function testWhatIsSentWhileItAsksIsNotMissed(): void
    {
        $inner = new Queue();
        $worker = new BellTransport($inner, $this->file);
        $sender = new BellTransport($inner, $this->file);
        // The first look finds nothing, and while it is under way somebody sends.
        $inner->meanwhile = static function () use ($sender): void {
            $sender->send(new Envelope(new \stdClass()));
        };
        self::assertSame([], [...$worker->get()]);
        self::assertCount(1, [...$worker->get()]);
    }
}
