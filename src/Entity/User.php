<?php

declare(strict_types=1);

namespace App\Entity;

use App\Security\Role;
use Doctrine\DBAL\Types\Types;
use Doctrine\ORM\Mapping as ORM;
use Symfony\Component\Security\Core\User\PasswordAuthenticatedUserInterface;
use Symfony\Component\Security\Core\User\UserInterface;
use Symfony\Component\Uid\Uuid;

/** Somebody who works for a firm and logs in. */
#[ORM\Entity]
#[ORM\UniqueConstraint(name: 'user_email', columns: ['email'])]
class User implements UserInterface, PasswordAuthenticatedUserInterface
{
    /** Empty until whoever was invited has chosen one. */
    #[ORM\Column(length: 255)]
    private string $password = '';

    /** Hash of a few digits that stand in for the password beside somebody else's device. */
    #[ORM\Column(length: 255, nullable: true)]
    public ?string $pin = null;

    /** From then on this person cannot log in; what they stored stays theirs. */
    #[ORM\Column(nullable: true)]
    public ?\DateTimeImmutable $deactivatedAt = null;

    /** @param non-empty-string $email */
    public function __construct(
        #[ORM\Id, ORM\Column(type: 'uuid')]
        public Uuid $id,
        #[ORM\ManyToOne, ORM\JoinColumn(nullable: false)]
        public readonly Firm $firm,
        #[ORM\Column(length: 180)]
        public string $email,
        #[ORM\Column(length: 200)]
        public string $name,
        #[ORM\Column(type: Types::STRING, length: 20, enumType: Role::class)]
        public Role $role = Role::Electrician,
    ) {
    }

    public function setPassword(string $hash): void
    {
        $this->password = $hash;
    }

    public function getPassword(): string
    {
        return $this->password;
    }

    public function isActive(): bool
    {
        return null === $this->deactivatedAt && '' !== $this->password;
    }

    public function getRoles(): array
    {
        return ['ROLE_USER'];
    }

    public function eraseCredentials(): void
    {
    }

    public function getUserIdentifier(): string
    {
        return $this->email;
    }
}
