<?php

declare(strict_types=1);

namespace App\Entity;

use Doctrine\DBAL\Types\Types;
use Doctrine\ORM\Mapping as ORM;
use Symfony\Component\Uid\Uuid;

/** A call-out. What happened on it is its observations; this row only says what it is about. */
#[ORM\Entity]
#[ORM\Table(name: 'callout')]
#[ORM\Index(name: 'callout_opened', columns: ['firm_id', 'opened_at', 'id'])]
#[ORM\Index(name: 'callout_address', columns: ['firm_id', 'address', 'opened_at'])]
class Call
{
    public function __construct(
        #[ORM\Id, ORM\Column(type: 'uuid')]
        public Uuid $id,
        #[ORM\ManyToOne, ORM\JoinColumn(nullable: false)]
        public readonly Firm $firm,
        #[ORM\ManyToOne]
        public ?House $house,
        #[ORM\Column(length: 200)]
        public string $address,
        #[ORM\Column(length: 200)]
        public string $customer,
        #[ORM\Column(type: Types::TEXT)]
        public string $complaint,
        #[ORM\Column(length: 40)]
        public string $visit,
        #[ORM\Column]
        public readonly \DateTimeImmutable $openedAt,
    ) {
    }
}
