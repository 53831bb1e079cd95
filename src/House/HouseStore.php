<?php

declare(strict_types=1);

namespace App\House;

use App\Api\Problem;
use App\Entity\House;
use App\Entity\HouseVersion;
use App\Entity\User;
use Doctrine\DBAL\Exception\UniqueConstraintViolationException;
use Doctrine\ORM\EntityManagerInterface;
use Symfony\Component\Clock\ClockInterface;
use Symfony\Component\Uid\Uuid;
use YellowProbe\Installation\House as Model;
use YellowProbe\Installation\HouseEdit;

/** Houses of a firm: found, imported, changed by operations, every version kept. */
final readonly class HouseStore
{
    public function __construct(private EntityManagerInterface $entities, private HouseDocument $documents, private ClockInterface $clock)
    {
    }

    public function find(User $user, string $id): House
    {
        $house = Uuid::isValid($id) ? $this->entities->getRepository(House::class)->findOneBy(['id' => Uuid::fromString($id), 'firm' => $user->firm]) : null;

        return $house ?? throw Problem::notFound();
    }

    public function version(House $house, ?int $number = null): HouseVersion
    {
        return $this->entities->getRepository(HouseVersion::class)->findOneBy(['house' => $house, 'number' => $number ?? $house->version]) ?? throw Problem::notFound();
    }

    public function model(House $house, ?int $number = null): Model
    {
        /** @var array<string, mixed> $document a stored version was checked on its way in */
        $document = json_decode($this->version($house, $number)->document, true, 64, \JSON_THROW_ON_ERROR);

        return Model::fromDocument($document);
    }

    /** Imports a house whole; the same id again is the same house. */
    public function import(User $user, Uuid $id, string $address, string $json): House
    {
        $known = $this->entities->find(House::class, $id);
        if (null !== $known) {
            return $this->find($user, $id->toRfc4122());
        }
        $this->documents->decode($json);
        $house = new House($id, $user->firm, $address);
        $house->version = 1;
        $this->entities->persist($house);
        $this->entities->persist(new HouseVersion($id, $user->firm, $house, 1, ['op' => 'import'], $json, $user, $this->clock->now()));
        $this->entities->flush();

        return $house;
    }

    /**
     * Applies one operation on the version it was made for.
     *
     * @param array<array-key, mixed> $operation
     * @param \Closure(Model): void   $check     refuses what the house may not become
     *
     * @throws Problem 409 when the house has moved on, or the id stands for another operation
     */
    public function change(User $user, House $house, Uuid $id, int $baseVersion, array $operation, \Closure $check): HouseVersion
    {
        $known = $this->entities->find(HouseVersion::class, $id);
        if (null !== $known) {
            if (!$known->house->id->equals($house->id) || $known->operation != $operation) {
                throw Problem::conflict('This id already stands for another operation. Make a new id.', '/id');
            }

            return $known;
        }
        if ($baseVersion !== $house->version) {
            throw Problem::conflict(\sprintf('The house is at version %d, and this change was made on version %d. Load it again and repeat the change; nothing was stored.', $house->version, $baseVersion), '/baseVersion');
        }
        $document = HouseEdit::apply($this->model($house)->document, $operation);
        $json = HouseDocument::encode($document);
        $check($this->documents->decode($json));
        /** @var array<string, mixed> $operation */
        $version = new HouseVersion($id, $user->firm, $house, $house->version + 1, $operation, $json, $user, $this->clock->now());
        $house->version = $version->number;
        $this->entities->persist($version);
        try {
            $this->entities->flush();
        } catch (UniqueConstraintViolationException) {
            throw Problem::conflict('Somebody else changed the house at the same moment. Load it again and repeat the change; nothing was stored.', '/baseVersion');
        }

        return $version;
    }
}
