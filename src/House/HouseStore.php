<?php

declare(strict_types=1);

namespace App\House;

use App\Api\Problem;
use App\Api\View\HouseSummary;
use App\Database\Attempts;
use App\Entity\Firm;
use App\Entity\House;
use App\Entity\HouseVersion;
use App\Entity\User;
use Doctrine\DBAL\Types\Types;
use Doctrine\ORM\EntityManagerInterface;
use Symfony\Component\Clock\ClockInterface;
use Symfony\Component\Uid\Uuid;
use YellowProbe\Installation\House as Model;
use YellowProbe\Installation\HouseEdit;

/** Houses of a firm: found, imported, changed by operations, every version kept. */
final readonly class HouseStore
{
    /** Houses that a search answers with at most. */
    private const FOUND = 50;

    public function __construct(private EntityManagerInterface $entities, private HouseDocument $documents, private Attempts $attempts, private ClockInterface $clock)
    {
    }

    public function find(User $user, string $id): House
    {
        $house = Uuid::isValid($id) ? $this->entities->getRepository(House::class)->findOneBy(['id' => Uuid::fromString($id), 'firm' => $user->firm]) : null;

        return $house ?? throw Problem::notFound();
    }

    /** @return list<HouseSummary> by address, at most {@see FOUND} */
    public function search(Firm $firm, string $search): array
    {
        $query = $this->entities->createQueryBuilder()->select('h')->from(House::class, 'h')->where('h.firm = :firm')->setParameter('firm', $firm->id, 'uuid')->orderBy('h.address')->addOrderBy('h.id')->setMaxResults(self::FOUND);
        foreach (\array_slice(array_filter(explode(' ', trim($search)), static fn (string $word): bool => '' !== $word), 0, 8) as $at => $word) {
            $query->andWhere("h.address LIKE :word$at")->setParameter("word$at", '%'.addcslashes($word, '%_\\').'%');
        }
        /** @var list<House> $houses */
        $houses = $query->getQuery()->getResult();

        return array_map(static fn (House $house): HouseSummary => new HouseSummary($house->id->toRfc4122(), $house->address, $house->version), $houses);
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

    /**
     * Imports a house whole; the same id again, also at the same moment, is the same house.
     *
     * @throws Problem when the id stands for a house with another address
     */
    public function import(User $user, Uuid $id, string $address, string $json): House
    {
        if (null === $this->entities->find(House::class, $id)) {
            $this->documents->decode($json);
            $house = new House($id, $user->firm, $address);
            $this->attempts->of(function () use ($house, $user, $json): void {
                if (null === $this->entities->find(House::class, $house->id)) {
                    $this->entities->getConnection()->insert('house', ['id' => $house->id, 'firm_id' => $user->firm->id, 'version' => 1, 'address' => $house->address], ['id' => 'uuid', 'firm_id' => 'uuid']);
                    $this->write(new HouseVersion($house->id, $user->firm, $house, 1, ['op' => 'import'], $json, $user, $this->clock->now()));
                }
            });
        }
        $house = $this->find($user, $id->toRfc4122());
        if ($house->address !== $address) {
            throw Problem::conflict('This id already stands for another house. Make a new id.', '/id');
        }

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
        $this->write($version);
        $this->entities->getConnection()->update('house', ['version' => $version->number], ['id' => $house->id], ['id' => 'uuid']);
        $house->version = $version->number;

        return $version;
    }

    /** Written without the entity manager, which an attempt that failed would close for the next. */
    private function write(HouseVersion $version): void
    {
        $this->entities->getConnection()->insert('house_version', [
            'id' => $version->id, 'firm_id' => $version->firm->id, 'house_id' => $version->house->id, 'author_id' => $version->author->id,
            'number' => $version->number, 'operation' => $version->operation, 'document' => $version->document, 'at' => $version->at,
        ], ['id' => 'uuid', 'firm_id' => 'uuid', 'house_id' => 'uuid', 'author_id' => 'uuid', 'operation' => Types::JSON, 'at' => Types::DATETIME_IMMUTABLE]);
    }
}
