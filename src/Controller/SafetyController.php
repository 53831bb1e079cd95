<?php

declare(strict_types=1);

namespace App\Controller;

use App\Api\Answer;
use App\Api\Problem;
use App\Api\View\FeedingView;
use App\Api\View\ScopeView;
use App\Api\View\WayBackView;
use App\Call\CallStore;
use App\Call\IsolationViews;
use App\Call\Ranked;
use App\Entity\User;
use App\Security\Act;
use App\Words\Say;
use OpenApi\Attributes as OA;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Security\Http\Attribute\IsGranted;
use YellowProbe\Safety\Feeding;
use YellowProbe\Safety\IsolationScope;
use YellowProbe\Safety\WayBack;

/** What an isolation leaves live, and the way back; expectations, never proofs. */
#[IsGranted(Act::SEE)]
final readonly class SafetyController
{
    public function __construct(private CallStore $calls, private IsolationViews $views, private Say $say)
    {
    }

    #[Route('/api/calls/{id}/isolation-scope', methods: ['GET'])]
    #[OA\Get(path: '/api/calls/{id}/isolation-scope', operationId: 'isolationScope', parameters: [new OA\PathParameter(name: 'id', required: true, schema: new OA\Schema(type: 'string')), new OA\QueryParameter(name: 'place', required: true, schema: new OA\Schema(type: 'string')), new OA\QueryParameter(name: 'level', required: true, schema: new OA\Schema(type: 'string', enum: ['circuit', 'board']))], responses: [new OA\Response(response: 200, description: 'What to open, what stays live, what to try', content: new OA\JsonContent(ref: ScopeView::class)), new OA\Response(response: 409, ref: '#/components/responses/Problem'), new OA\Response(response: 422, ref: '#/components/responses/Problem')])]
    public function scope(string $id, Request $request, #[CurrentUser] User $user, Ranked $ranked): JsonResponse
    {
        $call = $this->calls->find($user, $id);
        $journal = $this->calls->journal($call);
        $house = $journal->house ?? throw Problem::conflict('This call has no house yet: isolate the whole board, and treat every conductor as live until it is proved.');
        $place = $request->query->getString('place');
        if (!isset($house->places[$place])) {
            throw Problem::invalid('/place', 'There is no such place in this house.');
        }
        $level = $request->query->getString('level');
        if (!\in_array($level, [IsolationScope::CIRCUIT, IsolationScope::BOARD], true)) {
            throw Problem::invalid('/level', 'Expected circuit or board.');
        }
        $scope = IsolationScope::of($house, $place, $level, $journal->state(), $ranked->ranking($call, $journal));

        return Answer::of($this->views->scope($house, $scope));
    }

    #[Route('/api/calls/{id}/feeding', methods: ['GET'])]
    #[OA\Get(path: '/api/calls/{id}/feeding', operationId: 'feeding', parameters: [new OA\PathParameter(name: 'id', required: true, schema: new OA\Schema(type: 'string'))], responses: [new OA\Response(response: 200, description: 'What may be feeding the voltage that stopped the isolation', content: new OA\JsonContent(ref: FeedingView::class)), new OA\Response(response: 404, ref: '#/components/responses/Problem')])]
    public function feeding(string $id, #[CurrentUser] User $user, Ranked $ranked): JsonResponse
    {
        $call = $this->calls->find($user, $id);
        $journal = $this->calls->journal($call);
        $stopped = $journal->isolations()->stopped();
        if (null === $stopped || null === $journal->house) {
            throw Problem::notFound();
        }
        $terminals = [];
        foreach ($stopped->step->tried as $tried) {
            array_push($terminals, ...($tried->voltage && str_contains($tried->pair, '|') ? explode('|', $tried->pair) : []));
        }
        $feeding = Feeding::of($journal->house, $stopped->place, array_values(array_unique($terminals)), $journal->state(), $ranked->ranking($call, $journal));

        return Answer::of(new FeedingView($stopped->place, $this->say->each($feeding, $journal->house->ruleSet)));
    }

    #[Route('/api/calls/{id}/way-back', methods: ['GET'])]
    #[OA\Get(path: '/api/calls/{id}/way-back', operationId: 'wayBack', parameters: [new OA\PathParameter(name: 'id', required: true, schema: new OA\Schema(type: 'string'))], responses: [new OA\Response(response: 200, description: 'Devices to close again, in order', content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: WayBackView::class)))])]
    public function wayBack(string $id, #[CurrentUser] User $user): JsonResponse
    {
        $journal = $this->calls->journal($this->calls->find($user, $id));

        return Answer::of(null === $journal->house ? [] : array_map(static fn (array $step): WayBackView => new WayBackView($step['device']->id, $step['device']->name, $step['live'], $step['dead'], ($journal->isolations()->locks()[$step['device']->id][0] ?? null)?->keeper), WayBack::of($journal->house, $journal->state())->steps));
    }
}
