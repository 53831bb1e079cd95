<?php

declare(strict_types=1);

namespace App\Controller;

use App\Api\Answer;
use App\Api\Body;
use App\Api\Problem;
use App\Api\View\AdviceView;
use App\Api\View\ContradictionView;
use App\Api\View\ForcingView;
use App\Api\View\GlanceView;
use App\Api\View\MapView;
use App\Api\View\NextTestView;
use App\Api\View\PredictionView;
use App\Api\View\RankingView;
use App\Call\CallStore;
use App\Call\Diagnosis;
use App\Call\DiagnosisViews;
use App\Call\Journal;
use App\Call\MapDrawing;
use App\Call\MapViews;
use App\Call\OutcomeViews;
use App\Call\Ranked;
use App\Call\TradeData;
use App\Entity\Call;
use App\Entity\User;
use App\Job\Jobs;
use App\Job\Preparation;
use App\Security\Act;
use App\Words\Say;
use OpenApi\Attributes as OA;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Security\Http\Attribute\IsGranted;
use YellowProbe\Diagnosis\Asking;
use YellowProbe\Diagnosis\Candidate;
use YellowProbe\Diagnosis\Forcing;
use YellowProbe\Fault\Condition;
use YellowProbe\Installation\House;
use YellowProbe\Instrument\Connection;
use YellowProbe\Instrument\Instruments;
use YellowProbe\Instrument\Measurement;
use YellowProbe\Instrument\ReadingError;
use YellowProbe\Instrument\ReadingParser;
use YellowProbe\Instrument\Settling;
use YellowProbe\Procedure\Obstacle;
use YellowProbe\Procedure\Practice;
use YellowProbe\Words\Message;

