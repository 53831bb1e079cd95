<?php

declare(strict_types=1);

namespace App\Command;

use App\Demo\Demo;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Output\OutputInterface;

#[AsCommand('demo:seed', 'Put the demonstration firm, houses and calls into an empty database')]
final class SeedCommand extends Command
{
    public function __construct(private readonly Demo $demo)
    {
        parent::__construct();
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $output->writeln($this->demo->seed() ? 'Demonstration data stored.' : 'There is data already; nothing was changed.');

        return self::SUCCESS;
    }
}
