<?php

declare(strict_types=1);

namespace App\Command;

use App\Call\TradeData;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Command\SignalableCommandInterface;
use Symfony\Component\Console\Helper\ProgressBar;
use Symfony\Component\Console\Helper\Table;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\ConsoleOutputInterface;
use Symfony\Component\Console\Output\NullOutput;
use Symfony\Component\Console\Output\OutputInterface;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use YellowProbe\Diagnosis\StopAdvice;
use YellowProbe\Evaluation\FixedOrder;
use YellowProbe\Evaluation\Halving;
use YellowProbe\Evaluation\MatchedWorld;
use YellowProbe\Evaluation\MismatchedWorld;
use YellowProbe\Evaluation\PairedWorld;
use YellowProbe\Evaluation\Score;
use YellowProbe\Evaluation\Summary;

/** Hidden faults by the dozen through the planner to its stop, in houses of all three rule sets. */
#[AsCommand('evaluate', 'How good the diagnosis is: hidden faults through the planner, as JSON or a table')]
final class EvaluateCommand extends Command implements SignalableCommandInterface
{
    private const HOUSES = ['demo/bench/house-150.json', 'demo/houses/panel-with-multiwire.json', 'demo/houses/rod-and-outbuilding.json', 'demo/houses/earth-leakage-unit.json'];

    private bool $isStopped = false;

