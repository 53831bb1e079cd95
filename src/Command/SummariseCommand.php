<?php

declare(strict_types=1);

namespace App\Command;

use App\Call\Summaries;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Output\OutputInterface;

/** Sums up calls from before there were summaries. */
#[AsCommand('calls:summarise', 'Make the summaries that lists are made of, where they are missing')]
final class SummariseCommand extends Command
{
    public function __construct(private readonly Summaries $summaries)
    {
        parent::__construct();
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $output->writeln(\sprintf('%d calls summed up.', $this->summaries->complete()));

        return self::SUCCESS;
    }
}
