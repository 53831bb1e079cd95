<?php

declare(strict_types=1);

namespace App\Call;

use App\Api\Problem;
use App\Entity\Call;
use App\Entity\Observation;
use App\Entity\User;
use App\House\HouseStore;
use Doctrine\ORM\EntityManagerInterface;
use Symfony\Component\Uid\Uuid;

/** Calls of a firm and their journals. */
final readonly class CallStore
{
    public function __construct(private EntityManagerInterface $entities, private HouseStore $houses)
    {
    }

    public function find(User $user, string $id): Call
    {
        $call = Uuid::isValid($id) ? $this->entities->getRepository(Call::class)->findOneBy(['id' => Uuid::fromString($id), 'firm' => $user->firm]) : null;

        return $call ?? throw Problem::notFound();
    }

    /** @return list<Call> newest first */
    public function all(User $user): array
    {
        return $this->entities->getRepository(Call::class)->findBy(['firm' => $user->firm], ['openedAt' => 'DESC', 'id' => 'DESC']);
    }

    /** @return list<Call> earlier ones to the same address, newest first */
    public function earlier(Call $call): array
    {
        $same = $this->entities->getRepository(Call::class)->findBy(['firm' => $call->firm, 'address' => $call->address], ['openedAt' => 'DESC', 'id' => 'DESC'], 20);

        return array_values(array_filter($same, static fn (Call $other): bool => $other->id != $call->id && $other->openedAt <= $call->openedAt));
    }

    public function journal(Call $call): Journal
    {
        $observations = $this->entities->getRepository(Observation::class)->findBy(['call' => $call], ['position' => 'ASC']);

        return new Journal($observations, null === $call->house ? null : $this->houses->model($call->house));
    }
}