    public function __construct(private readonly HouseFile $files, private readonly TradeData $trade, #[Autowire('%kernel.project_dir%')] private readonly string $projectDir)
    {
        parent::__construct();
    }

    protected function configure(): void
    {
        $this->addOption('visits', null, InputOption::VALUE_REQUIRED, 'Visits to each house', '25')
            ->addOption('seed', null, InputOption::VALUE_REQUIRED, 'Another seed, other faults', '1')
            ->addOption('world', null, InputOption::VALUE_REQUIRED, 'matched, mismatched, or paired', 'matched')
            ->addOption('choice', null, InputOption::VALUE_REQUIRED, 'planner; halving or fixed to compare with', 'planner')
            ->addOption('jobs', null, InputOption::VALUE_REQUIRED, 'Processes that share the visits out: as many as there are cores', '1')
            ->addOption('json', null, InputOption::VALUE_NONE, 'As JSON');
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $number = static fn (string $option): int => is_numeric($input->getOption($option)) ? (int) $input->getOption($option) : throw new \InvalidArgumentException("--$option wants a number.");
        $world = match ($input->getOption('world')) {
            'matched' => new MatchedWorld(),
            'paired' => new PairedWorld(),
            'mismatched' => new MismatchedWorld($this->files->object("$this->projectDir/config/evaluation/mismatched.json")),
            default => throw new \InvalidArgumentException('--world is matched, mismatched or paired.'),
        };
        $choice = match ($input->getOption('choice')) {
            'planner' => null,
            'halving' => Halving::choose(...),
            'fixed' => FixedOrder::choose(...),
            default => throw new \InvalidArgumentException('--choice is planner, halving or fixed.'),
        };
        $aside = $output instanceof ConsoleOutputInterface ? $output->getErrorOutput() : new NullOutput();
        // A signal that is handled in the middle of compiled code spoils its loops (one in twenty, of PHP 8.2): it waits until it is asked for.
        pcntl_async_signals(false);
        $houses = [];
        foreach (self::HOUSES as $file) {
            $aside->writeln("$file: which causes no test can tell apart …");
            $houses[] = new EvaluatedHouse($this->files->house("$this->projectDir/$file"), $this->trade->rates());
        }
        $count = \count($houses);
        $progress = new ProgressBar($aside, $count * $number('visits'));
        $progress->start();
        // The houses in turn, so that whatever was done when it is stopped is of all of them.
        $scores = Crew::share($number('jobs'), $count * $number('visits'), static fn (int $at): Score => $houses[$at % $count]->visit(intdiv($at, $count), $number('seed'), $world, $choice), fn (): bool => pcntl_signal_dispatch() && $this->isStopped, $progress->advance(...));
        $progress->clear();
        if ([] === $scores) {
            throw new \InvalidArgumentException($this->isStopped ? 'Stopped before the first visit had ended.' : '--visits has to be at least 1.');
        }
        $sizes = [];
        foreach ($houses as $house) {
            $sizes[$house->house->name] = $house->sizes();
        }
        $present = array_values(array_filter($scores, static fn (Score $score): bool => !$score->isQuiet()));
        $quiet = array_values(array_filter($scores, static fn (Score $score): bool => $score->isQuiet()));
        $missed = [];
        foreach ($scores as $at => $score) {
            if (!$score->isQuiet() && !$score->topThree) {
                $missed[] = ['house' => $houses[$at % $count]->house->name, 'visit' => intdiv($at, $count), 'truth' => $score->truth, 'tests' => (int) $score->tests, 'advice' => $score->advice->value];
            }
        }
        $result = ['world' => $input->getOption('world'), 'choice' => $input->getOption('choice'), 'seed' => $number('seed'), 'visits' => \count($scores), 'groups' => $sizes, 'measures' => ([] === $present ? [] : self::measures($present)) + ([] === $quiet ? [] : ['nothing there: no repair advised' => Summary::mean($quiet, static fn (Score $score): float => (float) !($score->advice->isSure() || StopAdvice::Swap === $score->advice))]), 'kinds' => self::kinds($scores), 'missed' => $missed];
        true === $input->getOption('json') ? $output->writeln(json_encode($result, \JSON_THROW_ON_ERROR | \JSON_PRETTY_PRINT | \JSON_UNESCAPED_UNICODE)) : self::print($output, $result);

        return self::SUCCESS;
    }

    /** Stops after the visits that are under way, and says what came out so far. */
    public function handleSignal(int $signal, int|false $previousExitCode = 0): int|false
    {
        $this->isStopped = true;

        return false;
    }

    /** @return list<int> */
    public function getSubscribedSignals(): array
    {
        return [\SIGINT];
    }

    /**
     * @param non-empty-list<Score> $scores
     *
     * @return array<string, array{mean: float, low: float, high: float}>
     */
    private static function measures(array $scores): array
    {
        $error = Summary::calibrationError($scores);

        return array_map(static fn (callable $value): array => Summary::mean($scores, $value), [
            'right on top' => static fn (Score $score): float => (float) $score->top,
            'right in the top three' => static fn (Score $score): float => (float) $score->topThree,
            'right among the places of the leading suspect' => static fn (Score $score): float => (float) $score->inLead,
            'exact place on top' => static fn (Score $score): float => (float) $score->exact,
            'sure and wrong' => static fn (Score $score): float => (float) $score->sureAndWrong,
            'tests' => static fn (Score $score): float => $score->tests,
            'minutes' => static fn (Score $score): float => $score->minutes,
            'share of something else' => static fn (Score $score): float => $score->somethingElse,
            'advice to repair' => static fn (Score $score): float => (float) $score->advice->isSure(),
        ]) + ['calibration error' => ['mean' => $error, 'low' => $error, 'high' => $error]];
    }

    /**
     * @param list<Score> $scores
     *
     * @return array<string, array{visits: int, top: float, minutes: float, repair: float}>
     */
    private static function kinds(array $scores): array
    {
        $kinds = [];
        foreach ($scores as $score) {
            $kinds[$score->kind][] = $score;
        }
        ksort($kinds);

        return array_map(static fn (array $own): array => [
            'visits' => \count($own),
            'top' => \count(array_filter($own, static fn (Score $score): bool => $score->top)) / \count($own),
            'minutes' => array_sum(array_map(static fn (Score $score): float => $score->minutes, $own)) / \count($own),
            'repair' => \count(array_filter($own, static fn (Score $score): bool => $score->advice->isSure())) / \count($own),
        ], $kinds);
    }

    /** @param array{world: mixed, choice: mixed, seed: int, visits: int, groups: array<string, array{groups: int, largest: int, rules: string}>, measures: array<string, array{mean: float, low: float, high: float}>, kinds: array<string, array{visits: int, top: float, minutes: float, repair: float}>, missed: list<array{house: string, visit: int, truth: string, tests: int, advice: string}>} $result */
    private static function print(OutputInterface $output, array $result): void
    {
        $text = static fn (mixed $value): string => \is_string($value) ? $value : '';
        $output->writeln(\sprintf('%d visits, %s world, by %s, seed %d', $result['visits'], $text($result['world']), $text($result['choice']), $result['seed']));
        foreach ($result['groups'] as $name => $groups) {
            $output->writeln(\sprintf('%s (rules %s): %d groups that a test can tell apart, the largest of %d', $name, $groups['rules'], $groups['groups'], $groups['largest']));
        }
        $table = new Table($output);
        $table->setHeaders(['measure', 'mean', '90 % interval']);
        foreach ($result['measures'] as $name => $measure) {
            $table->addRow([$name, \sprintf('%.3f', $measure['mean']), \sprintf('%.3f – %.3f', $measure['low'], $measure['high'])]);
        }
        $table->render();
        $table = new Table($output);
        $table->setHeaders(['fault', 'visits', 'right on top', 'minutes', 'advised to repair']);
        foreach ($result['kinds'] as $kind => $own) {
            $table->addRow([$kind, $own['visits'], \sprintf('%.2f', $own['top']), \sprintf('%.0f', $own['minutes']), \sprintf('%.2f', $own['repair'])]);
        }
        $table->render();
        foreach ($result['missed'] as $visit) {
            $output->writeln(\sprintf('not in the top three: %s, visit %d: %s after %d tests, advice %s', $visit['house'], $visit['visit'], $visit['truth'], $visit['tests'], $visit['advice']));
        }
    }
}
