<?php

declare(strict_types=1);

namespace App\Security;

use Symfony\Component\HttpFoundation\Session\Storage\Handler\PdoSessionHandler;

/** Sessions in the database. One that has not changed is written now and then only: most requests read, and a write waits for the disk. */
final class Sessions extends PdoSessionHandler
{
    /** A session lives for weeks; of so many requests one says that it is still used. */
    private const ONE_OF = 50;

    public function updateTimestamp(#[\SensitiveParameter] string $sessionId, string $data): bool
    {
        return 1 !== random_int(1, self::ONE_OF) || parent::updateTimestamp($sessionId, $data);
    }
}
