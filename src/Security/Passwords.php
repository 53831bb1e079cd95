<?php

declare(strict_types=1);

namespace App\Security;

use App\Api\Problem;
use App\Entity\User;
use Symfony\Component\PasswordHasher\Hasher\UserPasswordHasherInterface;

/** Passwords and PINs: set, and looked at in the same time whether there is such a person or not. */
final readonly class Passwords
{
    private const LEAST = 10;
    private const MOST = 200;

    /** Of a password that nobody has, by the method and cost of config/packages/security.yaml. */
    private const NOBODYS = '$2y$12$ZiC2dunftX9Z28HLwS8Z6uUV8imL/1WI5pX4TF2fewD8LQcwBtb.O';

    public function __construct(private UserPasswordHasherInterface $hasher)
    {
    }

    /** @throws Problem for one that is too short, or says who it is for */
    public function set(User $user, string $password, string $pointer = '/password'): void
    {
        $length = mb_strlen($password);
        if ($length < self::LEAST || $length > self::MOST) {
            throw Problem::invalid($pointer, \sprintf('A password has %d to %d characters. Four words that only you would put together are a good one.', self::LEAST, self::MOST));
        }
        if (str_contains(mb_strtolower($password), mb_strtolower(explode('@', $user->email)[0])) || \count(array_unique(mb_str_split($password))) < 5) {
            throw Problem::invalid($pointer, 'This is too easy to guess: leave your name out, and use more than a few different characters.');
        }
        $user->setPassword($this->hasher->hashPassword($user, $password));
    }

    /** @throws Problem for anything but four to eight digits that are not all the same or in a row */
    public function setPin(User $user, ?string $pin): void
    {
        if (null !== $pin && (1 !== preg_match('/^\d{4,8}$/D', $pin) || 1 === \count(array_unique(str_split($pin))) || str_contains('0123456789876543210', $pin))) {
            throw Problem::invalid('/pin', 'A PIN has four to eight digits, not all the same and not in a row.');
        }
        $user->pin = null === $pin ? null : password_hash($pin, \PASSWORD_BCRYPT, ['cost' => 12]);
    }

    public function isPassword(?User $user, string $password): bool
    {
        if (null === $user || '' === $user->getPassword() || '' === $password || mb_strlen($password) > self::MOST) {
            password_verify('' === $password ? 'x' : $password, self::NOBODYS);

            return false;
        }

        return $this->hasher->isPasswordValid($user, $password);
    }

    /** Whether it is the password or the PIN of this person. */
    public function isEither(?User $user, string $secret): bool
    {
        if (null !== $user?->pin && 1 === preg_match('/^\d{4,8}$/D', $secret)) {
            return password_verify($secret, $user->pin);
        }

        return $this->isPassword($user, $secret);
    }
}
