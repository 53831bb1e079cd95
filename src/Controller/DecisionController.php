<?php

declare(strict_types=1);

namespace App\Controller;

use App\Api\Answer;
use App\Api\Body;
use App\Api\Problem;
use App\Api\View\AgreementView;
use App\Call\CallStore;
use App\Call\TakenReading;
use App\Entity\User;
use App\Observation\DecisionOptions;
use App\Observation\Repaired;
use App\Security\Act;
use OpenApi\Attributes as OA;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Security\Http\Attribute\IsGranted;
use YellowProbe\Installation\Attributes;
use YellowProbe\Instrument\Measurement;
use YellowProbe\Instrument\ReadingParser;
use YellowProbe\Rules\Consistency;
use YellowProbe\Rules\MendOrList;
use YellowProbe\Rules\Taken;

/** What stands between the readings and the work: whether they agree, and whether to mend now or to list. */
#[IsGranted(Act::SEE)]
final readonly class DecisionController
{
    private const MOST_POINTS = 500.0;
    private const MOST = 1e5;

    #[Route('/api/calls/{id}/consistency', methods: ['GET'])]
    #[OA\Get(path: '/api/calls/{id}/consistency', operationId: 'consistency', parameters: [new OA\PathParameter(name: 'id', required: true, schema: new OA\Schema(type: 'string'))], responses: [new OA\Response(response: 200, description: 'Readings that have to agree, disagreements first', content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: AgreementView::class)))])]
    public function consistency(string $id, #[CurrentUser] User $user, CallStore $calls): JsonResponse
    {
        $journal = $calls->journal($calls->find($user, $id));
        $taken = [];
        foreach ($journal->readings() as $reading) {
            if (null === $reading->withdrawn && null !== $reading->connection && $reading->proof === (null !== $journal->last(Repaired::class))) {
                $taken[] = self::taken($reading);
            }
        }

        return Answer::of(null === $journal->house ? [] : array_map(AgreementView::of(...), Consistency::of($journal->house, $taken)));
    }

    #[Route('/api/decisions', methods: ['POST'])]
    #[IsGranted(Act::SEE)]
    #[OA\Post(path: '/api/decisions', operationId: 'decide', requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(required: ['isDangerous', 'affected', 'tested', 'minutesEach', 'minutesLeft', 'hasParts', 'isRepairVisit', 'materials', 'ratePerHour'], properties: [new OA\Property(property: 'isDangerous', type: 'boolean'), new OA\Property(property: 'affected', type: 'number'), new OA\Property(property: 'tested', type: 'number'), new OA\Property(property: 'minutesEach', type: 'number'), new OA\Property(property: 'minutesLeft', type: 'number'), new OA\Property(property: 'hasParts', type: 'boolean'), new OA\Property(property: 'isRepairVisit', type: 'boolean'), new OA\Property(property: 'materials', type: 'number'), new OA\Property(property: 'ratePerHour', type: 'number')])), responses: [new OA\Response(response: 200, description: 'Both options; nothing is stored', content: new OA\JsonContent(ref: DecisionOptions::class)), new OA\Response(response: 422, ref: '#/components/responses/Problem')])]
    public function decide(Request $request): JsonResponse
    {
        $fields = Body::of($request)->fields;
        $affected = self::number($fields, 'affected', 1.0, self::MOST_POINTS);
        $tested = self::number($fields, 'tested', $affected, self::MOST_POINTS);
        $decision = MendOrList::of($fields->flag('isDangerous', false), (int) $affected, (int) $tested, self::number($fields, 'minutesEach', 0.0), self::number($fields, 'minutesLeft', 0.0), $fields->flag('hasParts', false), $fields->flag('isRepairVisit', true), self::number($fields, 'materials', 0.0), self::number($fields, 'ratePerHour', 0.0));

        return Answer::of(new DecisionOptions($decision->mendMinutes, $decision->mendMoney, $decision->listMinutes, $decision->listMoney, $decision->leansToMend, $decision->because));
    }

    private static function number(Attributes $fields, string $key, float $least, float $most = self::MOST): float
    {
        $number = $fields->number($key);

        return $number >= $least && $number <= $most ? $number : throw Problem::invalid("/$key", \sprintf('Expected a number from %s to %s.', $least, $most));
    }

    private static function taken(TakenReading $reading): Taken
    {
        $connection = $reading->connection ?? throw new \LogicException('Only what is placed can be held against others.');

        return new Taken($reading->id(), $reading->judged->where ?? '', new Measurement($reading->state(), $reading->instrument, $connection), ReadingParser::parse($reading->raw, $reading->instrument));
    }
}
