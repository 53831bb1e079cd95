<?php

declare(strict_types=1);

namespace App\Security;

use App\Api\Problem;
use App\Api\View\PersonView;
use App\Entity\Firm;
use App\Entity\PasswordLink;
use App\Entity\User;
use Doctrine\DBAL\Connection;
use Doctrine\DBAL\Exception\UniqueConstraintViolationException;
use Doctrine\ORM\EntityManagerInterface;
use Symfony\Component\Clock\ClockInterface;
use Symfony\Component\Uid\Uuid;

/** The people of a firm: everything that its owner does with them, and what is never allowed. */
final readonly class People
{
    public function __construct(private EntityManagerInterface $entities, private Connection $connection, private PasswordLinks $links, private Logins $logins, private SecurityLog $log, private Setting $setting, private ClockInterface $clock)
    {
    }

    public static function role(string $word): Role
    {
        return Role::tryFrom($word) ?? throw Problem::invalid('/role', 'Expected one of '.implode(', ', array_column(Role::cases(), 'value')).'.');
    }

    public function find(User $owner, string $id): User
    {
        $person = Uuid::isValid($id) ? $this->entities->getRepository(User::class)->findOneBy(['id' => Uuid::fromString($id), 'firm' => $owner->firm]) : null;

        return $person ?? throw Problem::notFound();
    }

    /** @return list<PersonView> by name */
    public function of(Firm $firm): array
    {
        /** @var array<string, string> $seen */
        $seen = $this->connection->fetchAllKeyValue('SELECT LOWER(HEX(user_id)), MAX(seen_at) FROM login WHERE firm_id = ? GROUP BY user_id', [$firm->id], ['uuid']);

        return array_map(static function (User $user) use ($seen): PersonView {
            $at = $seen[bin2hex($user->id->toBinary())] ?? null;

            return PersonView::of($user, null === $at ? null : str_replace(' ', 'T', $at).'Z');
        }, $this->entities->getRepository(User::class)->findBy(['firm' => $firm], ['name' => 'ASC', 'id' => 'ASC']));
    }

    public function invite(User $owner, Uuid $id, string $email, string $name, Role $role, string $address): PersonView
    {
        if ('' === $email || false === filter_var($email, \FILTER_VALIDATE_EMAIL)) {
            throw Problem::invalid('/email', 'Expected an e-mail address such as name@firm.example.');
        }
        $isNew = null === $this->entities->find(User::class, $id);
        if ($isNew) {
            try {
                $this->connection->insert('user', ['id' => $id, 'firm_id' => $owner->firm->id, 'email' => $email, 'name' => $name, 'role' => $role->value, 'password' => ''], ['id' => 'uuid', 'firm_id' => 'uuid']);
            } catch (UniqueConstraintViolationException) {
                // The same request was quicker, or somebody has this address.
                $isNew = false;
            }
        }
        $person = $this->entities->getRepository(User::class)->findOneBy(['id' => $id, 'firm' => $owner->firm]);
        if ($person?->email !== $email) {
            throw null === $person ? Problem::conflict('This e-mail address has a login already. Choose another one.', '/email') : Problem::conflict('This id already stands for somebody else. Make a new id.', '/id');
        }
        if (!$isNew) {
            return PersonView::of($person, null);
        }
        $this->log->note(SecurityLog::INVITED, $owner, ['about' => "$name, {$role->value}"]);
        $this->links->send($person, PasswordLink::INVITATION, $this->setting->address($address), $owner->name);

        return PersonView::of($person, null);
    }

    public function inviteAgain(User $owner, User $person, string $address): void
    {
        if ($person->isActive() || null !== $person->deactivatedAt) {
            throw Problem::conflict('Only somebody who was invited and has no password yet can be invited again. Others ask for a new password when they log in.');
        }
        if ($this->links->isTooMany($person)) {
            throw new Problem(429, 'Too many mails', 'This person had several invitations within the hour. Wait, and have them look where mails they did not ask for go.');
        }
        $this->log->note(SecurityLog::INVITED, $owner, ['about' => $person->name]);
        $this->links->send($person, PasswordLink::INVITATION, $this->setting->address($address), $owner->name);
    }

    public function change(User $owner, User $person, ?Role $role, ?bool $active): PersonView
    {
        $loses = Role::Owner === $person->role && ((null !== $role && Role::Owner !== $role) || false === $active);
        $this->connection->transactional(function () use ($owner, $person, $role, $active, $loses): void {
            // All owners are held: two who take each other's role at the same moment do not leave a firm without one.
            /** @var list<string> $owners */
            $owners = $this->connection->fetchFirstColumn("SELECT id FROM user WHERE firm_id = ? AND role = 'owner' AND deactivated_at IS NULL AND password <> '' FOR UPDATE", [$owner->firm->id], ['uuid']);
            if ($loses && [] === array_diff($owners, [$person->id->toBinary()])) {
                throw Problem::conflict('A firm keeps at least one owner who can log in. Make somebody else owner first.');
            }
            if (null !== $role && $role !== $person->role) {
                $this->log->note(SecurityLog::ROLE, $owner, ['about' => "$person->name: {$person->role->value} → $role->value"]);
                $person->role = $role;
            }
            if (null !== $active && $active !== (null === $person->deactivatedAt)) {
                $person->deactivatedAt = $active ? null : $this->clock->now();
                $this->log->note($active ? SecurityLog::REACTIVATED : SecurityLog::DEACTIVATED, $owner, ['about' => $person->name]);
                $this->logins->end($person);
            }
            $this->entities->flush();
        });

        return PersonView::of($person, null);
    }

    public function signOut(User $owner, User $person): void
    {
        $this->logins->end($person);
        $this->log->note(SecurityLog::SIGNED_OUT, $owner, ['about' => $person->name]);
    }
}
