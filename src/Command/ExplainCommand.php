<?php

declare(strict_types=1);

namespace App\Command;

use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Helper\Table;
use Symfony\Component\Console\Input\InputArgument;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Output\OutputInterface;
use YellowProbe\Installation\Labels;
use YellowProbe\Instrument\CurrentPath;

#[AsCommand('explain', 'The way a test current takes, element by element, with its share of the current and of the resistance')]
final class ExplainCommand extends Command
{
    public function __construct(private readonly TestOptions $options)
    {
        parent::__construct();
    }

    protected function configure(): void
    {
        $this->addArgument('house', InputArgument::REQUIRED, 'House file (JSON)');
        $this->options->configure($this);
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $asked = $this->options->read($input);
        $path = CurrentPath::of($asked->house, $asked->measurement, $asked->change);
        if ([] === $path->steps) {
            $output->writeln('No current flows: nothing joins the leads, or the tester has none.');

            return self::SUCCESS;
        }
        $output->writeln(\sprintf('%s: %.4g Ω between its leads', $asked->measurement->instrument->words(), $path->ohms));
        $table = new Table($output);
        $table->setHeaders(['What it passes', 'of the current', 'of the resistance', 'Ω in the reading']);
        foreach ($path->steps as $step) {
            if ($step->resistance >= 0.001) {
                $table->addRow([Labels::element($asked->house, $step->element), \sprintf('%.1f %%', 100.0 * $step->current), \sprintf('%.1f %%', 100.0 * $step->resistance), \sprintf('%.4g', $step->ohms)]);
            }
        }
        $table->render();

        return self::SUCCESS;
    }
}
