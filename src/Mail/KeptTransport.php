<?php

declare(strict_types=1);

namespace App\Mail;

use Doctrine\DBAL\Connection;
use Doctrine\DBAL\Types\Types;
use Symfony\Component\Clock\ClockInterface;
use Symfony\Component\Mailer\SentMessage;
use Symfony\Component\Mailer\Transport\AbstractTransport;
use Symfony\Component\Mime\Email;
use Symfony\Component\Uid\UuidV7;

/**
 * Stands in for a mail server: keeps what would be sent, so that it can be read, and lets nothing leave the machine. A real one
 * is a setting: MAILER_DSN.
 */
final class KeptTransport extends AbstractTransport
{
    public function __construct(private readonly Connection $connection, private readonly ClockInterface $clock)
    {
        parent::__construct();
    }

    public function __toString(): string
    {
        return 'kept://default';
    }

    protected function doSend(SentMessage $message): void
    {
        $mail = $message->getOriginalMessage();
        if (!$mail instanceof Email) {
            throw new \LogicException('Only mails with a subject and a text are kept.');
        }
        foreach ($mail->getTo() as $recipient) {
            $this->connection->insert('mail', ['id' => new UuidV7(), 'recipient' => $recipient->getAddress(), 'subject' => (string) $mail->getSubject(), 'text' => (string) $mail->getTextBody(), 'at' => $this->clock->now()], ['id' => 'uuid', 'at' => Types::DATETIME_IMMUTABLE]);
        }
    }
}
