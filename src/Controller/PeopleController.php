<?php

declare(strict_types=1);

namespace App\Controller;

use App\Api\Answer;
use App\Api\Body;
use App\Api\Problem;
use App\Api\View\MailView;
use App\Api\View\PersonView;
use App\Api\View\SecurityEventView;
use App\Call\CallViews;
use App\Entity\Mail;
use App\Entity\SecurityEvent;
use App\Entity\User;
use App\Security\Act;
use App\Security\People;
use App\Security\Role;
use App\Security\Setting;
use Doctrine\ORM\EntityManagerInterface;
use OpenApi\Attributes as OA;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Security\Http\Attribute\IsGranted;

/** The people of a firm, by their owner: invited, given a role, deactivated, signed out; and what the security log says. */
#[IsGranted(Act::ADMINISTER)]
final readonly class PeopleController
{
    private const LINES = 100;

    public function __construct(private People $people, private EntityManagerInterface $entities)
    {
    }

    #[Route('/api/people', methods: ['GET'])]
    #[OA\Get(path: '/api/people', operationId: 'people', responses: [new OA\Response(response: 200, description: 'Everybody of the firm', content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: PersonView::class)))])]
    public function list(#[CurrentUser] User $user): JsonResponse
    {
        return Answer::of($this->people->of($user->firm));
    }

    #[Route('/api/people', methods: ['POST'])]
    #[OA\Post(path: '/api/people', operationId: 'invite', requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(required: ['id', 'email', 'name', 'role'], properties: [new OA\Property(property: 'id', type: 'string', format: 'uuid'), new OA\Property(property: 'email', type: 'string'), new OA\Property(property: 'name', type: 'string'), new OA\Property(property: 'role', ref: Role::class)])), responses: [new OA\Response(response: 201, description: 'Invited by mail, or invited before', content: new OA\JsonContent(ref: PersonView::class)), new OA\Response(response: 422, ref: '#/components/responses/Problem')])]
    public function invite(Request $request, #[CurrentUser] User $user): JsonResponse
    {
        $body = Body::of($request);

        return Answer::of($this->people->invite($user, $body->id(), $body->text('email', 180), $body->text('name'), People::role($body->fields->string('role')), $request->getSchemeAndHttpHost()), 201);
    }

    #[Route('/api/people/{id}', methods: ['PATCH'])]
    #[OA\Patch(path: '/api/people/{id}', operationId: 'changePerson', parameters: [new OA\PathParameter(name: 'id', required: true, schema: new OA\Schema(type: 'string'))], requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(properties: [new OA\Property(property: 'role', ref: Role::class), new OA\Property(property: 'active', description: 'Whether they can log in', type: 'boolean')])), responses: [new OA\Response(response: 200, description: 'Changed', content: new OA\JsonContent(ref: PersonView::class)), new OA\Response(response: 404, ref: '#/components/responses/Problem'), new OA\Response(response: 409, ref: '#/components/responses/Problem')])]
    public function change(string $id, Request $request, #[CurrentUser] User $user): JsonResponse
    {
        $fields = Body::of($request)->fields;

        return Answer::of($this->people->change($user, $this->people->find($user, $id), $fields->has('role') ? People::role($fields->string('role')) : null, $fields->has('active') ? $fields->flag('active', true) : null));
    }

    #[Route('/api/people/{id}/invitations', methods: ['POST'])]
    #[OA\Post(path: '/api/people/{id}/invitations', operationId: 'inviteAgain', parameters: [new OA\PathParameter(name: 'id', required: true, schema: new OA\Schema(type: 'string'))], responses: [new OA\Response(response: 204, description: 'Another link is in the mail; those before are worthless'), new OA\Response(response: 409, ref: '#/components/responses/Problem'), new OA\Response(response: 429, ref: '#/components/responses/Problem')])]
    public function inviteAgain(string $id, Request $request, #[CurrentUser] User $user): Response
    {
        $this->people->inviteAgain($user, $this->people->find($user, $id), $request->getSchemeAndHttpHost());

        return new Response('', Response::HTTP_NO_CONTENT);
    }

    #[Route('/api/people/{id}/logins', methods: ['DELETE'])]
    #[OA\Delete(path: '/api/people/{id}/logins', operationId: 'signOutPerson', parameters: [new OA\PathParameter(name: 'id', required: true, schema: new OA\Schema(type: 'string'))], responses: [new OA\Response(response: 204, description: 'Signed out everywhere'), new OA\Response(response: 404, ref: '#/components/responses/Problem')])]
    public function signOut(string $id, #[CurrentUser] User $user): Response
    {
        $this->people->signOut($user, $this->people->find($user, $id));

        return new Response('', Response::HTTP_NO_CONTENT);
    }

    #[Route('/api/security-events', methods: ['GET'])]
    #[OA\Get(path: '/api/security-events', operationId: 'securityEvents', responses: [new OA\Response(response: 200, description: 'The security log of the firm, newest first', content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: SecurityEventView::class)))])]
    public function events(#[CurrentUser] User $user): JsonResponse
    {
        $events = $this->entities->getRepository(SecurityEvent::class)->findBy(['firm' => $user->firm], ['id' => 'DESC'], self::LINES);

        return Answer::of(array_map(static fn (SecurityEvent $event): SecurityEventView => new SecurityEventView($event->id->toRfc4122(), $event->kind, CallViews::time($event->at), $event->user?->name, $event->address, $event->detail['about'] ?? ''), $events));
    }

    /** Only in a demonstration: elsewhere whoever reads the mails of another could become them. */
    #[Route('/api/mails', methods: ['GET'])]
    #[OA\Get(path: '/api/mails', operationId: 'mails', responses: [new OA\Response(response: 200, description: 'Mails that a demonstration kept instead of sending', content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: MailView::class))), new OA\Response(response: 404, ref: '#/components/responses/Problem')])]
    public function mails(#[CurrentUser] User $user, Setting $setting): JsonResponse
    {
        if (!$setting->isDemonstration() || !$user->firm->demonstration) {
            throw Problem::notFound();
        }
        /** @var list<Mail> $mails */
        $mails = $this->entities->createQuery('SELECT m FROM '.Mail::class.' m WHERE m.recipient IN (SELECT u.email FROM '.User::class.' u WHERE u.firm = :firm) ORDER BY m.id DESC')->setParameter('firm', $user->firm->id, 'uuid')->setMaxResults(self::LINES)->getResult();

        return Answer::of(array_map(static fn (Mail $mail): MailView => new MailView($mail->id->toRfc4122(), $mail->recipient, $mail->subject, $mail->text, CallViews::time($mail->at)), $mails));
    }
}
