<?php

declare(strict_types=1);

namespace App\Controller;

use App\Api\OpenApi;
use App\Security\Doors;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\Routing\Attribute\Route;

final readonly class OpenApiController
{
    #[Route('/api/openapi.json', methods: ['GET'], defaults: [Doors::OPEN => true])]
    public function __invoke(OpenApi $openApi): JsonResponse
    {
        return new JsonResponse($openApi->json(), 200, ['Cache-Control' => 'max-age=300'], true);
    }
}
