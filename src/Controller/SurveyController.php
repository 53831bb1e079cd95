<?php

declare(strict_types=1);

namespace App\Controller;

use App\Api\Answer;
use App\Api\Body;
use App\Api\Problem;
use App\Api\View\ArrangementView;
use App\Api\View\BoardPatternView;
use App\Api\View\BoardView;
use App\Api\View\CallDetail;
use App\Api\View\DeviceJudgementView;
use App\Api\View\FeedsView;
use App\Api\View\GroupView;
use App\Api\View\JumperView;
use App\Api\View\PickView;
use App\Api\View\SurveyListsView;
use App\Api\View\SurveyView;
use App\Call\CallStore;
use App\Call\CallViews;
use App\Call\HouseChanges;
use App\Call\TradeData;
use App\Entity\User;
use App\House\HouseDocument;
use App\House\HouseStore;
use App\Security\Act;
use App\Words\Percent;
use OpenApi\Attributes as OA;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Security\Http\Attribute\IsGranted;
use YellowProbe\Installation\Finding;
use YellowProbe\Installation\Findings;
use YellowProbe\Installation\House;
use YellowProbe\Installation\HouseError;
use YellowProbe\Survey\BoardJudgement;
use YellowProbe\Survey\DeviceJudgement;
use YellowProbe\Survey\Feeds;
use YellowProbe\Survey\JumperJudgement;
use YellowProbe\Survey\Jumpers;
use YellowProbe\Survey\Sheet;
use YellowProbe\Survey\SurveyedHouse;

