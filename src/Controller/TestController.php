<?php

declare(strict_types=1);

namespace App\Controller;

use App\Api\Answer;
use App\Api\Body;
use App\Api\Problem;
use App\Api\View\InHandView;
use App\Api\View\NextTestView;
use App\Api\View\TestSummary;
use App\Call\CallStore;
use App\Call\DiagnosisViews;
use App\Call\InHand;
use App\Call\Journal;
use App\Call\Ranked;
use App\Call\Tests;
use App\Entity\User;
use App\Security\Act;
use App\Words\Printable;
use OpenApi\Attributes as OA;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Security\Http\Attribute\IsGranted;
use YellowProbe\Diagnosis\Ranking;
use YellowProbe\Installation\House;
use YellowProbe\Procedure\Practice;
use YellowProbe\Procedure\TestCatalogue;

/** Any test of a house, found by its place or by what people call it. */
#[IsGranted(Act::SEE)]
final readonly class TestController
{
    /** Of the id of a test, a run or a subject: there is none longer. */
    private const MOST_ID = 300;

    private const MOST_STEPS = 60;

    public function __construct(private CallStore $calls, private Ranked $ranked, private Tests $tests)
    {
    }

    #[Route('/api/calls/{id}/tests', methods: ['GET'])]
    #[OA\Get(path: '/api/calls/{id}/tests', operationId: 'tests', parameters: [new OA\PathParameter(name: 'id', required: true, schema: new OA\Schema(type: 'string')), new OA\QueryParameter(name: 'where', required: true, schema: new OA\Schema(type: 'string', enum: Tests::PLACES)), new OA\QueryParameter(name: 'on', description: 'Id of the part, or of the circuit.', required: false, schema: new OA\Schema(type: 'string')), new OA\QueryParameter(name: 'search', description: 'Beginnings of words: places, testers, abbreviations.', required: false, schema: new OA\Schema(type: 'string')), new OA\QueryParameter(name: 'without', required: false, schema: new OA\Schema(type: 'string')), new OA\QueryParameter(name: 'role', required: false, schema: new OA\Schema(type: 'string', enum: Practice::ROLES)), new OA\QueryParameter(name: 'residual', required: false, schema: new OA\Schema(type: 'string', enum: Practice::RESIDUAL)), new OA\QueryParameter(name: 'loop', required: false, schema: new OA\Schema(type: 'string', enum: Practice::LOOP))], responses: [new OA\Response(response: 200, description: 'At most thirty, those first that tell most a minute', content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: TestSummary::class))), new OA\Response(response: 409, ref: '#/components/responses/Problem'), new OA\Response(response: 422, ref: '#/components/responses/Problem')])]
    public function find(string $id, Request $request, #[CurrentUser] User $user): JsonResponse
    {
        [$journal, $house, $ranking] = $this->open($user, $id);
        $where = $request->query->getString('where');
        if (!\in_array($where, Tests::PLACES, true)) {
            throw Problem::invalid('/where', 'Expected any of '.implode(', ', Tests::PLACES).'.');
        }

        return Answer::of($this->tests->find($house, $ranking, $journal, Practices::of($request), $where, $request->query->getString('on'), mb_substr($request->query->getString('search'), 0, 100)));
    }

    #[Route('/api/calls/{id}/test', methods: ['GET'])]
    #[OA\Get(path: '/api/calls/{id}/test', operationId: 'test', parameters: [new OA\PathParameter(name: 'id', required: true, schema: new OA\Schema(type: 'string')), new OA\QueryParameter(name: 'test', description: 'Id of the test.', required: true, schema: new OA\Schema(type: 'string')), new OA\QueryParameter(name: 'since', description: 'An entry: what has to be done is listed as it was when that was the last one.', required: false, schema: new OA\Schema(type: 'string'))], responses: [new OA\Response(response: 200, description: 'The test with what has to be done first and what it may show', content: new OA\JsonContent(ref: NextTestView::class)), new OA\Response(response: 404, ref: '#/components/responses/Problem'), new OA\Response(response: 409, ref: '#/components/responses/Problem')])]
    public function test(string $id, Request $request, #[CurrentUser] User $user, DiagnosisViews $views): JsonResponse
    {
        [$journal, $house, $ranking] = $this->open($user, $id);
        try {
            $plan = TestCatalogue::plan($house, $request->query->getString('test'));
        } catch (\OutOfBoundsException) {
            throw Problem::notFound();
        }

        $since = $journal->entry($request->query->getString('since'));

        return Answer::of($views->nextTest($house, $ranking, null === $since ? $journal->state() : $journal->fold()->after($journal->index($since)), Tests::candidate($house, $ranking, $journal, $plan)));
    }

    #[Route('/api/calls/{id}/in-hand', methods: ['GET'])]
    #[OA\Get(path: '/api/calls/{id}/in-hand', operationId: 'inHand', parameters: [new OA\PathParameter(name: 'id', required: true, schema: new OA\Schema(type: 'string'))], responses: [new OA\Response(response: 200, description: 'What this person is preparing for on this call', content: new OA\JsonContent(ref: InHandView::class)), new OA\Response(response: 404, ref: '#/components/responses/Problem')])]
    public function inHand(string $id, #[CurrentUser] User $user, InHand $inHand): JsonResponse
    {
        return Answer::of($inHand->of($this->calls->find($user, $id), $user));
    }

    #[Route('/api/calls/{id}/in-hand', methods: ['PUT'])]
    #[IsGranted(Act::MEASURE)]
    #[OA\Put(path: '/api/calls/{id}/in-hand', operationId: 'takeInHand', parameters: [new OA\PathParameter(name: 'id', required: true, schema: new OA\Schema(type: 'string'))], requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: InHandView::class)), responses: [new OA\Response(response: 204, description: 'It goes on from there on any device of theirs'), new OA\Response(response: 404, ref: '#/components/responses/Problem'), new OA\Response(response: 422, ref: '#/components/responses/Problem')])]
    public function takeInHand(string $id, Request $request, #[CurrentUser] User $user, InHand $inHand): Response
    {
        $call = $this->calls->find($user, $id);
        $body = Body::of($request);
        [$test, $run] = [self::id($body, 'test'), self::id($body, 'run')];
        if ('' === $test && '' === $run) {
            $inHand->putDown($call, $user);
        } else {
            $inHand->take($call, $user, $test, $run, $body->optionalUuid('since'), self::subjects($body, 'leftOut'), self::subjects($body, 'forced'));
        }

        return new Response('', Response::HTTP_NO_CONTENT);
    }

    private static function id(Body $body, string $key): string
    {
        $id = $body->fields->string($key, '');

        return mb_strlen($id) <= self::MOST_ID && Printable::is($id) ? $id : throw Problem::invalid("/$key", \sprintf('Expected an id of at most %d characters.', self::MOST_ID));
    }

    /** @return list<string> */
    private static function subjects(Body $body, string $key): array
    {
        $subjects = $body->fields->strings($key);

        return \count($subjects) <= self::MOST_STEPS && [] === array_filter($subjects, static fn (string $subject): bool => mb_strlen($subject) > self::MOST_ID || !Printable::is($subject)) ? $subjects : throw Problem::invalid("/$key", \sprintf('Expected at most %d ids of at most %d characters.', self::MOST_STEPS, self::MOST_ID));
    }

    /** @return array{Journal, House, Ranking} */
    private function open(User $user, string $id): array
    {
        $call = $this->calls->find($user, $id);
        $journal = $this->calls->journal($call);
        $house = $journal->house ?? throw Problem::conflict('This call has no house yet. Readings can be taken all the same; import or survey the house to have them judged.');

        return [$journal, $house, $this->ranked->ranking($call, $journal)];
    }
}
