<?php

declare(strict_types=1);

namespace App\Command;

use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputArgument;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\OutputInterface;
use YellowProbe\Diagnosis\Expectation;
use YellowProbe\Diagnosis\Predictor;
use YellowProbe\Instrument\Bench;
use YellowProbe\Instrument\ReadingFormat;
use YellowProbe\Procedure\Obstacle;

#[AsCommand('predict', 'What a tester shows in a house file, in a state, with faults')]
final class PredictCommand extends Command
{
    public function __construct(private readonly TestOptions $options)
    {
        parent::__construct();
    }

    protected function configure(): void
    {
        $this->addArgument('house', InputArgument::REQUIRED, 'House file (JSON)')
            ->addOption('json', null, InputOption::VALUE_NONE, 'Print JSON');
        $this->options->configure($this);
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $asked = $this->options->read($input);
        $measurement = $asked->measurement;
        $sound = new Expectation(Predictor::sound($asked->house, $measurement), $measurement->instrument);
        $shown = (new Bench($asked->house, $measurement->state, $measurement->instrument, $measurement->connection))->read($asked->change);
        $obstacle = Obstacle::of($asked->house, $measurement);
        $shows = ReadingFormat::shown($shown, $measurement->instrument);
        if (true === $input->getOption('json')) {
            $output->writeln(json_encode([
                'tester' => $measurement->instrument->slug(),
                'sound' => $sound->text(),
                'range' => $sound->range(),
                'shows' => $shows,
                'kind' => $shown->kind->value,
                'value' => is_finite($shown->value) ? $shown->value : null,
                'faults' => $asked->faults,
                'obstacle' => $obstacle?->words,
            ], \JSON_THROW_ON_ERROR | \JSON_PRETTY_PRINT | \JSON_UNESCAPED_UNICODE | \JSON_UNESCAPED_SLASHES));

            return self::SUCCESS;
        }
        if (null !== $obstacle) {
            $output->writeln($obstacle->words);
        }
        $output->writeln(\sprintf("%s\nAs surveyed: %s (%s)\nWith faults: %s", $measurement->instrument->words(), $sound->text(), $sound->range(), $shows));

        return self::SUCCESS;
    }
}
