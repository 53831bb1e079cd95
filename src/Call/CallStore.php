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
                // What was told before the call got this house may carry a version of another one; it names nothing of either.
                return $models[$number] ??= $number > $house->version ? $models[$house->version] : $this->houses->model($house, $number);
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
