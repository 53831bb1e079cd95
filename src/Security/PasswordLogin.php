<?php

declare(strict_types=1);

namespace App\Security;

use App\Api\Body;
use App\Api\Problem;
use App\Api\View\Me;
use App\Entity\User;
use Doctrine\ORM\EntityManagerInterface;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Security\Core\Authentication\Token\TokenInterface;
use Symfony\Component\Security\Core\Exception\AuthenticationException;
use Symfony\Component\Security\Core\Exception\CustomUserMessageAuthenticationException;
use Symfony\Component\Security\Http\Authenticator\AbstractAuthenticator;
use Symfony\Component\Security\Http\Authenticator\Passport\Badge\UserBadge;
use Symfony\Component\Security\Http\Authenticator\Passport\Passport;
use Symfony\Component\Security\Http\Authenticator\Passport\SelfValidatingPassport;

/**
 * The login: e-mail and password as JSON. It takes as long, and answers the same, whether the address is unknown, the password
 * is wrong, the person does not work here any more, or a demonstration is not to be entered.
 */
final class PasswordLogin extends AbstractAuthenticator
{
    public function __construct(private readonly EntityManagerInterface $entities, private readonly Passwords $passwords, private readonly Throttle $throttle, private readonly Logins $logins, private readonly SecurityLog $log, private readonly Setting $setting)
    {
    }

    public function supports(Request $request): bool
    {
        return '/api/login' === $request->getPathInfo() && $request->isMethod('POST');
    }

    /** @throws Problem when it is no login at all, or too many were tried */
    public function authenticate(Request $request): Passport
    {
        $fields = Body::of($request)->fields;
        $email = mb_substr($fields->string('email', ''), 0, 180);
        $address = SecurityLog::address($request->getClientIp());
        $user = $this->entities->getRepository(User::class)->findOneBy(['email' => $email]);
        try {
            $this->throttle->admit($email, $address, Throttle::LOGIN, '/password');
        } catch (Problem $e) {
            $this->log->note(SecurityLog::SLOWED, $user);
            throw $e;
        }
        $right = $this->passwords->isPassword($user, $fields->string('password', ''));
        if (!$right || null === $user || !$user->isActive() || !$this->setting->admits($user)) {
            $this->log->note(SecurityLog::REFUSED, $user);
            throw new CustomUserMessageAuthenticationException('refused');
        }
        $this->throttle->succeeded($email, $address, Throttle::LOGIN);

        return new SelfValidatingPassport(new UserBadge($user->email, static fn (): User => $user));
    }

    public function onAuthenticationSuccess(Request $request, TokenInterface $token, string $firewallName): Response
    {
        $user = $token->getUser();
        \assert($user instanceof User);
        $token->setAttribute(Logins::ATTRIBUTE, $this->logins->begin($user, $request));
        $this->log->note(SecurityLog::LOGIN, $user);

        return new JsonResponse(Me::of($user), 200, ['Cache-Control' => 'no-store']);
    }

    public function onAuthenticationFailure(Request $request, AuthenticationException $exception): Response
    {
        return (new Problem(401, 'Not logged in', 'That e-mail and password do not belong together. Check both.', '/password'))->response();
    }
}
