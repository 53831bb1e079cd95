<?php

declare(strict_types=1);

namespace App\Security;

use App\Api\Problem;
use App\Entity\User;
use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Event\ControllerEvent;
use Symfony\Component\Security\Core\Authentication\Token\Storage\TokenStorageInterface;
use Symfony\Component\Security\Core\Exception\AccessDeniedException;
use Symfony\Component\Security\Core\Exception\AuthenticationException;
use Symfony\Component\Security\Http\Authorization\AccessDeniedHandlerInterface;
use Symfony\Component\Security\Http\EntryPoint\AuthenticationEntryPointInterface;
use Symfony\Component\Security\Http\Event\LogoutEvent;

/** What stands at the door: who is not logged in, whose login has ended, who may not do this, who leaves. */
final readonly class Doors implements AccessDeniedHandlerInterface, AuthenticationEntryPointInterface
{
    /** Attribute of routes that nobody has to be logged in for. */
    public const OPEN = '_open';

    public function __construct(private TokenStorageInterface $tokens, private Logins $logins, private SecurityLog $log, private Setting $setting)
    {
    }

    public function start(Request $request, ?AuthenticationException $authException = null): Response
    {
        return self::outside()->response();
    }

    public function handle(Request $request, AccessDeniedException $accessDeniedException): Response
    {
        $user = $this->tokens->getToken()?->getUser();
        $needed = $accessDeniedException->getAttributes()[0] ?? null;
        $this->log->note(SecurityLog::FORBIDDEN, $user instanceof User ? $user : null, ['route' => self::text($request->attributes->get('_route')), 'needed' => self::text($needed)]);

        return self::refusal()->response();
    }

    public static function refusal(): Problem
    {
        return new Problem(403, 'Not in your role', 'Your role in this firm does not include this. Ask the owner, or have somebody do it whose role does.');
    }

    /** Who is not logged in gets nowhere; a login that was ended elsewhere, or whose person does not work here any more, is none. */
    #[AsEventListener(priority: 64)]
    public function look(ControllerEvent $event): void
    {
        $token = $this->tokens->getToken();
        $user = $token?->getUser();
        if (!$event->isMainRequest() || true === $event->getRequest()->attributes->get(self::OPEN)) {
            return;
        }
        // Asked here and not of the firewall, which would begin a session for whoever has none, to remember where they wanted to go.
        if (null === $token || !$user instanceof User) {
            throw self::outside();
        }
        $id = $token->hasAttribute(Logins::ATTRIBUTE) ? self::text($token->getAttribute(Logins::ATTRIBUTE)) : '';
        if (!$user->isActive() || !$this->setting->admits($user) || !$this->logins->isGood($user, $id)) {
            $this->tokens->setToken(null);
            $event->getRequest()->getSession()->invalidate();
            throw self::outside();
        }
    }

    #[AsEventListener]
    public function leave(LogoutEvent $event): void
    {
        $token = $event->getToken();
        $user = $token?->getUser();
        if (null !== $token && $user instanceof User) {
            $this->logins->end($user, $token->hasAttribute(Logins::ATTRIBUTE) ? self::text($token->getAttribute(Logins::ATTRIBUTE)) : '');
            $this->log->note(SecurityLog::LOGOUT, $user);
        }
        // What waits to be sent stays: it is evidence, and belongs to whoever made it. The page empties the rest.
        $event->setResponse(new Response('', Response::HTTP_NO_CONTENT, ['Cache-Control' => 'no-store', 'Clear-Site-Data' => '"cache", "cookies"']));
    }

    private static function outside(): Problem
    {
        return new Problem(401, 'Not logged in', 'Log in; what you typed is kept on this device.');
    }

    private static function text(mixed $value): string
    {
        return \is_string($value) ? $value : '';
    }
}
