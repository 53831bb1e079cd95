<?php

declare(strict_types=1);

namespace App\Command;

use Doctrine\DBAL\Connection;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\ArrayInput;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Output\OutputInterface;
use Symfony\Component\Lock\LockFactory;
use Symfony\Component\Lock\Store\DoctrineDbalStore;

/** Brings the tables to this version, one process at a time: others that start at the same moment wait, and find nothing to do. */
#[AsCommand('database:migrate', 'Run the migrations under a lock, as the user who may change tables')]
final class MigrateCommand extends Command
{
    /** A migration that runs longer keeps its lock all the same; a process that died loses it after so long. */
    private const LOCK_SECONDS = 600.0;

    public function __construct(private readonly Connection $connection)
    {
        parent::__construct();
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $store = new DoctrineDbalStore($this->connection);
        if (!$this->connection->createSchemaManager()->tablesExist(['lock_keys'])) {
            $this->connection->executeStatement('CREATE TABLE IF NOT EXISTS lock_keys (key_id VARCHAR(64) NOT NULL PRIMARY KEY, key_token VARCHAR(44) NOT NULL, key_expiration INTEGER UNSIGNED NOT NULL) ENGINE = InnoDB');
        }
        $lock = (new LockFactory($store))->createLock('migrations', self::LOCK_SECONDS);
        $lock->acquire(true);
        try {
            $migrate = $this->getApplication()?->find('doctrine:migrations:migrate') ?? throw new \LogicException('A command runs in an application.');
            $arguments = new ArrayInput(['--allow-no-migration' => true]);
            $arguments->setInteractive(false);

            return $migrate->run($arguments, $output);
        } finally {
            $lock->release();
        }
    }
}
