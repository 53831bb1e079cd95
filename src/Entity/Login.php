<?php

declare(strict_types=1);

namespace App\Entity;

use Doctrine\ORM\Mapping as ORM;
use Symfony\Component\Uid\Uuid;

/** One login of a person on one device, until they sign out, are signed out, or it expires. */
#[ORM\Entity]
#[ORM\Index(name: 'login_user', columns: ['user_id', 'ended_at'])]
class Login
{
    #[ORM\Column(nullable: true)]
    public ?\DateTimeImmutable $endedAt = null;

    /**
     * @param string $device  what the browser says of itself
     * @param string $address it came from
     */
    public function __construct(
        #[ORM\Id, ORM\Column(type: 'uuid')]
        public Uuid $id,
        #[ORM\ManyToOne, ORM\JoinColumn(nullable: false)]
        public readonly Firm $firm,
        #[ORM\ManyToOne, ORM\JoinColumn(nullable: false)]
        public readonly User $user,
        #[ORM\Column(length: 200)]
        public readonly string $device,
        #[ORM\Column(length: 45)]
        public readonly string $address,
        #[ORM\Column]
        public readonly \DateTimeImmutable $at,
        #[ORM\Column]
        public \DateTimeImmutable $seenAt,
    ) {
    }
}
