<?php

declare(strict_types=1);

namespace App\Controller;

use App\Api\Answer;
use App\Api\Body;
use App\Api\Problem;
use App\Api\View\Me;
use App\Entity\User;
use App\Security\Act;
use Doctrine\ORM\EntityManagerInterface;
use OpenApi\Attributes as OA;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Security\Http\Attribute\IsGranted;

/** What a firm settles for itself. */
#[IsGranted(Act::ADMINISTER)]
final readonly class FirmController
{
    private const LEAST_MINUTES = 5;
    private const MOST_MINUTES = 240;

    #[Route('/api/firm', methods: ['PUT'])]
    #[OA\Put(path: '/api/firm', operationId: 'settleFirm', requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(required: ['proofMinutes'], properties: [new OA\Property(property: 'proofMinutes', type: 'integer', minimum: self::LEAST_MINUTES, maximum: self::MOST_MINUTES)])), responses: [new OA\Response(response: 200, description: 'Settled', content: new OA\JsonContent(ref: Me::class)), new OA\Response(response: 422, ref: '#/components/responses/Problem')])]
    public function settle(Request $request, #[CurrentUser] User $user, EntityManagerInterface $entities): JsonResponse
    {
        $minutes = Body::of($request)->fields->number('proofMinutes');
        if ($minutes < self::LEAST_MINUTES || $minutes > self::MOST_MINUTES || floor($minutes) !== $minutes) {
            throw Problem::invalid('/proofMinutes', \sprintf('Expected whole minutes from %d to %d.', self::LEAST_MINUTES, self::MOST_MINUTES));
        }
        $user->firm->proofMinutes = (int) $minutes;
        $entities->flush();

        return Answer::of(Me::of($user));
    }
}
