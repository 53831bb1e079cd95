<?php

declare(strict_types=1);

namespace App\Entity;

use Doctrine\ORM\Mapping as ORM;
use Symfony\Component\Uid\Uuid;

/** A house that a firm knows; what it holds is in its versions, the newest of which is "version". */
#[ORM\Entity]
#[ORM\Index(name: 'house_address', columns: ['firm_id', 'address'])]
class House
{
    #[ORM\Column]
    public int $version = 0;

    public function __construct(
        #[ORM\Id, ORM\Column(type: 'uuid')]
        public Uuid $id,
        #[ORM\ManyToOne, ORM\JoinColumn(nullable: false)]
        public readonly Firm $firm,
        #[ORM\Column(length: 200)]
        public string $address,
    ) {
    }
}
