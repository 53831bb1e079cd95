<?php

declare(strict_types=1);

namespace App\Call;

use App\Api\View\InHandView;
use App\Entity\Call;
use App\Entity\User;
use Doctrine\DBAL\Connection;
use Symfony\Component\Uid\Uuid;

/** What each person has in hand on a call. No evidence: it is put down again without a trace. */
final readonly class InHand
{
    public function __construct(private Connection $connection)
    {
    }

    public function of(Call $call, User $user): InHandView
    {
        /** @var array{test: string, run: string, since: string|null, left_out: string, forced: string}|false $row */
        $row = $this->connection->fetchAssociative('SELECT test, run, since, left_out, forced FROM in_hand WHERE call_id = ? AND user_id = ?', [$call->id, $user->id], ['uuid', 'uuid']);

        return false === $row ? new InHandView('', '', '', [], []) : new InHandView($row['test'], $row['run'], null === $row['since'] ? '' : Uuid::fromBinary($row['since'])->toRfc4122(), self::words($row['left_out']), self::words($row['forced']));
    }

    /**
     * @param list<string> $leftOut
     * @param list<string> $forced
     */
    public function take(Call $call, User $user, string $test, string $run, ?Uuid $since, array $leftOut, array $forced): void
    {
        $this->connection->executeStatement(
            'REPLACE INTO in_hand (call_id, user_id, firm_id, test, run, since, left_out, forced, at) VALUES (?, ?, ?, ?, ?, ?, ?, ?, NOW(6))',
            [$call->id, $user->id, $call->firm->id, $test, $run, $since, json_encode($leftOut, \JSON_THROW_ON_ERROR), json_encode($forced, \JSON_THROW_ON_ERROR)],
            ['uuid', 'uuid', 'uuid', 'string', 'string', 'uuid', 'string', 'string'],
        );
    }

    public function putDown(Call $call, User $user): void
    {
        $this->connection->executeStatement('DELETE FROM in_hand WHERE call_id = ? AND user_id = ?', [$call->id, $user->id], ['uuid', 'uuid']);
    }

    /** @return list<string> */
    private static function words(string $json): array
    {
        $words = json_decode($json, true, 4, \JSON_THROW_ON_ERROR);

        return array_values(array_filter(\is_array($words) ? $words : [], is_string(...)));
    }
}
