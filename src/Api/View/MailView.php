<?php

declare(strict_types=1);

namespace App\Api\View;

use OpenApi\Attributes as OA;

/** A mail that was kept instead of sent. */
#[OA\Schema(required: ['id', 'recipient', 'subject', 'text', 'at'])]
final readonly class MailView
{
    public function __construct(
        #[OA\Property(format: 'uuid')]
        public string $id,
        #[OA\Property]
        public string $recipient,
        #[OA\Property]
        public string $subject,
        #[OA\Property]
        public string $text,
        #[OA\Property]
        public string $at,
    ) {
    }
}
