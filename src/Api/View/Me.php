<?php

declare(strict_types=1);

namespace App\Api\View;

use App\Entity\User;
use App\Security\Access;
use App\Security\Act;
use App\Security\Role;
use OpenApi\Attributes as OA;

/** Who is logged in, and what they may do. */
#[OA\Schema(required: ['id', 'name', 'email', 'firm', 'role', 'may', 'hasPin', 'demonstration', 'proofMinutes'])]
final readonly class Me
{
    /** @param list<string> $may */
    public function __construct(
        #[OA\Property(format: 'uuid')]
        public string $id,
        #[OA\Property]
        public string $name,
        #[OA\Property]
        public string $email,
        #[OA\Property]
        public string $firm,
        #[OA\Property]
        public Role $role,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string', enum: Act::ALL))]
        public array $may,
        #[OA\Property(description: 'Whether a PIN stands in for the password beside somebody else’s device.')]
        public bool $hasPin,
        #[OA\Property(description: 'Everything here is invented, and the password is known to everybody.')]
        public bool $demonstration,
        #[OA\Property(description: 'Minutes without an entry after which a proof of dead lapses, unless all that isolates is locked.')]
        public int $proofMinutes,
    ) {
    }

    public static function of(User $user): self
    {
        return new self($user->id->toRfc4122(), $user->name, $user->email, $user->firm->name, $user->role, Access::of($user->role), null !== $user->pin, $user->firm->demonstration, $user->firm->proofMinutes);
    }
}
