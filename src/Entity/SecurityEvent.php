<?php

declare(strict_types=1);

namespace App\Entity;

use Doctrine\DBAL\Types\Types;
use Doctrine\ORM\Mapping as ORM;
use Symfony\Component\Uid\Uuid;

/** A line of the security log: logins, refusals, changes of people, exports. The database refuses to change or delete one. */
#[ORM\Entity(readOnly: true)]
#[ORM\Index(name: 'security_event_firm', columns: ['firm_id', 'id'])]
class SecurityEvent
{
    /**
     * @param Firm|null             $firm    null where nobody is known
     * @param User|null             $user    who did it, or whose account it was tried on
     * @param string                $address that it came from
     * @param array<string, string> $detail  never a password, never a customer's words
     */
    public function __construct(
        #[ORM\Id, ORM\Column(type: 'uuid')]
        public Uuid $id,
        #[ORM\ManyToOne]
        public readonly ?Firm $firm,
        #[ORM\ManyToOne]
        public readonly ?User $user,
        #[ORM\Column(length: 40)]
        public readonly string $kind,
        #[ORM\Column]
        public readonly \DateTimeImmutable $at,
        #[ORM\Column(length: 45)]
        public readonly string $address,
        #[ORM\Column(type: Types::JSON)]
        public readonly array $detail,
    ) {
    }
}
