<?php

declare(strict_types=1);

namespace App\Controller;

use App\Api\Answer;
use App\Api\Body;
use App\Api\Later;
use App\Api\Problem;
use App\Api\View\CallDetail;
use App\Api\View\CallSummary;
use App\Call\CallStore;
use App\Call\CallViews;
use App\Call\ObservationStore;
use App\Call\Origin;
use App\Call\Rankings;
use App\Entity\Call;
use App\Entity\User;
use App\House\HouseStore;
use App\Observation\Photo;
use App\Observation\Seen;
use Doctrine\ORM\EntityManagerInterface;
use OpenApi\Attributes as OA;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

final readonly class CallController
{
    public function __construct(private CallStore $calls, private CallViews $views)
    {
    }

    #[Route('/api/calls', methods: ['GET'])]
    #[OA\Get(path: '/api/calls', operationId: 'listCalls', responses: [new OA\Response(response: 200, description: 'Calls of the firm, newest first', content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: CallSummary::class)))])]
    public function list(#[CurrentUser] User $user): JsonResponse
    {
        return Answer::of(array_map($this->views->listed(...), $this->calls->all($user)));
    }

    #[Route('/api/calls', methods: ['POST'])]
    #[OA\Post(path: '/api/calls', operationId: 'openCall', requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(required: ['id', 'address', 'customer', 'complaint', 'visit', 'openedAt'], properties: [new OA\Property(property: 'id', type: 'string', format: 'uuid'), new OA\Property(property: 'address', type: 'string'), new OA\Property(property: 'customer', type: 'string'), new OA\Property(property: 'complaint', type: 'string'), new OA\Property(property: 'visit', type: 'string'), new OA\Property(property: 'openedAt', type: 'string'), new OA\Property(property: 'houseId', type: 'string')])), responses: [new OA\Response(response: 201, description: 'Opened', content: new OA\JsonContent(ref: CallDetail::class)), new OA\Response(response: 422, ref: '#/components/responses/Problem')])]
    public function open(Request $request, #[CurrentUser] User $user, EntityManagerInterface $entities, HouseStore $houses): JsonResponse
    {
        $body = Body::of($request);
        $id = $body->id();
        $houseId = $body->optionalUuid('houseId');
        $known = $entities->find(Call::class, $id);
        if (null === $known) {
            $visit = $body->text('visit', 40);
            if (!\in_array($visit, ['fault', 'inspection', 'call-back', 'survey'], true)) {
                throw Problem::invalid('/visit', 'Expected fault, inspection, call-back or survey.');
            }
            $entities->persist(new Call($id, $user->firm, null === $houseId ? null : $houses->find($user, $houseId->toRfc4122()), $body->text('address'), $body->text('customer'), $body->text('complaint', 4000), $visit, $body->instant('openedAt')));
            $entities->flush();
        }

        return $this->answer($this->calls->find($user, $id->toRfc4122()), 201);
    }

    #[Route('/api/calls/{id}', methods: ['GET'])]
    #[OA\Get(path: '/api/calls/{id}', operationId: 'getCall', parameters: [new OA\PathParameter(name: 'id', required: true, schema: new OA\Schema(type: 'string'))], responses: [new OA\Response(response: 200, description: 'The call', content: new OA\JsonContent(ref: CallDetail::class)), new OA\Response(response: 404, ref: '#/components/responses/Problem')])]
    public function get(string $id, #[CurrentUser] User $user): JsonResponse
    {
        return $this->answer($this->calls->find($user, $id));
    }

    #[Route('/api/calls/{id}/observations/{observation}/photo', methods: ['GET'])]
    #[OA\Get(path: '/api/calls/{id}/observations/{observation}/photo', operationId: 'getPhoto', parameters: [new OA\PathParameter(name: 'id', required: true, schema: new OA\Schema(type: 'string')), new OA\PathParameter(name: 'observation', required: true, schema: new OA\Schema(type: 'string'))], responses: [new OA\Response(response: 200, description: 'The photo as it was stored', content: new OA\MediaType(mediaType: 'image/jpeg')), new OA\Response(response: 404, ref: '#/components/responses/Problem')])]
    public function photo(string $id, string $observation, #[CurrentUser] User $user): Response
    {
        $entry = $this->calls->journal($this->calls->find($user, $id))->entry($observation);
        if (!$entry?->payload instanceof Seen || null === $entry->payload->photo) {
            throw Problem::notFound();
        }
        $photo = Photo::of($entry->payload->photo);

        return new Response($photo->bytes, 200, ['Content-Type' => $photo->type, 'Cache-Control' => 'private, max-age=31536000, immutable', 'X-Content-Type-Options' => 'nosniff']);
    }

    #[Route('/api/calls/{id}/observations', methods: ['POST'])]
    #[OA\Post(path: '/api/calls/{id}/observations', operationId: 'observe', parameters: [new OA\PathParameter(name: 'id', required: true, schema: new OA\Schema(type: 'string'))], requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/NewEntry')), responses: [new OA\Response(response: 201, description: 'Stored, or stored before', content: new OA\JsonContent(ref: CallDetail::class)), new OA\Response(response: 409, ref: '#/components/responses/Problem'), new OA\Response(response: 422, ref: '#/components/responses/Problem')])]
    public function observe(string $id, Request $request, #[CurrentUser] User $user, ObservationStore $observations, Rankings $rankings, Later $later): JsonResponse
    {
        $call = $this->calls->find($user, $id);
        $body = Body::of($request);
        $seen = $body->fields->has('seen') ? $body->fields->number('seen') : null;
        if (null !== $seen && ($seen < 0.0 || $seen > 1e6 || floor($seen) !== $seen)) {
            throw Problem::invalid('/seen', 'Expected a position of this call: a whole number.');
        }
        $journal = $observations->store($user, $call, $body->id(), $body->text('kind', 20), $body->instant('at'), $body->fields->object('payload')->raw, new Origin($body->optionalUuid('device'), null === $seen ? null : (int) $seen));
        if (null !== $journal->house) {
            // The page asks for it next: while its request is on the way the ranking is already being made.
            $later->add(static function () use ($rankings, $journal): void {
                $rankings->view($journal);
            });
        }

        return Answer::of($this->views->detail($call, $journal), 201);
    }

    private function answer(Call $call, int $status = 200): JsonResponse
    {
        return Answer::of($this->views->detail($call, $this->calls->journal($call)), $status);
    }
}
