<?php

declare(strict_types=1);

namespace App\Controller;

use App\Job\Jobs;
use App\Photo\Disk;
use App\Security\Doors;
use Doctrine\DBAL\Connection;
use Doctrine\DBAL\Exception;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

/** Whether everything that has to run does; for whoever starts, watches or balances servers. It tells nothing of any firm. */
final readonly class HealthController
{
    /** A worker in the middle of a long computation tells less often that it is there. */
    private const WORKER_SECONDS = 20;

    #[Route('/api/health', methods: ['GET'], defaults: [Doors::OPEN => true])]
    public function __invoke(Connection $connection, Jobs $jobs, Disk $disk): JsonResponse
    {
        // The JIT has to be on in the server that answers, not on a command line.
        $status = \function_exists('opcache_get_status') ? opcache_get_status(false) : false;
        $jit = \is_array($status) && \is_array($status['jit'] ?? null) && true === ($status['jit']['on'] ?? false);
        try {
            $connection->fetchOne('SELECT 1 FROM firm LIMIT 1');
            $database = true;
            $workers = $jobs->workers(self::WORKER_SECONDS);
        } catch (Exception) {
            $database = false;
            $workers = 0;
        }
        $ok = $database && $workers > 0;

        return new JsonResponse(['ok' => $ok, 'database' => $database, 'workers' => $workers, 'jit' => $jit, 'disk' => $disk->isNearlyFull() ? 'nearly full' : 'ok'], $ok ? Response::HTTP_OK : Response::HTTP_SERVICE_UNAVAILABLE, ['Cache-Control' => 'no-store']);
    }
}
