<?php

declare(strict_types=1);

namespace App\Entity;

use Doctrine\DBAL\Types\Types;
use Doctrine\ORM\Mapping as ORM;
use Symfony\Component\Uid\Uuid;

/** One version of a house document: whole, with the operation that led to it. Never changed. */
#[ORM\Entity(readOnly: true)]
#[ORM\UniqueConstraint(name: 'house_version_number', columns: ['house_id', 'number'])]
class HouseVersion
{
    /**
     * @param Uuid                 $id        of the operation, made by the client
     * @param array<string, mixed> $operation
     */
    public function __construct(
        #[ORM\Id, ORM\Column(type: 'uuid')]
        public Uuid $id,
        #[ORM\ManyToOne, ORM\JoinColumn(nullable: false)]
        public readonly Firm $firm,
        #[ORM\ManyToOne, ORM\JoinColumn(nullable: false)]
        public readonly House $house,
        #[ORM\Column]
        public readonly int $number,
        #[ORM\Column(type: Types::JSON)]
        public readonly array $operation,
        // As text: a JSON column would come back with its keys in the same order but its numbers changed (8.0 becomes 8).
        #[ORM\Column(type: Types::TEXT, length: 16777215)]
        public readonly string $document,
        #[ORM\ManyToOne, ORM\JoinColumn(nullable: false)]
        public readonly User $author,
        #[ORM\Column]
        public readonly \DateTimeImmutable $at,
    ) {
    }
}
