<?php

declare(strict_types=1);

namespace App\Controller;

use App\Api\Answer;
use App\Api\Body;
use App\Api\Problem;
use App\Api\View\LoginView;
use App\Api\View\Me;
use App\Call\CallViews;
use App\Entity\Login;
use App\Entity\User;
use App\Security\Act;
use App\Security\Logins;
use App\Security\Passwords;
use App\Security\SecurityLog;
use App\Security\Throttle;
use Doctrine\ORM\EntityManagerInterface;
use OpenApi\Attributes as OA;
use Symfony\Bundle\SecurityBundle\Security;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Security\Http\Attribute\IsGranted;

/** One's own login: password, PIN, and where one is logged in. */
#[IsGranted(Act::OWN)]
final readonly class OwnController
{
    public function __construct(private Passwords $passwords, private Logins $logins, private SecurityLog $log, private Throttle $throttle, private EntityManagerInterface $entities, private Security $security)
    {
    }

    #[Route('/api/me', methods: ['GET'])]
    #[OA\Get(path: '/api/me', operationId: 'me', responses: [new OA\Response(response: 200, description: 'Who is logged in', content: new OA\JsonContent(ref: Me::class)), new OA\Response(response: 401, ref: '#/components/responses/Problem')])]
    public function me(#[CurrentUser] User $user): JsonResponse
    {
        return Answer::of(Me::of($user));
    }

    #[Route('/api/me/password', methods: ['PUT'])]
    #[OA\Put(path: '/api/me/password', operationId: 'changePassword', requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(required: ['current', 'password'], properties: [new OA\Property(property: 'current', type: 'string'), new OA\Property(property: 'password', type: 'string')])), responses: [new OA\Response(response: 200, description: 'Changed; every other login of this person has ended', content: new OA\JsonContent(ref: Me::class)), new OA\Response(response: 422, ref: '#/components/responses/Problem'), new OA\Response(response: 429, ref: '#/components/responses/Problem')])]
    public function password(Request $request, #[CurrentUser] User $user): JsonResponse
    {
        $fields = Body::of($request)->fields;
        $this->confirm($user, $fields->string('current'), $request);
        $this->passwords->set($user, $fields->string('password'));
        $this->entities->flush();
        $this->logins->end($user, except: $this->current());
        $this->log->note(SecurityLog::PASSWORD, $user);

        return Answer::of(Me::of($user));
    }

    #[Route('/api/me/pin', methods: ['PUT'])]
    #[OA\Put(path: '/api/me/pin', operationId: 'changePin', requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(required: ['current'], properties: [new OA\Property(property: 'current', description: 'The password', type: 'string'), new OA\Property(property: 'pin', description: 'Left out: there is none any more', type: 'string', pattern: '^\d{4,8}$')])), responses: [new OA\Response(response: 200, description: 'Changed', content: new OA\JsonContent(ref: Me::class)), new OA\Response(response: 422, ref: '#/components/responses/Problem'), new OA\Response(response: 429, ref: '#/components/responses/Problem')])]
    public function pin(Request $request, #[CurrentUser] User $user): JsonResponse
    {
        $fields = Body::of($request)->fields;
        $this->confirm($user, $fields->string('current'), $request);
        $this->passwords->setPin($user, $fields->has('pin') ? $fields->string('pin') : null);
        $this->entities->flush();
        $this->log->note(SecurityLog::PIN, $user);

        return Answer::of(Me::of($user));
    }

    #[Route('/api/me/logins', methods: ['GET'])]
    #[OA\Get(path: '/api/me/logins', operationId: 'logins', responses: [new OA\Response(response: 200, description: 'Where this person is logged in, the last used first', content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: LoginView::class)))])]
    public function logins(#[CurrentUser] User $user): JsonResponse
    {
        $current = $this->current();

        return Answer::of(array_map(static fn (Login $login): LoginView => new LoginView($login->id->toRfc4122(), $login->device, $login->address, CallViews::time($login->at), CallViews::time($login->seenAt), $login->id->toRfc4122() === $current), $this->logins->of($user)));
    }

    #[Route('/api/me/logins', methods: ['DELETE'])]
    #[OA\Delete(path: '/api/me/logins', operationId: 'signOutEverywhere', responses: [new OA\Response(response: 204, description: 'Every other login of this person has ended')])]
    public function signOutEverywhere(#[CurrentUser] User $user): Response
    {
        $this->logins->end($user, except: $this->current());
        $this->log->note(SecurityLog::SIGNED_OUT, $user);

        return new Response('', Response::HTTP_NO_CONTENT);
    }

    #[Route('/api/me/logins/{id}', methods: ['DELETE'])]
    #[OA\Delete(path: '/api/me/logins/{id}', operationId: 'signOut', parameters: [new OA\PathParameter(name: 'id', required: true, schema: new OA\Schema(type: 'string'))], responses: [new OA\Response(response: 204, description: 'That login has ended'), new OA\Response(response: 404, ref: '#/components/responses/Problem')])]
    public function signOut(string $id, #[CurrentUser] User $user): Response
    {
        if (0 === $this->logins->end($user, only: $id)) {
            throw Problem::notFound();
        }
        $this->log->note(SecurityLog::SIGNED_OUT, $user);

        return new Response('', Response::HTTP_NO_CONTENT);
    }

    private function current(): string
    {
        $token = $this->security->getToken();
        $id = true === $token?->hasAttribute(Logins::ATTRIBUTE) ? $token->getAttribute(Logins::ATTRIBUTE) : '';

        return \is_string($id) ? $id : '';
    }

    /** @throws Problem when it is not their password; guessed at like a login, it is slowed like one */
    private function confirm(User $user, string $password, Request $request): void
    {
        $address = SecurityLog::address($request->getClientIp());
        $this->throttle->admit($user->email, $address, Throttle::LOGIN, '/current');
        if (!$this->passwords->isPassword($user, $password)) {
            throw Problem::invalid('/current', 'That is not your password.');
        }
        $this->throttle->succeeded($user->email, $address);
    }
}
