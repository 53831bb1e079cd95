<?php

declare(strict_types=1);

namespace App\Controller;

use App\Api\Answer;
use App\Api\Problem;
use App\Api\View\ReachView;
use App\Api\View\SeriesSummary;
use App\Api\View\SeriesView;
use App\Call\CallStore;
use App\Call\Journal;
use App\Call\Runs;
use App\Entity\User;
use App\Security\Act;
use OpenApi\Attributes as OA;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Security\Http\Attribute\IsGranted;
use YellowProbe\Diagnosis\Reach;
use YellowProbe\Installation\House;
use YellowProbe\Installation\HouseError;
use YellowProbe\Instrument\Instruments;

/** Many readings at a time: one lead held and the other anywhere, and runs of one test from point to point. */
#[IsGranted(Act::SEE)]
final readonly class RunController
{
    public function __construct(private CallStore $calls, private Runs $runs)
    {
    }

    #[Route('/api/calls/{id}/reach', methods: ['GET'])]
    #[OA\Get(path: '/api/calls/{id}/reach', operationId: 'reach', parameters: [new OA\PathParameter(name: 'id', required: true, schema: new OA\Schema(type: 'string')), new OA\QueryParameter(name: 'instrument', required: true, schema: new OA\Schema(type: 'string')), new OA\QueryParameter(name: 'held', description: 'Terminal that one lead is on.', required: true, schema: new OA\Schema(type: 'string'))], responses: [new OA\Response(response: 200, description: 'By terminal of the other lead', content: new OA\JsonContent(ref: ReachView::class)), new OA\Response(response: 409, ref: '#/components/responses/Problem'), new OA\Response(response: 422, ref: '#/components/responses/Problem')])]
    public function reach(string $id, Request $request, #[CurrentUser] User $user): JsonResponse
    {
        [$journal, $house] = $this->open($user, $id);
        $held = $request->query->getString('held');
        if (!$house->hasTerminal($held) && null === $house->joint($held)) {
            throw Problem::invalid('/held', 'There is no such terminal in this house.');
        }
        try {
            $shown = Reach::of($house, $journal->state(), Instruments::get($request->query->getString('instrument')), $held);
        } catch (\OutOfBoundsException|\InvalidArgumentException $e) {
            throw Problem::invalid('/instrument', $e->getMessage());
        } catch (HouseError $e) {
            throw Problem::invalid('/held', $e->getMessage());
        }

        return Answer::of(new ReachView((object) $shown));
    }

    #[Route('/api/calls/{id}/runs', methods: ['GET'])]
    #[OA\Get(path: '/api/calls/{id}/runs', operationId: 'runs', parameters: [new OA\PathParameter(name: 'id', required: true, schema: new OA\Schema(type: 'string'))], responses: [new OA\Response(response: 200, description: 'Runs of readings that this house has, those begun first', content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: SeriesSummary::class))), new OA\Response(response: 409, ref: '#/components/responses/Problem')])]
    public function runs(string $id, #[CurrentUser] User $user): JsonResponse
    {
        [$journal, $house] = $this->open($user, $id);

        return Answer::of($this->runs->all($house, $journal));
    }

    #[Route('/api/calls/{id}/run', methods: ['GET'])]
    #[OA\Get(path: '/api/calls/{id}/run', operationId: 'run', parameters: [new OA\PathParameter(name: 'id', required: true, schema: new OA\Schema(type: 'string')), new OA\QueryParameter(name: 'series', required: true, schema: new OA\Schema(type: 'string'))], responses: [new OA\Response(response: 200, description: 'The run with what was read so far', content: new OA\JsonContent(ref: SeriesView::class)), new OA\Response(response: 404, ref: '#/components/responses/Problem')])]
    public function run(string $id, Request $request, #[CurrentUser] User $user): JsonResponse
    {
        [$journal, $house] = $this->open($user, $id);

        return Answer::of($this->runs->view($house, $journal, Runs::known($house)[$request->query->getString('series')] ?? throw Problem::notFound()));
    }

    /** @return array{Journal, House} */
    private function open(User $user, string $id): array
    {
        $journal = $this->calls->journal($this->calls->find($user, $id));

        return [$journal, $journal->house ?? throw Problem::conflict('This call has no house yet: survey its board, or say in words where you read.')];
    }
}
