<?php

declare(strict_types=1);

namespace App\Call;

use App\Api\Problem;
use App\Entity\User;
use App\Observation\Accompanied;
use App\Observation\Corrected;
use App\Observation\Done;
use App\Observation\IsolationStep;
use App\Observation\LeverTried;
use App\Observation\Measured;
use App\Observation\Payload;
use App\Observation\Withdrawn;
use App\Security\Access;
use App\Security\Doors;
use App\Security\Role;
use Doctrine\ORM\EntityManagerInterface;
use Symfony\Component\Uid\Uuid;
use YellowProbe\Installation\StateChange;
use YellowProbe\Instrument\Instruments;
use YellowProbe\Procedure\Isolation;
use YellowProbe\Safety\LiveWork;

/** Who may make an entry, and whether a trainee has somebody beside them for it. */
final readonly class Companions
{
    public function __construct(private EntityManagerInterface $entities)
    {
    }

    /** @throws Problem when the role of its author does not include the entry */
    public static function admit(User $author, Payload $payload, Journal $journal): void
    {
        $target = $payload instanceof Corrected || $payload instanceof Withdrawn ? $journal->entry($payload->observation)?->payload : null;
        if (!Access::allows($author->role, Access::needed($payload, $target))) {
            throw Doors::refusal();
        }
    }

    /**
     * @return array<string, mixed> frozen with the entry
     *
     * @throws Problem when a live step has no second person, or somebody stands beside no trainee
     */
    public function check(User $author, Payload $payload, Journal $journal): array
    {
        if ($payload instanceof Accompanied) {
            return $this->accompanies($author, $payload);
        }
        if (Role::Trainee !== $author->role || !self::isLive($payload, $journal)) {
            return [];
        }
        $beside = self::beside($author, $journal) ?? throw Problem::conflict('This is a live step: have an electrician of the firm beside you, who confirms it with their own login, password or PIN. Then store it again.', '/secondPerson');

        return ['secondPerson' => $beside];
    }

    /** The name of the electrician who stands beside a trainee now; null when nobody does. */
    public static function beside(User $trainee, Journal $journal): ?string
    {
        foreach (self::all($journal) as $beside) {
            if ($beside['trainee'] === $trainee->id->toRfc4122()) {
                return $beside['electrician'];
            }
        }

        return null;
    }

    /**
     * Who stands beside whom now: for as long as a proof of dead keeps without an entry, and then it is confirmed anew.
     *
     * @return list<array{trainee: string, electrician: string, until: \DateTimeImmutable}> the latest first
     */
    public static function all(Journal $journal): array
    {
        $all = [];
        foreach (array_reverse($journal->standing(Accompanied::class)) as [$entry, $accompanied]) {
            $until = $entry->source->storedAt->modify(\sprintf('+%d minutes', $journal->proofMinutes));
            if (null === $journal->now || $until >= $journal->now) {
                $all[] = ['trainee' => $accompanied->trainee, 'electrician' => $entry->source->author->name, 'until' => $until];
            }
        }

        return $all;
    }

    /** Whether something is done live by it. */
    public static function isLive(Payload $payload, Journal $journal): bool
    {
        if ($payload instanceof Measured) {
            return LiveWork::isReading(Instruments::get($payload->instrument));
        }
        if ($payload instanceof IsolationStep) {
            return $payload->isTaken() && \in_array($payload->inOrder(), [Isolation::Reference, Isolation::Dead], true);
        }
        if ($payload instanceof Done) {
            $proved = [] !== array_filter($journal->isolations()->proofs(), static fn (Proof $proof): bool => $proof->stands());

            return [] !== array_filter($payload->stateChanges(), static fn (StateChange $change): bool => LiveWork::isChange($change, $proved));
        }

        return $payload instanceof LeverTried;
    }

    /** @return array{traineeName: string} */
    private function accompanies(User $author, Accompanied $accompanied): array
    {
        $trainee = $this->entities->getRepository(User::class)->findOneBy(['id' => Uuid::fromString($accompanied->trainee), 'firm' => $author->firm]);
        if (Role::Trainee !== $trainee?->role) {
            throw Problem::invalid('/payload/trainee', 'Expected a trainee of this firm.');
        }

        return ['traineeName' => $trainee->name];
    }
}
