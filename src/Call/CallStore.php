<?php

declare(strict_types=1);

namespace App\Call;

use App\Api\Problem;
use App\Entity\Call;
use App\Entity\House;
use App\Entity\Observation;
use App\Entity\User;
use App\House\HouseStore;
use Doctrine\ORM\EntityManagerInterface;
use Symfony\Component\Clock\ClockInterface;
use Symfony\Component\Uid\Uuid;
use YellowProbe\Installation\House as Model;

/** Calls of a firm and their journals. */
final readonly class CallStore
{
    public function __construct(private EntityManagerInterface $entities, private HouseStore $houses, private ClockInterface $clock)
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
        $house = $call->house;
        if (null === $house) {
            return new Journal($observations, null, null, $this->clock->now(), $call->firm->proofMinutes);
        }
        $models = [$house->version => $this->houses->model($house)];

        return new Journal(
            $observations,
            $models[$house->version],
            function (int $number) use ($house, &$models): Model {
                return $models[$number] ??= $this->houses->model($house, $number);
            },
            $this->clock->now(),
            $call->firm->proofMinutes,
        );
    }

    /** Holds the row of a call until the transaction ends, and looks again at its house: it may have come, or changed, meanwhile. */
    public function lock(Call $call): void
    {
        $house = $this->entities->getConnection()->fetchOne('SELECT house_id FROM callout WHERE id = ? FOR UPDATE', [$call->id], ['uuid']);
        $call->house = \is_string($house) ? $this->entities->find(House::class, Uuid::fromBinary($house)) : null;
        if (null !== $call->house) {
            $this->renew($call->house);
        }
    }

    private function renew(House $house): void
    {
        $version = $this->entities->getConnection()->fetchOne('SELECT version FROM house WHERE id = ?', [$house->id], ['uuid']);
        $house->version = is_numeric($version) ? (int) $version : $house->version;
    }

    /** @return list<Call> every call at a house, held until the transaction ends, in one order so that nobody waits in a circle */
    public function lockAllAt(House $house): array
    {
        $this->entities->getConnection()->fetchFirstColumn('SELECT id FROM callout WHERE house_id = ? ORDER BY id FOR UPDATE', [$house->id], ['uuid']);
        $this->renew($house);

        return $this->entities->getRepository(Call::class)->findBy(['house' => $house], ['id' => 'ASC']);
    }
}
