<?php

declare(strict_types=1);

namespace App\Command;

use App\Bench\Filling;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\OutputInterface;

#[AsCommand('bench:fill', 'Fill a demonstration with many calls, to measure lists and search with them')]
final class FillCommand extends Command
{
    public function __construct(private readonly Filling $filling)
    {
        parent::__construct();
    }

    protected function configure(): void
    {
        foreach (['calls' => 10_000, 'entries' => 90, 'photos' => 3] as $name => $usual) {
            $this->addOption($name, null, InputOption::VALUE_REQUIRED, '', (string) $usual);
        }
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $number = static fn (string $name): int => is_numeric($input->getOption($name)) ? max(0, (int) $input->getOption($name)) : 0;
        $this->filling->fill($number('calls'), $number('entries'), $number('photos'), static fn (int $done) => $output->writeln("$done calls"));

        return self::SUCCESS;
    }
}
