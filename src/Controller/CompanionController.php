<?php

declare(strict_types=1);

namespace App\Controller;

use App\Api\Answer;
use App\Api\Body;
use App\Api\Problem;
use App\Api\View\CallDetail;
use App\Api\View\ColleagueView;
use App\Call\CallStore;
use App\Call\CallViews;
use App\Call\ObservationStore;
use App\Call\Origin;
use App\Entity\User;
use App\Observation\Accompanied;
use App\Security\Access;
use App\Security\Act;
use App\Security\Passwords;
use App\Security\SecurityLog;
use App\Security\Throttle;
use Doctrine\ORM\EntityManagerInterface;
use OpenApi\Attributes as OA;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Security\Http\Attribute\IsGranted;
use Symfony\Component\Uid\Uuid;

/**
 * The second person at a trainee's live steps. On their own device an electrician stores the entry like any other; here they
 * confirm on the trainee's device, with their own password or PIN, and it is stored as theirs all the same.
 */
final readonly class CompanionController
{
    #[Route('/api/colleagues', methods: ['GET'])]
    #[IsGranted(Act::SEE)]
    #[OA\Get(path: '/api/colleagues', operationId: 'colleagues', responses: [new OA\Response(response: 200, description: 'Everybody of the firm who can log in', content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: ColleagueView::class)))])]
    public function colleagues(#[CurrentUser] User $user, EntityManagerInterface $entities): JsonResponse
    {
        $active = array_filter($entities->getRepository(User::class)->findBy(['firm' => $user->firm], ['name' => 'ASC', 'id' => 'ASC']), static fn (User $colleague): bool => $colleague->isActive());

        return Answer::of(array_map(static fn (User $colleague): ColleagueView => new ColleagueView($colleague->id->toRfc4122(), $colleague->name, $colleague->role, Access::allows($colleague->role, Act::ACCOMPANY)), array_values($active)));
    }

    #[Route('/api/calls/{id}/second-person', methods: ['POST'])]
    #[IsGranted(Act::MEASURE)]
    #[OA\Post(path: '/api/calls/{id}/second-person', operationId: 'confirmSecondPerson', parameters: [new OA\PathParameter(name: 'id', required: true, schema: new OA\Schema(type: 'string'))], requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(required: ['id', 'at', 'electrician', 'secret'], properties: [new OA\Property(property: 'id', description: 'Of the entry that is stored', type: 'string', format: 'uuid'), new OA\Property(property: 'at', type: 'string', format: 'date-time'), new OA\Property(property: 'electrician', type: 'string', format: 'uuid'), new OA\Property(property: 'secret', description: 'Their password or PIN', type: 'string')])), responses: [new OA\Response(response: 201, description: 'Stored as the entry of the second person', content: new OA\JsonContent(ref: CallDetail::class)), new OA\Response(response: 404, ref: '#/components/responses/Problem'), new OA\Response(response: 422, ref: '#/components/responses/Problem'), new OA\Response(response: 429, ref: '#/components/responses/Problem')])]
    public function confirm(string $id, Request $request, #[CurrentUser] User $user, CallStore $calls, CallViews $views, ObservationStore $observations, EntityManagerInterface $entities, Passwords $passwords, Throttle $throttle, SecurityLog $log): JsonResponse
    {
        $call = $calls->find($user, $id);
        $body = Body::of($request);
        $asked = $body->optionalUuid('electrician') ?? throw Problem::invalid('/electrician', 'Say who stands beside you.');
        $electrician = $entities->getRepository(User::class)->findOneBy(['id' => Uuid::fromString($asked->toRfc4122()), 'firm' => $user->firm]);
        $address = SecurityLog::address($request->getClientIp());
        $throttle->admit($asked->toRfc4122(), $address, Throttle::SECOND_PERSON, '/secret');
        $right = $passwords->isEither($electrician, $body->fields->string('secret'));
        if (!$right || null === $electrician || !$electrician->isActive() || !Access::allows($electrician->role, Act::ACCOMPANY)) {
            $log->note(SecurityLog::NOT_ACCOMPANIED, $user, ['about' => $electrician->name ?? '']);
            throw Problem::invalid('/secret', 'That is not the password or PIN of this electrician.');
        }
        $throttle->succeeded($asked->toRfc4122(), $address, Throttle::SECOND_PERSON);
        $journal = $observations->store($electrician, $call, $body->id(), Accompanied::kind(), $body->instant('at'), ['trainee' => $user->id->toRfc4122()], new Origin());
        $log->note(SecurityLog::ACCOMPANIED, $electrician, ['about' => $user->name]);

        return Answer::of($views->detail($call, $journal), 201);
    }
}
