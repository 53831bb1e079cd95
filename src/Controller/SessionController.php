<?php

declare(strict_types=1);

namespace App\Controller;

use App\Api\Answer;
use App\Api\Body;
use App\Api\View\Me;
use App\Api\View\PasswordLinkView;
use App\Api\View\SettingView;
use App\Entity\PasswordLink;
use App\Entity\User;
use App\Photo\Disk;
use App\Security\Doors;
use App\Security\Logins;
use App\Security\PasswordLinks;
use App\Security\Passwords;
use App\Security\SecurityLog;
use App\Security\Setting;
use App\Security\Throttle;
use Doctrine\ORM\EntityManagerInterface;
use OpenApi\Attributes as OA;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

/** What is open to whoever has not logged in: the login, and links with which a password is chosen. */
final readonly class SessionController
{
    public function __construct(private Setting $setting, private PasswordLinks $links)
    {
    }

    #[Route('/api/setting', methods: ['GET'], defaults: [Doors::OPEN => true])]
    #[OA\Get(path: '/api/setting', operationId: 'setting', responses: [new OA\Response(response: 200, description: 'What a page says before a login', content: new OA\JsonContent(ref: SettingView::class))])]
    public function setting(Disk $disk): JsonResponse
    {
        return Answer::of(new SettingView($this->setting->isDemonstration(), !$disk->isNearlyFull()));
    }

    #[Route('/api/login', methods: ['POST'], defaults: [Doors::OPEN => true])]
    #[OA\Post(path: '/api/login', operationId: 'login', requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(required: ['email', 'password'], properties: [new OA\Property(property: 'email', type: 'string'), new OA\Property(property: 'password', type: 'string')])), responses: [new OA\Response(response: 200, description: 'Logged in', content: new OA\JsonContent(ref: Me::class)), new OA\Response(response: 401, ref: '#/components/responses/Problem'), new OA\Response(response: 429, ref: '#/components/responses/Problem')])]
    public function login(): never
    {
        throw new \LogicException('The firewall answers a login before this.');
    }

    #[Route('/api/password-links', methods: ['POST'], defaults: [Doors::OPEN => true])]
    #[OA\Post(path: '/api/password-links', operationId: 'askForPassword', requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(required: ['email'], properties: [new OA\Property(property: 'email', type: 'string')])), responses: [new OA\Response(response: 202, description: 'If somebody has this address a link is on its way'), new OA\Response(response: 429, ref: '#/components/responses/Problem')])]
    public function ask(Request $request, EntityManagerInterface $entities, Throttle $throttle, SecurityLog $log): Response
    {
        $email = Body::of($request)->text('email', 180);
        $throttle->admit($email, SecurityLog::address($request->getClientIp()), Throttle::RESET, '/email');
        $user = $entities->getRepository(User::class)->findOneBy(['email' => $email]);
        if (null !== $user && $user->isActive() && $this->setting->admits($user) && !$this->links->isTooMany($user)) {
            $log->note(SecurityLog::RESET, $user);
            $this->links->send($user, PasswordLink::RESET, $this->setting->address($request->getSchemeAndHttpHost()));
        }

        return new Response('', Response::HTTP_ACCEPTED);
    }

    #[Route('/api/password-links/look', methods: ['POST'], defaults: [Doors::OPEN => true])]
    #[OA\Post(path: '/api/password-links/look', operationId: 'lookAtPasswordLink', requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(required: ['token'], properties: [new OA\Property(property: 'token', type: 'string')])), responses: [new OA\Response(response: 200, description: 'Whom it is for', content: new OA\JsonContent(ref: PasswordLinkView::class)), new OA\Response(response: 410, ref: '#/components/responses/Problem')])]
    public function look(Request $request): JsonResponse
    {
        $link = $this->links->find(Body::of($request)->text('token'));

        return Answer::of(new PasswordLinkView($link->user->name, $link->user->email, $link->firm->name, $link->purpose));
    }

    #[Route('/api/password-links/use', methods: ['POST'], defaults: [Doors::OPEN => true])]
    #[OA\Post(path: '/api/password-links/use', operationId: 'choosePassword', requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(required: ['token', 'password'], properties: [new OA\Property(property: 'token', type: 'string'), new OA\Property(property: 'password', type: 'string')])), responses: [new OA\Response(response: 204, description: 'Chosen; log in with it. Every login of this person has ended.'), new OA\Response(response: 410, ref: '#/components/responses/Problem'), new OA\Response(response: 422, ref: '#/components/responses/Problem')])]
    public function choose(Request $request, Passwords $passwords, Logins $logins, SecurityLog $log, EntityManagerInterface $entities): Response
    {
        $body = Body::of($request);
        $link = $this->links->find($body->text('token'));
        $passwords->set($link->user, $body->fields->string('password'));
        $this->links->used($link);
        $entities->flush();
        $logins->end($link->user);
        $log->note(SecurityLog::PASSWORD, $link->user, ['about' => $link->purpose]);

        return new Response('', Response::HTTP_NO_CONTENT);
    }
}