/** The fast survey: what is typical to pick from, a sheet drawn up as a house, and the board judged as it is built. */
#[IsGranted(Act::SEE)]
final readonly class SurveyController
{
    public function __construct(private TradeData $trade, private CallStore $calls, private CallViews $views)
    {
    }

    #[Route('/api/surveys/{ruleSet}', methods: ['GET'], requirements: ['ruleSet' => '[A-C]'])]
    #[OA\Get(path: '/api/surveys/{ruleSet}', operationId: 'surveyLists', parameters: [new OA\PathParameter(name: 'ruleSet', required: true, schema: new OA\Schema(type: 'string', enum: ['A', 'B', 'C']))], responses: [new OA\Response(response: 200, description: 'What is typical under a rule set', content: new OA\JsonContent(ref: SurveyListsView::class))])]
    public function lists(string $ruleSet): JsonResponse
    {
        $catalogue = $this->trade->survey();
        $earthing = $catalogue->earthing($ruleSet);
        $patterns = [];
        foreach ($catalogue->patterns($ruleSet) as $pattern) {
            $patterns[] = new BoardPatternView($pattern['slug'], $pattern['words'], $pattern['device'], $pattern['ways'], array_map(static fn (array $group): GroupView => new GroupView($group['name'], $group['milliamps'], $group['type']), $pattern['groups']));
        }

        return Answer::of(new SurveyListsView(
            $patterns,
            array_values(array_map(static fn (Feeds $feeds): FeedsView => new FeedsView($feeds->slug, $feeds->key, $feeds->words, $feeds->shape, $feeds->amperes, $feeds->curve, \count($feeds->points)), $catalogue->feeds($ruleSet))),
            $earthing->isOpen() ? array_map(static fn (string $slug, string $words): PickView => new PickView($slug, $words), array_keys($earthing->words), array_values($earthing->words)) : [],
        ));
    }

    #[Route('/api/surveys', methods: ['POST'])]
    #[IsGranted(Act::SURVEY)]
    #[OA\Post(path: '/api/surveys', operationId: 'drawUp', requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(required: ['address', 'sheet'], properties: [new OA\Property(property: 'address', type: 'string'), new OA\Property(property: 'sheet', type: 'object', additionalProperties: true)])), responses: [new OA\Response(response: 200, description: 'The house it makes; nothing is stored', content: new OA\JsonContent(ref: SurveyView::class)), new OA\Response(response: 422, ref: '#/components/responses/Problem')])]
    public function drawUp(Request $request): JsonResponse
    {
        $body = Body::of($request);
        $surveyed = $this->surveyed($body->text('address'), $body->fields->object('sheet')->raw);

        return Answer::of(new SurveyView(
            (object) HouseDocument::objects($surveyed->document),
            $surveyed->open,
            array_map(static fn (string $arrangement, float $probability): ArrangementView => new ArrangementView($arrangement, $probability, Percent::of($probability)), array_keys($surveyed->earthing), array_values($surveyed->earthing)),
            self::board(House::fromDocument($surveyed->document), Sheet::read($body->fields->object('sheet')->raw)),
        ));
    }

    #[Route('/api/calls/{id}/survey', methods: ['POST'])]
    #[IsGranted(Act::SURVEY)]
    #[OA\Post(path: '/api/calls/{id}/survey', operationId: 'survey', parameters: [new OA\PathParameter(name: 'id', required: true, schema: new OA\Schema(type: 'string'))], requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(required: ['id', 'sheet'], properties: [new OA\Property(property: 'id', description: 'Of the house that it makes.', type: 'string', format: 'uuid'), new OA\Property(property: 'sheet', type: 'object', additionalProperties: true)])), responses: [new OA\Response(response: 201, description: 'The call with its house', content: new OA\JsonContent(ref: CallDetail::class)), new OA\Response(response: 409, ref: '#/components/responses/Problem'), new OA\Response(response: 422, ref: '#/components/responses/Problem')])]
    public function store(string $id, Request $request, #[CurrentUser] User $user, HouseStore $houses, HouseChanges $changes): JsonResponse
    {
        $call = $this->calls->find($user, $id);
        $body = Body::of($request);
        $houseId = $body->id();
        $sheet = $body->fields->object('sheet')->raw;
        $changes->survey($call, $houseId, fn (): \App\Entity\House => $houses->import($user, $houseId, $call->address, HouseDocument::encode(['survey' => $sheet] + $this->surveyed($call->address, $sheet)->document)));

        return Answer::of($this->views->detail($call, $this->calls->journal($call)), 201);
    }

    #[Route('/api/calls/{id}/board', methods: ['GET'])]
    #[OA\Get(path: '/api/calls/{id}/board', operationId: 'judgeBoard', parameters: [new OA\PathParameter(name: 'id', required: true, schema: new OA\Schema(type: 'string'))], responses: [new OA\Response(response: 200, description: 'The board judged as it is built', content: new OA\JsonContent(ref: BoardView::class)), new OA\Response(response: 409, ref: '#/components/responses/Problem')])]
    public function judge(string $id, #[CurrentUser] User $user): JsonResponse
    {
        $house = $this->calls->journal($this->calls->find($user, $id))->house ?? throw Problem::conflict('This call has no house yet: survey its board first.');

        $sheet = $house->document['survey'] ?? null;

        return Answer::of(self::board($house, \is_array($sheet) ? Sheet::read($sheet) : null));
    }

    /** @param array<array-key, mixed> $sheet */
    private function surveyed(string $address, array $sheet): SurveyedHouse
    {
        try {
            return SurveyedHouse::of($address, Sheet::read($sheet), $this->trade->survey());
        } catch (HouseError $e) {
            throw Problem::invalid('/sheet'.$e->path, $e->getMessage());
        }
    }

    private static function board(House $house, ?Sheet $sheet): BoardView
    {
        return new BoardView(
            array_map(static fn (DeviceJudgement $device): DeviceJudgementView => new DeviceJudgementView($device->device, $device->circuits, $device->amperes, $device->sum, $device->diverse, $device->remarks), BoardJudgement::of($house)),
            BoardJudgement::unprotected($house),
            array_map(static fn (Finding $finding): string => $finding->words, Findings::of($house)),
            array_map(static fn (JumperJudgement $jumper): JumperView => new JumperView($jumper->words, $jumper->isTooSmall), null === $sheet ? [] : Jumpers::of($sheet)),
        );
    }
}
