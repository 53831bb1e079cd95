<?php

declare(strict_types=1);

namespace App\Api\View;

use App\Entity\User;
use App\Security\Role;
use OpenApi\Attributes as OA;

/** Somebody of the firm. */
#[OA\Schema(required: ['id', 'name', 'email', 'role', 'standing', 'seenAt'])]
final readonly class PersonView
{
    public const ACTIVE = 'active';
    public const INVITED = 'invited';
    public const DEACTIVATED = 'deactivated';

    public function __construct(
        #[OA\Property(format: 'uuid')]
        public string $id,
        #[OA\Property]
        public string $name,
        #[OA\Property]
        public string $email,
        #[OA\Property]
        public Role $role,
        #[OA\Property(enum: [self::ACTIVE, self::INVITED, self::DEACTIVATED])]
        public string $standing,
        #[OA\Property(description: 'When they last did anything here.')]
        public ?string $seenAt,
    ) {
    }

    public static function of(User $user, ?string $seenAt): self
    {
        return new self($user->id->toRfc4122(), $user->name, $user->email, $user->role, match (true) {
            null !== $user->deactivatedAt => self::DEACTIVATED,
            $user->isActive() => self::ACTIVE,
            default => self::INVITED,
        }, $seenAt);
    }
}
