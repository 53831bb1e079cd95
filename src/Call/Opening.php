<?php

declare(strict_types=1);

namespace App\Call;

use App\Api\Problem;
use App\Database\Attempts;
use App\Entity\Call;
use App\Entity\House;
use App\Entity\User;
use Doctrine\DBAL\Connection;
use Doctrine\DBAL\Types\Types;
use Doctrine\ORM\EntityManagerInterface;
use Symfony\Component\Uid\Uuid;

/** Opens calls, each once, also when the same request comes twice at the same moment. */
final readonly class Opening
{
    public function __construct(private EntityManagerInterface $entities, private Connection $connection, private Attempts $attempts, private CallStore $calls, private Summaries $summaries)
    {
    }

    /** @throws Problem when the id stands for another call */
    public function open(User $user, Uuid $id, ?House $house, string $address, string $customer, string $complaint, string $visit, \DateTimeImmutable $at): Call
    {
        $this->attempts->of(function () use ($user, $id, $house, $address, $customer, $complaint, $visit, $at): void {
            if (null !== $this->entities->find(Call::class, $id)) {
                return;
            }
            $this->connection->insert('callout', ['id' => $id, 'firm_id' => $user->firm->id, 'house_id' => $house?->id, 'address' => $address, 'customer' => $customer, 'complaint' => $complaint, 'visit' => $visit, 'opened_at' => $at], ['id' => 'uuid', 'firm_id' => 'uuid', 'house_id' => 'uuid', 'opened_at' => Types::DATETIME_IMMUTABLE]);
            $this->summaries->write(new Call($id, $user->firm, $house, $address, $customer, $complaint, $visit, $at), new Journal([], null));
        });
        $call = $this->calls->find($user, $id->toRfc4122());
        if ([$call->address, $call->customer, $call->complaint, $call->visit] !== [$address, $customer, $complaint, $visit]) {
            throw Problem::conflict('This id already stands for another call. Make a new id; the one stored stays as it is.', '/id');
        }

        return $call;
    }
}
