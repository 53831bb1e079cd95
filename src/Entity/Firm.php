<?php

declare(strict_types=1);

namespace App\Entity;

use Doctrine\ORM\Mapping as ORM;
use Symfony\Component\Uid\Uuid;

/** A firm of electricians. Every other row belongs to one, and nobody sees another firm's rows. */
#[ORM\Entity]
class Firm
{
    public function __construct(
        #[ORM\Id, ORM\Column(type: 'uuid')]
        public Uuid $id,
        #[ORM\Column(length: 200)]
        public string $name,
        /** Minutes without an entry after which a proof of dead lapses, unless all that isolates is locked. */
        #[ORM\Column(options: ['default' => 30])]
        public int $proofMinutes = 30,
        /** Invented, with a password that everybody knows. */
        #[ORM\Column(options: ['default' => false])]
        public bool $demonstration = false,
    ) {
    }
}