/** What is computed from a call's house and readings; nothing here stores anything. */
#[IsGranted(Act::SEE)]
final readonly class DiagnosisController
{
    private const MOST_TESTS = 4;

    public function __construct(private CallStore $calls, private Ranked $ranked, private Diagnosis $diagnosis, private DiagnosisViews $views, private MapViews $maps, private TradeData $trade, private Say $say)
    {
    }

    #[Route('/api/calls/{id}/ranking', methods: ['GET'])]
    #[OA\Get(path: '/api/calls/{id}/ranking', operationId: 'ranking', parameters: [new OA\PathParameter(name: 'id', required: true, schema: new OA\Schema(type: 'string'))], responses: [new OA\Response(response: 200, description: 'What still fits', content: new OA\JsonContent(ref: RankingView::class)), new OA\Response(response: 409, ref: '#/components/responses/Problem')])]
    public function ranking(string $id, #[CurrentUser] User $user): JsonResponse
    {
        [$call, $journal] = $this->open($user, $id);

        return Answer::of($this->ranked->view($call, $journal));
    }

    #[Route('/api/calls/{id}/contradictions', methods: ['GET'])]
    #[OA\Get(path: '/api/calls/{id}/contradictions', operationId: 'contradictions', parameters: [new OA\PathParameter(name: 'id', required: true, schema: new OA\Schema(type: 'string'))], responses: [new OA\Response(response: 200, description: 'Readings that the others speak against, the oddest first', content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: ContradictionView::class))), new OA\Response(response: 409, ref: '#/components/responses/Problem')])]
    public function contradictions(string $id, #[CurrentUser] User $user): JsonResponse
    {
        [$call, $journal, $house] = $this->open($user, $id);
        $ranking = $this->ranked->ranking($call, $journal);

        return Answer::of($this->views->contradictions($ranking, $this->diagnosis->contradictions($house, $ranking)));
    }

    #[Route('/api/calls/{id}/next-tests', methods: ['GET'])]
    #[OA\Get(path: '/api/calls/{id}/next-tests', operationId: 'nextTests', parameters: [new OA\PathParameter(name: 'id', required: true, schema: new OA\Schema(type: 'string')), new OA\QueryParameter(name: 'without', description: 'Testers that are not to hand, by slug, with commas between', required: false, schema: new OA\Schema(type: 'string')), new OA\QueryParameter(name: 'role', description: 'What this person may do', required: false, schema: new OA\Schema(type: 'string', enum: Practice::ROLES)), new OA\QueryParameter(name: 'residual', description: 'Where residual devices are tested', required: false, schema: new OA\Schema(type: 'string', enum: Practice::RESIDUAL)), new OA\QueryParameter(name: 'loop', description: 'How the earth fault loop at a point is found', required: false, schema: new OA\Schema(type: 'string', enum: Practice::LOOP))], responses: [new OA\Response(response: 200, description: 'Whether to test on, and the tests worth most per minute', content: new OA\JsonContent(ref: AdviceView::class)), new OA\Response(response: 409, ref: '#/components/responses/Problem'), new OA\Response(response: 422, ref: '#/components/responses/Problem')])]
    public function nextTests(string $id, Request $request, #[CurrentUser] User $user): JsonResponse
    {
        [$call, $journal, $house] = $this->open($user, $id);
        [$ranking, $stop, $candidates, $forcings] = $this->ranked->next($call, $journal, $house, Practices::of($request));
        $now = $journal->state();

        return Answer::of(new AdviceView(
            $stop->advice->value,
            $this->say->of($stop->message(), $house->ruleSet),
            round($stop->lossMinutes, 1),
            [] === $journal->readings() ? Asking::of($house, $journal->story()) : [],
            $stop->unexplained,
            array_map(fn (Candidate $candidate): NextTestView => $this->views->nextTest($house, $ranking, $now, $candidate), \array_slice($candidates, 0, self::MOST_TESTS)),
            array_map(fn (Forcing $forcing): ForcingView => $this->views->forcing($house, $ranking, $now, $forcing), $forcings),
        ));
    }

    #[Route('/api/calls/{id}/predictions', methods: ['POST'])]
    #[OA\Post(path: '/api/calls/{id}/predictions', operationId: 'predict', parameters: [new OA\PathParameter(name: 'id', required: true, schema: new OA\Schema(type: 'string'))], requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(required: ['instrument', 'connection'], properties: [new OA\Property(property: 'instrument', type: 'string'), new OA\Property(property: 'connection', type: 'object', additionalProperties: true), new OA\Property(property: 'forced', description: 'What is done meanwhile to bring out what comes and goes', type: 'array', items: new OA\Items(type: 'string'))])), responses: [new OA\Response(response: 200, description: 'What it should show', content: new OA\JsonContent(ref: PredictionView::class)), new OA\Response(response: 409, ref: '#/components/responses/Problem'), new OA\Response(response: 422, ref: '#/components/responses/Problem')])]
    public function predict(string $id, Request $request, #[CurrentUser] User $user): JsonResponse
    {
        [$call, $journal, $house] = $this->open($user, $id);
        $measurement = self::measurement($request, $house, $journal);
        $instrument = $measurement->instrument;
        $obstacle = Obstacle::of($house, $measurement);
        $cautions = array_values(array_filter([$obstacle?->words, $instrument->deadOnly() && true !== $obstacle?->danger && [] !== ($unproved = $journal->isolations()->unproved($house, $measurement->connection)) ? $this->say->of(new Message('caution.unproved', ['places' => implode(', ', array_map(static fn (string $place): string => $house->places[$place]->name, $unproved))]), $house->ruleSet) : null, self::patience($house, $measurement, $obstacle)]));

        return Answer::of($this->views->prediction($house, $this->ranked->ranking($call, $journal), $measurement, $cautions, self::forced($request)));
    }

    #[Route('/api/calls/{id}/glance', methods: ['POST'])]
    #[OA\Post(path: '/api/calls/{id}/glance', operationId: 'glance', parameters: [new OA\PathParameter(name: 'id', required: true, schema: new OA\Schema(type: 'string'))], requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(required: ['instrument', 'connection', 'raw'], properties: [new OA\Property(property: 'instrument', type: 'string'), new OA\Property(property: 'connection', type: 'object', additionalProperties: true), new OA\Property(property: 'forced', type: 'array', items: new OA\Items(type: 'string')), new OA\Property(property: 'raw', description: 'What is typed and not stored yet', type: 'string')])), responses: [new OA\Response(response: 200, description: 'What it would mean', content: new OA\JsonContent(ref: GlanceView::class)), new OA\Response(response: 409, ref: '#/components/responses/Problem'), new OA\Response(response: 422, ref: '#/components/responses/Problem')])]
    public function glance(string $id, Request $request, #[CurrentUser] User $user, OutcomeViews $outcomes): JsonResponse
    {
        [$call, $journal, $house] = $this->open($user, $id);
        $measurement = self::measurement($request, $house, $journal);
        try {
            $reading = ReadingParser::parse(Body::of($request)->text('raw', 24), $measurement->instrument);
        } catch (ReadingError $e) {
            throw Problem::invalid('/raw', $e->getMessage());
        }

        return Answer::of($outcomes->glance($house, $measurement, $this->ranked->ranking($call, $journal), self::forced($request), $reading));
    }

    #[Route('/api/calls/{id}/preparations', methods: ['POST'])]
    #[IsGranted(Act::MEASURE)]
    #[OA\Post(path: '/api/calls/{id}/preparations', operationId: 'prepare', parameters: [new OA\PathParameter(name: 'id', required: true, schema: new OA\Schema(type: 'string'))], requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(required: ['instrument', 'connection'], properties: [new OA\Property(property: 'instrument', type: 'string'), new OA\Property(property: 'connection', type: 'object', additionalProperties: true)])), responses: [new OA\Response(response: 202, description: 'What every cause would show there is worked out meanwhile'), new OA\Response(response: 409, ref: '#/components/responses/Problem'), new OA\Response(response: 422, ref: '#/components/responses/Problem')])]
    public function prepare(string $id, Request $request, #[CurrentUser] User $user, Jobs $jobs): Response
    {
        [$call, $journal, $house] = $this->open($user, $id);
        $measurement = self::measurement($request, $house, $journal);
        $jobs->ask($call, new Preparation($id, hash('xxh128', $measurement->hash()), $measurement->instrument->slug(), Body::of($request)->fields->object('connection')->raw));

        return new Response('', Response::HTTP_ACCEPTED);
    }

    private static function measurement(Request $request, House $house, Journal $journal): Measurement
    {
        $body = Body::of($request);
        try {
            $instrument = Instruments::get($body->text('instrument'));
        } catch (\OutOfBoundsException $e) {
            throw Problem::invalid('/instrument', $e->getMessage());
        }

        return new Measurement($journal->state(), $instrument, Connection::read($body->fields->object('connection')->raw, $instrument, $house, '/connection'));
    }

    #[Route('/api/calls/{id}/map', methods: ['GET'])]
    #[OA\Get(path: '/api/calls/{id}/map', operationId: 'map', parameters: [new OA\PathParameter(name: 'id', required: true, schema: new OA\Schema(type: 'string'))], responses: [new OA\Response(response: 200, description: 'The house as a line map', content: new OA\JsonContent(ref: MapView::class)), new OA\Response(response: 409, ref: '#/components/responses/Problem')])]
    public function map(string $id, #[CurrentUser] User $user): JsonResponse
    {
        return Answer::of($this->lineMap($user, $id));
    }

    #[Route('/api/calls/{id}/map.svg', methods: ['GET'])]
    #[OA\Get(path: '/api/calls/{id}/map.svg', operationId: 'mapDrawing', parameters: [new OA\PathParameter(name: 'id', required: true, schema: new OA\Schema(type: 'string'))], responses: [new OA\Response(response: 200, description: 'The line map to print: every circuit open, plain shapes and text', content: new OA\MediaType(mediaType: 'image/svg+xml', schema: new OA\Schema(type: 'string'))), new OA\Response(response: 409, ref: '#/components/responses/Problem')])]
    public function drawing(string $id, #[CurrentUser] User $user): Response
    {
        return new Response(MapDrawing::of($this->lineMap($user, $id)), Response::HTTP_OK, ['Content-Type' => 'image/svg+xml; charset=utf-8', 'Content-Disposition' => 'inline; filename="line-map.svg"']);
    }

    private function lineMap(User $user, string $id): MapView
    {
        [$call, $journal, $house] = $this->open($user, $id);

        return $this->maps->map((string) $call->house?->id->toRfc4122(), (int) $call->house?->version, $house, $journal, $this->ranked->ranking($call, $journal), $this->trade->ruleSet($house->ruleSet));
    }

    /** @return list<Condition> */
    private static function forced(Request $request): array
    {
        return array_map(static fn (string $word): Condition => Condition::tryFrom($word) ?? throw Problem::invalid('/forced', 'Expected any of '.implode(', ', array_column(Condition::cases(), 'value')).'.'), Body::of($request)->fields->strings('forced'));
    }

    /** Seconds that count: from one on they are said. */
    private static function patience(House $house, Measurement $measurement, ?Obstacle $obstacle): ?string
    {
        $seconds = null === $obstacle ? Settling::seconds($house, $measurement) : 0.0;

        return $seconds < 1.0 ? null : \sprintf('Keep pressing: %.0f s until it has charged what is left in, and as long to discharge. Do not part the leads before.', ceil($seconds));
    }

    /** @return array{Call, Journal, House} */
    private function open(User $user, string $id): array
    {
        $call = $this->calls->find($user, $id);
        $journal = $this->calls->journal($call);

        return [$call, $journal, $journal->house ?? throw Problem::conflict('This call has no house yet. Readings can be taken all the same; import or survey the house to have them judged.')];
    }
}
