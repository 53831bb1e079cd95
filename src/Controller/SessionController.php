<?php

declare(strict_types=1);

namespace App\Controller;

use App\Api\Answer;
use App\Api\Problem;
use App\Api\View\Me;
use App\Entity\User;
use OpenApi\Attributes as OA;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

final readonly class SessionController
{
    #[Route('/api/login', methods: ['POST'])]
    #[OA\Post(path: '/api/login', operationId: 'login', requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(required: ['email', 'password'], properties: [new OA\Property(property: 'email', type: 'string'), new OA\Property(property: 'password', type: 'string')])), responses: [new OA\Response(response: 200, description: 'Logged in', content: new OA\JsonContent(ref: Me::class)), new OA\Response(response: 401, ref: '#/components/responses/Problem')])]
    public function login(): never
    {
        // The firewall answers a JSON login before this; anything else is not one.
        throw new Problem(400, 'Not a login', 'Send e-mail and password as a JSON object.');
    }

    #[Route('/api/me', methods: ['GET'])]
    #[OA\Get(path: '/api/me', operationId: 'me', responses: [new OA\Response(response: 200, description: 'Who is logged in', content: new OA\JsonContent(ref: Me::class)), new OA\Response(response: 401, ref: '#/components/responses/Problem')])]
    public function me(#[CurrentUser] User $user): JsonResponse
    {
        return Answer::of(Me::of($user));
    }

    #[Route('/api/health', methods: ['GET'])]
    public function health(): Response
    {
        // Read by bin/start and by whoever runs it: the JIT has to be on in the server that answers, not on a command line.
        $status = \function_exists('opcache_get_status') ? opcache_get_status(false) : false;
        $jit = \is_array($status) && \is_array($status['jit'] ?? null) && true === ($status['jit']['on'] ?? false);

        return new JsonResponse(['ok' => true, 'jit' => $jit]);
    }
}
