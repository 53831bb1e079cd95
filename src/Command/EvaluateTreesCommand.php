<?php

declare(strict_types=1);

namespace App\Command;

use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\OutputInterface;
use YellowProbe\Evaluation\Dice;
use YellowProbe\Evaluation\OptimalTree;
use YellowProbe\Evaluation\PlannedTree;
use YellowProbe\Evaluation\Puzzle;

/** The planner on diagnoses of ten causes and eight tests, against the best tree there is. */
#[AsCommand('evaluate:trees', 'How far the planner is from the best tree, on diagnoses small enough to be solved')]
final class EvaluateTreesCommand extends Command
{
    protected function configure(): void
    {
        $this->addOption('puzzles', null, InputOption::VALUE_REQUIRED, 'How many', '20')
            ->addOption('seed', null, InputOption::VALUE_REQUIRED, 'Another seed, other puzzles', '1');
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $number = static fn (string $option): int => is_numeric($input->getOption($option)) ? (int) $input->getOption($option) : throw new \InvalidArgumentException("--$option wants a number.");
        $best = $planned = $oneStep = $worst = 0.0;
        for ($at = 0; $at < max(1, $number('puzzles')); ++$at) {
            $puzzle = Puzzle::random(new Dice(crc32("{$number('seed')}|$at")));
            $own = OptimalTree::minutes($puzzle);
            $ahead = PlannedTree::minutes($puzzle);
            $best += $own;
            $planned += $ahead;
            $oneStep += PlannedTree::minutes($puzzle, false);
            $worst = max($worst, $ahead / $own);
        }
        $output->writeln(\sprintf('Expected minutes, wrong repairs included: the best tree %.1f; the planner %.3f times that, %.3f at worst; with one step in view %.3f times.', $best / max(1, $number('puzzles')), $planned / $best, $worst, $oneStep / $best));

        return self::SUCCESS;
    }
}
