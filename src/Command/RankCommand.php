<?php

declare(strict_types=1);

namespace App\Command;

use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputArgument;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\OutputInterface;
use YellowProbe\Diagnosis\Suspect;

/** What still fits, with what speaks for and against it. */
#[AsCommand('rank', 'Rank the causes that fit the readings of a job file')]
final class RankCommand extends Command
{
    public function __construct(private readonly JobFile $jobs)
    {
        parent::__construct();
    }

    protected function configure(): void
    {
        $this->addArgument('job', InputArgument::REQUIRED, 'Job file (JSON)')
            ->addOption('json', null, InputOption::VALUE_NONE, 'Print JSON');
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $file = $input->getArgument('job');
        $suspects = \array_slice($this->jobs->read(\is_string($file) ? $file : '')->ranking->suspects(), 0, 8);
        if (true === $input->getOption('json')) {
            $output->writeln(json_encode(array_map(static fn (Suspect $suspect): array => [
                'hypothesis' => $suspect->lead()->hypothesis->id,
                'title' => $suspect->title(),
                'where' => array_keys($suspect->where()),
                'probability' => $suspect->probability,
                'reasons' => $suspect->reasons(),
            ], $suspects), \JSON_THROW_ON_ERROR | \JSON_PRETTY_PRINT | \JSON_UNESCAPED_UNICODE | \JSON_UNESCAPED_SLASHES));

            return self::SUCCESS;
        }
        foreach ($suspects as $suspect) {
            $output->writeln(\sprintf('%5.1f %%  %s %s', 100.0 * $suspect->probability, $suspect->title(), array_key_first($suspect->where()) ?? ''));
            foreach (\array_slice($suspect->reasons(), 0, 3) as $reason) {
                $output->writeln(\sprintf('         %s %s', $reason['nats'] > 0.0 ? '+' : '−', $reason['sentence']));
            }
        }

        return self::SUCCESS;
    }
}
