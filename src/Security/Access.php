<?php

declare(strict_types=1);

namespace App\Security;

use App\Observation\Accepted;
use App\Observation\Accompanied;
use App\Observation\Advised;
use App\Observation\Closed;
use App\Observation\Corrected;
use App\Observation\Decided;
use App\Observation\Done;
use App\Observation\Doubted;
use App\Observation\IsolationStep;
use App\Observation\LeverTried;
use App\Observation\Measured;
use App\Observation\Payload;
use App\Observation\People;
use App\Observation\Placed;
use App\Observation\Repaired;
use App\Observation\Seen;
use App\Observation\Settled;
use App\Observation\Told;
use App\Observation\Tried;
use App\Observation\Unrepaired;
use App\Observation\Withdrawn;

/** Who may do what: the one table of it. */
final class Access
{
    private const ROLES = [
        'owner' => Act::ALL,
        'electrician' => [Act::OWN, Act::SEE, Act::TELL, Act::SURVEY, Act::MEASURE, Act::ACCOMPANY, Act::ACCEPT, Act::CLOSE, Act::EXPORT],
        'trainee' => [Act::OWN, Act::SEE, Act::TELL, Act::SURVEY, Act::MEASURE],
        'office' => [Act::OWN, Act::SEE, Act::TELL, Act::EXPORT],
        'reader' => [Act::OWN, Act::SEE],
    ];

    /** What storing an entry of a kind needs; null where it is what the entry it names needs. */
    private const KINDS = [
        Told::class => Act::TELL, Seen::class => Act::TELL, People::class => Act::TELL, Advised::class => Act::TELL,
        Done::class => Act::MEASURE, IsolationStep::class => Act::MEASURE, LeverTried::class => Act::MEASURE, Measured::class => Act::MEASURE, Placed::class => Act::MEASURE, Doubted::class => Act::MEASURE, Tried::class => Act::MEASURE,
        Accompanied::class => Act::ACCOMPANY,
        Accepted::class => Act::ACCEPT, Decided::class => Act::ACCEPT, Repaired::class => Act::ACCEPT, Unrepaired::class => Act::ACCEPT, Settled::class => Act::ACCEPT,
        Closed::class => Act::CLOSE,
        Corrected::class => null, Withdrawn::class => null,
    ];

    public static function allows(Role $role, string $act): bool
    {
        return \in_array($act, self::ROLES[$role->value], true);
    }

    /** @return list<string> */
    public static function of(Role $role): array
    {
        return self::ROLES[$role->value];
    }

    /** @param Payload|null $target the entry that is corrected or withdrawn; null when there is none, or it cannot be read */
    public static function needed(Payload $payload, ?Payload $target): string
    {
        return self::KINDS[$payload::class] ?? (null === $target ? Act::MEASURE : self::KINDS[$target::class] ?? Act::MEASURE);
    }
}
