<?php

declare(strict_types=1);

namespace App\Entity;

use Doctrine\DBAL\Types\Types;
use Doctrine\ORM\Mapping as ORM;
use Symfony\Component\Uid\Uuid;

/** A mail that was kept instead of sent: {@see \App\Mail\KeptTransport}. */
#[ORM\Entity(readOnly: true)]
#[ORM\Index(name: 'mail_recipient', columns: ['recipient'])]
class Mail
{
    public function __construct(
        #[ORM\Id, ORM\Column(type: 'uuid')]
        public Uuid $id,
        #[ORM\Column(length: 180)]
        public readonly string $recipient,
        #[ORM\Column(length: 200)]
        public readonly string $subject,
        #[ORM\Column(type: Types::TEXT)]
        public readonly string $text,
        #[ORM\Column]
        public readonly \DateTimeImmutable $at,
    ) {
    }
}
