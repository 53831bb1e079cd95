<?php

declare(strict_types=1);

namespace App\Entity;

use Doctrine\DBAL\Types\Types;
use Doctrine\ORM\Mapping as ORM;
use Symfony\Component\Uid\Uuid;

/**
 * One thing told, seen, done or measured on a call, with the state and house version it was made in. Never changed:
 * a correction or withdrawal is another observation, and the database refuses updates and deletes of this table.
 */
#[ORM\Entity(readOnly: true)]
#[ORM\UniqueConstraint(name: 'observation_order', columns: ['call_id', 'position'])]
class Observation
{
    /**
     * @param Uuid                 $id       made by the client
     * @param int                  $position on its call, in the order the server stored them
     * @param array<string, mixed> $payload  as sent, by kind
     * @param array<string, mixed> $state    the house's state it was made in
     * @param array<string, mixed> $verdict  what was made of it at the time: judgements, expectation, versions
     * @param int|null             $seen     position of the last entry that its device knew when it was made
     * @param Uuid|null            $device   that it was made on, by an id that the device made for itself
     */
    public function __construct(
        #[ORM\Id, ORM\Column(type: 'uuid')]
        public Uuid $id,
        #[ORM\ManyToOne, ORM\JoinColumn(nullable: false)]
        public readonly Firm $firm,
        #[ORM\ManyToOne, ORM\JoinColumn(nullable: false)]
        public readonly Call $call,
        #[ORM\Column]
        public readonly int $position,
        #[ORM\Column(length: 20)]
        public readonly string $kind,
        #[ORM\Column(type: Types::JSON)]
        public readonly array $payload,
        #[ORM\Column(type: Types::JSON)]
        public readonly array $state,
        #[ORM\Column(nullable: true)]
        public readonly ?int $houseVersion,
        #[ORM\Column(type: Types::JSON)]
        public readonly array $verdict,
        #[ORM\ManyToOne, ORM\JoinColumn(nullable: false)]
        public readonly User $author,
        #[ORM\Column]
        public readonly \DateTimeImmutable $clientAt,
        #[ORM\Column]
        public readonly \DateTimeImmutable $storedAt,
        #[ORM\Column(nullable: true)]
        public readonly ?int $seen = null,
        #[ORM\Column(type: 'uuid', nullable: true)]
        public readonly ?Uuid $device = null,
    ) {
    }
}
