<?php

declare(strict_types=1);

namespace App\Controller;

use App\Api\Answer;
use App\Api\Body;
use App\Api\Problem;
use App\Api\Query;
use App\Api\View\FindingView;
use App\Api\View\HouseSummary;
use App\Api\View\HouseView;
use App\Call\HouseChanges;
use App\Entity\House;
use App\Entity\User;
use App\House\HouseDocument;
use App\House\HouseStore;
use App\House\RepeatedKeys;
use App\Security\Act;
use OpenApi\Attributes as OA;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Security\Http\Attribute\IsGranted;
use YellowProbe\Installation\Finding;
use YellowProbe\Installation\Findings;
use YellowProbe\Installation\House as Model;
use YellowProbe\Installation\HouseError;

#[IsGranted(Act::SEE)]
final readonly class HouseController
{
    public function __construct(private HouseStore $houses, private HouseChanges $changes)
    {
    }

    #[Route('/api/houses', methods: ['GET'])]
    #[OA\Get(path: '/api/houses', operationId: 'listHouses', parameters: [new OA\QueryParameter(name: 'search', description: 'Words that stand in the address', required: false, schema: new OA\Schema(type: 'string'))], responses: [new OA\Response(response: 200, description: 'Houses of the firm by address, the first of those that fit', content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: HouseSummary::class)))])]
    public function list(Request $request, #[CurrentUser] User $user): JsonResponse
    {
        return Answer::of($this->houses->search($user->firm, Query::text($request, 'search')));
    }

    #[Route('/api/houses', methods: ['POST'])]
    #[IsGranted(Act::SURVEY)]
    #[OA\Post(path: '/api/houses', operationId: 'importHouse', requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(required: ['id', 'address', 'document'], properties: [new OA\Property(property: 'id', type: 'string', format: 'uuid'), new OA\Property(property: 'address', type: 'string'), new OA\Property(property: 'document', type: 'object', additionalProperties: true)])), responses: [new OA\Response(response: 201, description: 'Imported, or imported before', content: new OA\JsonContent(ref: HouseView::class)), new OA\Response(response: 422, ref: '#/components/responses/Problem')])]
    public function import(Request $request, #[CurrentUser] User $user): JsonResponse
    {
        $body = Body::of($request);
        $repeated = RepeatedKeys::first($request->getContent());
        if (null !== $repeated) {
            throw Problem::invalid($repeated, 'This id stands twice: give one of the two another id.');
        }
        // Decoded again without turning objects into arrays, so that {} stays {} for the schema.
        $raw = json_decode($request->getContent(), false, 64, \JSON_THROW_ON_ERROR);
        $document = $raw instanceof \stdClass ? $raw->document ?? null : null;
        try {
            $house = $this->houses->import($user, $body->id(), $body->text('address'), json_encode($document, \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE | \JSON_UNESCAPED_SLASHES | \JSON_PRESERVE_ZERO_FRACTION));
        } catch (HouseError $e) {
            throw Problem::invalid('/document'.$e->path, $e->getMessage());
        }

        return $this->answer($house, null, 201);
    }

    #[Route('/api/houses/{id}', methods: ['GET'])]
    #[OA\Get(path: '/api/houses/{id}', operationId: 'getHouse', parameters: [new OA\PathParameter(name: 'id', required: true, schema: new OA\Schema(type: 'string')), new OA\QueryParameter(name: 'version', required: false, schema: new OA\Schema(type: 'integer'))], responses: [new OA\Response(response: 200, description: 'The house document', content: new OA\JsonContent(ref: HouseView::class)), new OA\Response(response: 404, ref: '#/components/responses/Problem')])]
    public function get(string $id, Request $request, #[CurrentUser] User $user): JsonResponse
    {
        $version = $request->query->getInt('version');

        return $this->answer($this->houses->find($user, $id), 0 === $version ? null : $version);
    }

    #[Route('/api/houses/{id}/operations', methods: ['POST'])]
    #[IsGranted(Act::SURVEY)]
    #[OA\Post(path: '/api/houses/{id}/operations', operationId: 'changeHouse', parameters: [new OA\PathParameter(name: 'id', required: true, schema: new OA\Schema(type: 'string'))], requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(required: ['id', 'baseVersion', 'operation'], properties: [new OA\Property(property: 'id', type: 'string', format: 'uuid'), new OA\Property(property: 'baseVersion', type: 'integer'), new OA\Property(property: 'operation', type: 'object', additionalProperties: true)])), responses: [new OA\Response(response: 201, description: 'The house after the operation', content: new OA\JsonContent(ref: HouseView::class)), new OA\Response(response: 409, ref: '#/components/responses/Problem'), new OA\Response(response: 422, ref: '#/components/responses/Problem')])]
    public function change(string $id, Request $request, #[CurrentUser] User $user): JsonResponse
    {
        $house = $this->houses->find($user, $id);
        $body = Body::of($request);
        try {
            $version = $this->changes->change($user, $house, $body->id(), (int) $body->fields->number('baseVersion'), $body->fields->object('operation')->raw);
        } catch (HouseError $e) {
            throw Problem::invalid('/operation'.$e->path, $e->getMessage());
        }

        return $this->answer($house, $version->number, 201);
    }

    private function answer(House $house, ?int $number, int $status = 200): JsonResponse
    {
        $version = $this->houses->version($house, $number);
        /** @var array<string, mixed> $document */
        $document = json_decode($version->document, true, 64, \JSON_THROW_ON_ERROR);

        return Answer::of(new HouseView($house->id->toRfc4122(), $house->address, $version->number, (object) HouseDocument::objects($document), array_map(static fn (Finding $finding): FindingView => new FindingView($finding->path, $finding->words), Findings::of(Model::fromDocument($document)))), $status);
    }
}
