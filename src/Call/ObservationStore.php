<?php

declare(strict_types=1);

namespace App\Call;

use App\Api\Problem;
use App\Entity\Call;
use App\Entity\Observation;
use App\Entity\User;
use Doctrine\DBAL\Exception\UniqueConstraintViolationException;
use Doctrine\ORM\EntityManagerInterface;
use Symfony\Component\Clock\ClockInterface;
use Symfony\Component\Uid\Uuid;
use YellowProbe\Installation\Attributes;

/** Stores observations, each once, after asking its kind whether it can be. Nothing is ever changed. */
final readonly class ObservationStore
{
    public function __construct(private EntityManagerInterface $entities, private CallStore $calls, private ObservationKinds $kinds, private ClockInterface $clock)
    {
    }

    /**
     * @return Journal with what was stored
     *
     * @throws Problem when it cannot be stored; nothing is half-written
     */
    public function store(User $user, Call $call, Uuid $id, string $kind, \DateTimeImmutable $at, Attributes $payload): Journal
    {
        $known = $this->entities->find(Observation::class, $id);
        if (null !== $known) {
            if ($known->call !== $call || $known->kind !== $kind || $known->payload != $payload->raw) {
                throw Problem::conflict('This id already stands for another observation. Make a new id; the one stored stays as it is.', '/id');
            }

            return $this->calls->journal($call);
        }
        $journal = $this->calls->journal($call);
        $verdict = $this->kinds->verdict($kind, $payload, $journal);
        /** @var array<string, mixed> $raw */
        $raw = $payload->raw;
        $observation = new Observation(
            $id,
            $user->firm,
            $call,
            \count($journal->observations) + 1,
            $kind,
            $raw,
            $journal->state()->toArray(),
            $call->house?->version,
            $verdict,
            $user,
            $at,
            $this->clock->now(),
        );
        $this->entities->persist($observation);
        try {
            $this->entities->flush();
        } catch (UniqueConstraintViolationException) {
            throw Problem::conflict('Somebody else added to this call at the same moment. Send the same request again.', '/id');
        }

        return new Journal([...$journal->observations, $observation], $journal->house);
    }
}
