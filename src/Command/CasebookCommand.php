<?php

declare(strict_types=1);

namespace App\Command;

use App\Casebook\CaseFile;
use App\Casebook\StepResult;
use App\Casebook\Walk;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputArgument;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\OutputInterface;

/** Holds diagnosis and proposals against what good electricians concluded, in any directory of such cases. */
#[AsCommand('casebook', 'Walk the cases of a directory and print what is expected and missing')]
final class CasebookCommand extends Command
{
    public function __construct(private readonly HouseFile $files, private readonly Walk $walk)
    {
        parent::__construct();
    }

    protected function configure(): void
    {
        $this->addArgument('directory', InputArgument::REQUIRED, 'Directory of cases (NAME.json, each with its house)')
            ->addOption('case', null, InputOption::VALUE_REQUIRED | InputOption::VALUE_IS_ARRAY, 'Names of the cases to walk; all when left out', [])
            ->addOption('json', null, InputOption::VALUE_NONE, 'Print JSON');
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $directory = $input->getArgument('directory');
        /** @var list<string> $only */
        $only = $input->getOption('case');
        $files = array_filter(\is_string($directory) ? glob("$directory/*.json") ?: [] : [], static fn (string $file): bool => !str_ends_with($file, '.house.json') && ([] === $only || \in_array(basename($file, '.json'), $only, true)));
        if ([] === $files) {
            throw new \RuntimeException('There are no cases in that directory: a file for each is expected, NAME.json.');
        }
        $isJson = true === $input->getOption('json');
        $all = [];
        foreach ($files as $file) {
            $case = CaseFile::read($this->files, $file);
            foreach ($this->walk->through($case) as $result) {
                $all[] = $result;
                $isJson || $this->print($output, $result);
            }
        }
        $met = \count(array_filter($all, static fn (StepResult $result): bool => $result->isMet()));
        $forbidden = \count(array_filter($all, static fn (StepResult $result): bool => $result->isForbidden));
        $unmatched = array_sum(array_map(static fn (StepResult $result): int => \count($result->unmatched), $all));
        $due = array_filter($all, static fn (StepResult $result): bool => $result->isDangerDue);
        $asked = [];
        $needless = 0;
        foreach ($all as $result) {
            $asked[$result->case] = ($asked[$result->case] ?? false) || $result->isDangerDue;
            $needless += $result->isDangerSaid && !$asked[$result->case] ? 1 : 0;
        }
        if ($isJson) {
            $output->writeln(json_encode(['steps' => \count($all), 'met' => $met, 'forbidden' => $forbidden, 'unmatched' => $unmatched, 'dangerDue' => \count($due), 'dangerNeedless' => $needless, 'results' => array_map(static fn (StepResult $result): array => get_object_vars($result) + ['met' => $result->isMet()], $all)], \JSON_THROW_ON_ERROR | \JSON_PRETTY_PRINT | \JSON_UNESCAPED_UNICODE | \JSON_UNESCAPED_SLASHES));
        } else {
            $output->writeln(\sprintf('%d of %d steps met, %d with something proposed that is never done, %d acts in words that nothing can be compared with, danger due at %d and said needlessly at %d, longest step %.1f s', $met, \count($all), $forbidden, $unmatched, \count($due), $needless, max([0.0, ...array_map(static fn (StepResult $result): float => $result->seconds, $all)])));
        }

        return self::SUCCESS;
    }

    private function print(OutputInterface $output, StepResult $result): void
    {
        $output->writeln(\sprintf('%s.%d %s  %s', $result->case, $result->step, $result->isMet() ? 'met' : 'MISSED', $result->proposed));
        foreach ($result->missed as $missed) {
            $output->writeln("      $missed");
        }
    }
}
