<?php

declare(strict_types=1);

namespace App\Entity;

use Doctrine\DBAL\Types\Types;
use Doctrine\ORM\Mapping as ORM;
use Symfony\Component\Uid\Uuid;

/** A link with which somebody chooses a password once: an invitation, or a reset. */
#[ORM\Entity]
class PasswordLink
{
    public const INVITATION = 'invitation';
    public const RESET = 'reset';

    #[ORM\Column(nullable: true)]
    public ?\DateTimeImmutable $usedAt = null;

    public function __construct(
        #[ORM\Id, ORM\Column(type: 'uuid')]
        public Uuid $id,
        #[ORM\ManyToOne, ORM\JoinColumn(nullable: false)]
        public readonly Firm $firm,
        #[ORM\ManyToOne, ORM\JoinColumn(nullable: false)]
        public readonly User $user,
        #[ORM\Column(type: Types::STRING, length: 20)]
        public readonly string $purpose,
        #[ORM\Column]
        public readonly \DateTimeImmutable $madeAt,
        #[ORM\Column]
        public readonly \DateTimeImmutable $expiresAt,
    ) {
    }
}
