<?php

declare(strict_types=1);

namespace App\Command;

use App\Cache\Predictions;
use App\Job\Jobs;
use App\Security\Logins;
use App\Security\Throttle;
use App\Upkeep\Logs;
use Doctrine\DBAL\Connection;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\OutputInterface;

/** What has to be done now and then so that nothing grows without bound. */
#[AsCommand('keep', 'Collect what has expired and turn logs over, again and again')]
final class KeepCommand extends Command
{
    private const ROUND_SECONDS = 60;

    /** The whole of what is kept of computations is looked through more seldom. */
    private const ROUNDS_OF_CACHE = 5;

    public function __construct(private readonly Connection $connection, private readonly Throttle $throttle, private readonly Logins $logins, private readonly Jobs $jobs, private readonly Predictions $predictions, private readonly Logs $logs)
    {
        parent::__construct();
    }

    protected function configure(): void
    {
        $this->addOption('once', null, InputOption::VALUE_NONE, 'One round only');
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $once = true === $input->getOption('once');
        for ($round = 0;; ++$round) {
            $sessions = (int) $this->connection->executeStatement('DELETE FROM session WHERE sess_lifetime < ?', [time()]);
            $done = ['sessions' => $sessions, 'slowed' => $this->throttle->forget(), 'logins' => $this->logins->forget(), 'jobs' => $this->jobs->forget(), 'logs' => \count($this->logs->rotate())];
            if (0 === $round % self::ROUNDS_OF_CACHE) {
                [$before, $after] = $this->predictions->bound();
                $done += ['cache' => $before - $after];
            }
            $output->writeln(json_encode($done, \JSON_THROW_ON_ERROR));
            if ($once) {
                return self::SUCCESS;
            }
            for ($second = 0; $second < self::ROUND_SECONDS; ++$second) {
                sleep(1);
            }
        }
    }
}
