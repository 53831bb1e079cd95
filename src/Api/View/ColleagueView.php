<?php

declare(strict_types=1);

namespace App\Api\View;

use App\Security\Role;
use OpenApi\Attributes as OA;

/** Somebody of the firm who can log in, as everybody there may know. */
#[OA\Schema(required: ['id', 'name', 'role', 'mayAccompany'])]
final readonly class ColleagueView
{
    public function __construct(
        #[OA\Property(format: 'uuid')]
        public string $id,
        #[OA\Property]
        public string $name,
        #[OA\Property]
        public Role $role,
        #[OA\Property(description: 'Whether they may stand beside a trainee at live steps.')]
        public bool $mayAccompany,
    ) {
    }
}
