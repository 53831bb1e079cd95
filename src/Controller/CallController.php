<?php

declare(strict_types=1);

namespace App\Controller;

use App\Api\Answer;
use App\Api\Body;
use App\Api\Problem;
use App\Api\Query;
use App\Api\View\CallDetail;
use App\Api\View\CallPage;
use App\Api\View\SuggestionView;
use App\Call\CallStore;
use App\Call\CallViews;
use App\Call\ObservationStore;
use App\Call\Opening;
use App\Call\Origin;
use App\Call\Ranked;
use App\Call\Suggestions;
use App\Call\Summaries;
use App\Entity\Call;
use App\Entity\User;
use App\House\HouseStore;
use App\Job\NotYet;
use App\Observation\Accepted;
use App\Observation\Seen;
use App\Photo\PhotoStore;
use App\Security\Act;
use OpenApi\Attributes as OA;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Security\Http\Attribute\IsGranted;

#[IsGranted(Act::SEE)]
final readonly class CallController
{
    private const MOST_SEARCH = 200;
    private const MOST_TOLD = 2000;

    public function __construct(private CallStore $calls, private CallViews $views)
    {
    }

    #[Route('/api/calls', methods: ['GET'])]
    #[OA\Get(path: '/api/calls', operationId: 'listCalls', parameters: [new OA\QueryParameter(name: 'closed', description: 'true for those that are closed, else the others', required: false, schema: new OA\Schema(type: 'boolean')), new OA\QueryParameter(name: 'search', description: 'Words that stand in address, customer or complaint', required: false, schema: new OA\Schema(type: 'string')), new OA\QueryParameter(name: 'after', description: '"next" of the page before', required: false, schema: new OA\Schema(type: 'string'))], responses: [new OA\Response(response: 200, description: 'Calls of the firm, newest first, a page at a time', content: new OA\JsonContent(ref: CallPage::class))])]
    public function list(Request $request, #[CurrentUser] User $user, Summaries $summaries): JsonResponse
    {
        $search = Query::text($request, 'search', self::MOST_SEARCH);
        $after = Query::text($request, 'after', self::MOST_SEARCH);

        return Answer::of($summaries->page($user->firm, 'true' === Query::text($request, 'closed', self::MOST_SEARCH), $search, '' === $after ? null : $after));
    }

    #[Route('/api/calls', methods: ['POST'])]
    #[IsGranted(Act::TELL)]
    #[OA\Post(path: '/api/calls', operationId: 'openCall', requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(required: ['id', 'address', 'customer', 'complaint', 'visit', 'openedAt'], properties: [new OA\Property(property: 'id', type: 'string', format: 'uuid'), new OA\Property(property: 'address', type: 'string'), new OA\Property(property: 'customer', type: 'string'), new OA\Property(property: 'complaint', type: 'string'), new OA\Property(property: 'visit', type: 'string'), new OA\Property(property: 'openedAt', type: 'string'), new OA\Property(property: 'houseId', type: 'string')])), responses: [new OA\Response(response: 201, description: 'Opened', content: new OA\JsonContent(ref: CallDetail::class)), new OA\Response(response: 422, ref: '#/components/responses/Problem')])]
    public function open(Request $request, #[CurrentUser] User $user, HouseStore $houses, Opening $opening): JsonResponse
    {
        $body = Body::of($request);
        $id = $body->id();
        $houseId = $body->optionalUuid('houseId');
        $visit = $body->text('visit', 40);
        if (!\in_array($visit, ['fault', 'inspection', 'call-back', 'survey'], true)) {
            throw Problem::invalid('/visit', 'Expected fault, inspection, call-back or survey.');
        }
        $call = $opening->open($user, $id, null === $houseId ? null : $houses->find($user, $houseId->toRfc4122()), $body->text('address'), $body->text('customer'), $body->text('complaint', 4000), $visit, $body->instant('openedAt'));

        return $this->answer($call, 201);
    }

    #[Route('/api/calls/{id}', methods: ['GET'])]
    #[OA\Get(path: '/api/calls/{id}', operationId: 'getCall', parameters: [new OA\PathParameter(name: 'id', required: true, schema: new OA\Schema(type: 'string'))], responses: [new OA\Response(response: 200, description: 'The call', content: new OA\JsonContent(ref: CallDetail::class)), new OA\Response(response: 404, ref: '#/components/responses/Problem')])]
    public function get(string $id, #[CurrentUser] User $user): JsonResponse
    {
        return $this->answer($this->calls->find($user, $id));
    }

    #[Route('/api/calls/{id}/suggestions', methods: ['GET'])]
    #[OA\Get(path: '/api/calls/{id}/suggestions', operationId: 'suggestions', parameters: [new OA\PathParameter(name: 'id', required: true, schema: new OA\Schema(type: 'string')), new OA\QueryParameter(name: 'text', description: 'What is being typed', required: false, schema: new OA\Schema(type: 'string', maxLength: 2000))], responses: [new OA\Response(response: 200, description: 'What the words of the call may be about, to be picked', content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: SuggestionView::class))), new OA\Response(response: 404, ref: '#/components/responses/Problem')])]
    public function suggestions(string $id, Request $request, #[CurrentUser] User $user, Suggestions $suggestions): JsonResponse
    {
        $call = $this->calls->find($user, $id);

        return Answer::of($suggestions->of($call, $this->calls->journal($call), Query::text($request, 'text', self::MOST_TOLD)));
    }

    #[Route('/api/calls/{id}/observations/{observation}/photo', methods: ['GET'])]
    #[OA\Get(path: '/api/calls/{id}/observations/{observation}/photo', operationId: 'getPhoto', parameters: [new OA\PathParameter(name: 'id', required: true, schema: new OA\Schema(type: 'string')), new OA\PathParameter(name: 'observation', required: true, schema: new OA\Schema(type: 'string'))], responses: [new OA\Response(response: 200, description: 'The photo as it was stored', content: new OA\MediaType(mediaType: 'image/jpeg')), new OA\Response(response: 404, ref: '#/components/responses/Problem')])]
    public function photo(string $id, string $observation, #[CurrentUser] User $user, PhotoStore $photos): Response
    {
        $entry = $this->calls->journal($this->calls->find($user, $id))->entry($observation);
        if (!$entry?->payload instanceof Seen || null === $entry->payload->photo) {
            throw Problem::notFound();
        }

        // Not kept by the browser: a customer's picture is gone from the device with the login.
        return new Response($photos->read($entry->payload->photo), 200, ['Content-Type' => $entry->payload->photo->type, 'Cache-Control' => 'no-store', 'Content-Disposition' => 'inline']);
    }

    #[Route('/api/calls/{id}/observations', methods: ['POST'])]
    #[IsGranted(Act::TELL)]
    #[OA\Post(path: '/api/calls/{id}/observations', operationId: 'observe', parameters: [new OA\PathParameter(name: 'id', required: true, schema: new OA\Schema(type: 'string'))], requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/NewEntry')), responses: [new OA\Response(response: 201, description: 'Stored, or stored before', content: new OA\JsonContent(ref: CallDetail::class)), new OA\Response(response: 409, ref: '#/components/responses/Problem'), new OA\Response(response: 422, ref: '#/components/responses/Problem')])]
    public function observe(string $id, Request $request, #[CurrentUser] User $user, ObservationStore $observations, Ranked $ranked): JsonResponse
    {
        $call = $this->calls->find($user, $id);
        $body = Body::of($request);
        $seen = $body->fields->has('seen') ? $body->fields->number('seen') : null;
        if (null !== $seen && ($seen < 0.0 || $seen > 1e6 || floor($seen) !== $seen)) {
            throw Problem::invalid('/seen', 'Expected a position of this call: a whole number.');
        }
        $kind = $body->text('kind', 20);
        if (Accepted::kind() === $kind) {
            $this->awaitRanking($ranked, $call);
        }
        $journal = $observations->store($user, $call, $body->id(), $kind, $body->instant('at'), $body->fields->object('payload')->raw, new Origin($body->optionalUuid('device'), null === $seen ? null : (int) $seen));

        return Answer::of($this->views->detail($call, $journal), 201);
    }

    /** With a cause that is accepted the ranking is frozen as it stood: it has to be there. */
    private function awaitRanking(Ranked $ranked, Call $call): void
    {
        $journal = $this->calls->journal($call);
        try {
            null === $journal->house || $ranked->ranking($call, $journal);
        } catch (NotYet $e) {
            throw new Problem(425, 'Not at this moment', 'What still fits is being worked out, and is stored with the cause. Send the same request again in a moment; it is stored once.', '', $e);
        }
    }

    private function answer(Call $call, int $status = 200): JsonResponse
    {
        return Answer::of($this->views->detail($call, $this->calls->journal($call)), $status);
    }
}
