<?php

declare(strict_types=1);

namespace App\Security;

use App\Api\Problem;
use App\Entity\PasswordLink;
use App\Entity\User;
use App\Words\Say;
use Doctrine\ORM\EntityManagerInterface;
use Symfony\Component\Clock\ClockInterface;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\Mailer\MailerInterface;
use Symfony\Component\Mime\Address;
use Symfony\Component\Mime\Email;
use Symfony\Component\Uid\Uuid;
use Symfony\Component\Uid\UuidV7;
use YellowProbe\Words\Message;

/**
 * Links with which somebody chooses a password: signed, for one person, once, for a limited time. The token stands in the
 * fragment of the address, which no browser sends to a server or tells to another page.
 */
final readonly class PasswordLinks
{
    private const HOURS = [PasswordLink::INVITATION => 24 * 7, PasswordLink::RESET => 2];

    /** Links of a person that may be made in an hour; more would fill a mailbox. */
    private const MOST_AN_HOUR = 5;

    private const FROM = 'no-reply@yellow-probe.example';

    public function __construct(private EntityManagerInterface $entities, private ClockInterface $clock, private MailerInterface $mailer, private Say $say, #[\SensitiveParameter] #[Autowire('%kernel.secret%')] private string $secret)
    {
    }

    /** A new link, kept and signed; the address of it is not stored anywhere. */
    public function make(User $user, string $purpose, string $address): string
    {
        $now = $this->clock->now();
        $link = new PasswordLink(new UuidV7(), $user->firm, $user, $purpose, $now, $now->modify(\sprintf('+%d hours', self::HOURS[$purpose])));
        $this->entities->persist($link);
        $this->entities->flush();

        return "$address/password#".$link->id->toRfc4122().'.'.$this->signature($link);
    }

    public function send(User $user, string $purpose, string $address, string $by = ''): void
    {
        $with = ['name' => $user->name, 'firm' => $user->firm->name, 'link' => $this->make($user, $purpose, $address), 'hours' => (string) self::HOURS[$purpose], 'days' => (string) (self::HOURS[$purpose] / 24), 'by' => $by];
        $this->mailer->send((new Email())
            ->from(new Address(self::FROM, 'Yellow Probe'))
            ->to(new Address($user->email, $user->name))
            ->subject($this->say->of(new Message("mail.subject.$purpose", $with)))
            ->text(implode("\n\n", ["$user->name,", $this->say->of(new Message("mail.what.$purpose", $with)), $with['link'], $this->say->of(new Message("mail.until.$purpose", $with))])."\n"));
    }

    /** Whether this person had so many within the hour that no more are sent. */
    public function isTooMany(User $user): bool
    {
        $since = $this->clock->now()->modify('-1 hour');
        $made = $this->entities->createQuery('SELECT COUNT(l.id) FROM '.PasswordLink::class.' l WHERE l.user = :user AND l.madeAt > :since')->setParameter('user', $user->id, 'uuid')->setParameter('since', $since)->getSingleScalarResult();

        return (int) $made >= self::MOST_AN_HOUR;
    }

    /** @throws Problem when it is none, was used, is too old, or its person does not work here any more */
    public function find(string $token): PasswordLink
    {
        [$id, $signature] = explode('.', $token, 2) + ['', ''];
        $link = Uuid::isValid($id) ? $this->entities->find(PasswordLink::class, Uuid::fromString($id)) : null;
        // A newer link of the same person makes the older ones worthless.
        if (null === $link || !hash_equals($this->signature($link), $signature) || null !== $link->usedAt || $link->expiresAt < $this->clock->now() || null !== $link->user->deactivatedAt || $this->isOlder($link)) {
            throw new Problem(410, 'Not valid', 'This link was used already, is too old, or is not whole. Ask for a new one.');
        }

        return $link;
    }

    public function used(PasswordLink $link): void
    {
        $link->usedAt = $this->clock->now();
    }

    private function isOlder(PasswordLink $link): bool
    {
        $newest = $this->entities->getRepository(PasswordLink::class)->findOneBy(['user' => $link->user], ['id' => 'DESC']);

        return null !== $newest && !$newest->id->equals($link->id);
    }

    private function signature(PasswordLink $link): string
    {
        // The hash of the password stands in it: once that is changed by any way, every link made before is worthless.
        $signed = implode('|', [$link->id->toRfc4122(), $link->user->id->toRfc4122(), $link->purpose, $link->expiresAt->getTimestamp(), $link->user->getPassword()]);

        return rtrim(strtr(base64_encode(hash_hmac('sha256', $signed, $this->secret, true)), '+/', '-_'), '=');
    }
}
