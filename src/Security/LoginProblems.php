<?php

declare(strict_types=1);

namespace App\Security;

use App\Api\Problem;
use App\Api\View\Me;
use App\Entity\User;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Security\Core\Authentication\Token\TokenInterface;
use Symfony\Component\Security\Core\Exception\AuthenticationException;
use Symfony\Component\Security\Http\Authentication\AuthenticationFailureHandlerInterface;
use Symfony\Component\Security\Http\Authentication\AuthenticationSuccessHandlerInterface;
use Symfony\Component\Security\Http\EntryPoint\AuthenticationEntryPointInterface;

/** Answers of the login: who one is now, or a problem document that does not tell whether the address is known. */
final class LoginProblems implements AuthenticationEntryPointInterface, AuthenticationFailureHandlerInterface, AuthenticationSuccessHandlerInterface
{
    public function start(Request $request, ?AuthenticationException $authException = null): Response
    {
        return (new Problem(401, 'Not logged in', 'Log in; what you typed is kept on this device.'))->response();
    }

    public function onAuthenticationFailure(Request $request, AuthenticationException $exception): Response
    {
        return (new Problem(401, 'Not logged in', 'That e-mail and password do not belong together. Check both.', '/password'))->response();
    }

    public function onAuthenticationSuccess(Request $request, TokenInterface $token): Response
    {
        $user = $token->getUser();
        \assert($user instanceof User);

        return new JsonResponse(Me::of($user));
    }
}
