<?php

declare(strict_types=1);

namespace App\Api\View;

use App\Entity\PasswordLink;
use OpenApi\Attributes as OA;

/** Whom a link is for. */
#[OA\Schema(required: ['name', 'email', 'firm', 'purpose'])]
final readonly class PasswordLinkView
{
    public function __construct(
        #[OA\Property]
        public string $name,
        #[OA\Property]
        public string $email,
        #[OA\Property]
        public string $firm,
        #[OA\Property(enum: [PasswordLink::INVITATION, PasswordLink::RESET])]
        public string $purpose,
    ) {
    }
}
