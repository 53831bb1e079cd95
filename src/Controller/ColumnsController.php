<?php

declare(strict_types=1);

namespace App\Controller;

use App\Api\Answer;
use App\Api\Body;
use App\Api\Problem;
use App\Api\View\ColumnsView;
use App\Call\CallStore;
use App\Call\Columns;
use App\Entity\User;
use OpenApi\Attributes as OA;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/** How far the ranking of a call is prepared, and another part of it; nothing here stores evidence. */
final readonly class ColumnsController
{
    /** What one request works out at most: it should answer within seconds. */
    private const MOST = 8;

    public function __construct(private CallStore $calls, private Columns $columns)
    {
    }

    #[Route('/api/calls/{id}/columns', methods: ['GET'])]
    #[OA\Get(path: '/api/calls/{id}/columns', operationId: 'columns', parameters: [new OA\PathParameter(name: 'id', required: true, schema: new OA\Schema(type: 'string'))], responses: [new OA\Response(response: 200, description: 'How far it is worked out what the readings would show under every cause', content: new OA\JsonContent(ref: ColumnsView::class)), new OA\Response(response: 409, ref: '#/components/responses/Problem')])]
    public function view(string $id, #[CurrentUser] User $user): JsonResponse
    {
        return Answer::of($this->columns->view($this->calls->journal($this->calls->find($user, $id))));
    }

    #[Route('/api/calls/{id}/columns', methods: ['POST'])]
    #[OA\Post(path: '/api/calls/{id}/columns', operationId: 'workColumns', parameters: [new OA\PathParameter(name: 'id', required: true, schema: new OA\Schema(type: 'string'))], requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(required: ['observations'], properties: [new OA\Property(property: 'observations', type: 'array', maxItems: self::MOST, items: new OA\Items(type: 'string'))])), responses: [new OA\Response(response: 200, description: 'How far it is now', content: new OA\JsonContent(ref: ColumnsView::class)), new OA\Response(response: 409, ref: '#/components/responses/Problem'), new OA\Response(response: 422, ref: '#/components/responses/Problem')])]
    public function work(string $id, Request $request, #[CurrentUser] User $user): JsonResponse
    {
        $journal = $this->calls->journal($this->calls->find($user, $id));
        $observations = Body::of($request)->fields->strings('observations');
        if (\count($observations) > self::MOST) {
            throw Problem::invalid('/observations', \sprintf('Ask for %d at most at a time.', self::MOST));
        }
        $this->columns->work($journal, $observations);

        return Answer::of($this->columns->view($journal));
    }
}
