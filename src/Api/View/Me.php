<?php

declare(strict_types=1);

namespace App\Api\View;

use App\Entity\User;
use OpenApi\Attributes as OA;

/** Who is logged in. */
#[OA\Schema(required: ['name', 'email', 'firm'])]
final readonly class Me
{
    public function __construct(
        #[OA\Property]
        public string $name,
        #[OA\Property]
        public string $email,
        #[OA\Property]
        public string $firm,
    ) {
    }

    public static function of(User $user): self
    {
        return new self($user->name, $user->email, $user->firm->name);
    }
}
