<?php

declare(strict_types=1);

namespace App\Api\View;

use App\Entity\User;
use OpenApi\Attributes as OA;

/** Who is logged in. */
#[OA\Schema(required: ['name', 'email', 'firm', 'proofMinutes'])]
final readonly class Me
{
    public function __construct(
        #[OA\Property]
        public string $name,
        #[OA\Property]
        public string $email,
        #[OA\Property]
        public string $firm,
        #[OA\Property(description: 'Minutes without an entry after which a proof of dead lapses, unless all that isolates is locked.')]
        public int $proofMinutes,
    ) {
    }

    public static function of(User $user): self
    {
        return new self($user->name, $user->email, $user->firm->name, $user->firm->proofMinutes);
    }
}
