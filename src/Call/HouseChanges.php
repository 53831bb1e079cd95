<?php

declare(strict_types=1);

namespace App\Call;

use App\Api\Problem;
use App\Database\Attempts;
use App\Entity\Call;
use App\Entity\House;
use App\Entity\HouseVersion;
use App\Entity\User;
use App\House\HouseStore;
use App\Observation\Entry;
use App\Words\Say;
use Doctrine\DBAL\Connection;
use Symfony\Component\Uid\Uuid;
use YellowProbe\Installation\House as Model;
use YellowProbe\Words\Message;

/**
 * Changes of houses that calls refer to. They wait for the entries of those calls, and those wait for them; a house may not
 * lose what an entry names.
 */
final readonly class HouseChanges
{
    /** Of the entries that stand in the way, how many are named. */
    private const NAMED = 4;

    public function __construct(private Connection $connection, private Attempts $attempts, private CallStore $calls, private HouseStore $houses, private Summaries $summaries, private Say $say)
    {
    }

    /**
     * @param array<array-key, mixed> $operation
     *
     * @throws Problem 409 when the house has moved on, or would lose what an entry names
     */
    public function change(User $user, House $house, Uuid $id, int $baseVersion, array $operation): HouseVersion
    {
        return $this->attempts->of(function () use ($user, $house, $id, $baseVersion, $operation): HouseVersion {
            $calls = $this->calls->lockAllAt($house);
            $journals = array_map($this->calls->journal(...), $calls);
            $version = $this->houses->change($user, $house, $id, $baseVersion, $operation, function (Model $after) use ($journals): void {
                foreach ($journals as $journal) {
                    $this->keepsNames($journal, $after);
                }
            });
            foreach ($calls as $call) {
                $this->summaries->write($call, $this->calls->journal($call));
            }

            return $version;
        });
    }

    /**
     * Gives a call the house that its survey makes.
     *
     * @param \Closure(): House $made
     *
     * @throws Problem 409 when its entries already name things of the house it has
     */
    public function survey(Call $call, Uuid $houseId, \Closure $made): void
    {
        $this->attempts->of(function () use ($call, $houseId, $made): void {
            $this->calls->lock($call);
            if (true === $call->house?->id->equals($houseId)) {
                return;
            }
            $journal = $this->calls->journal($call);
            if (null !== $call->house && [] !== $journal->names()) {
                throw Problem::conflict('Readings or acts of this call already refer to its house. Change that house piece by piece instead; what is written stays true.');
            }
            $house = $made();
            $this->keepsNames($journal, $this->houses->model($house));
            $this->connection->update('callout', ['house_id' => $house->id], ['id' => $call->id], ['house_id' => 'uuid', 'id' => 'uuid']);
            $call->house = $house;
            $this->summaries->write($call, $this->calls->journal($call));
        });
    }

    private function keepsNames(Journal $journal, Model $after): void
    {
        $lost = [];
        foreach ($journal->names() as $name => $entries) {
            if (!Named::isIn($after, (string) $name)) {
                foreach ($entries as $entry) {
                    $lost[$entry->id()] = $entry;
                }
            }
        }
        if ([] !== $lost) {
            throw Problem::conflict($this->say->of(new Message('refused.named', ['entries' => implode('; ', array_map(static fn (Entry $entry): string => \sprintf('%s, %s', $entry->source->clientAt->format('Y-m-d H:i'), $entry->source->author->name), \array_slice(array_values($lost), 0, self::NAMED))), 'count' => \count($lost)]), $after->ruleSet), '/operation');
        }
    }
}
