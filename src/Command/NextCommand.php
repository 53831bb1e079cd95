<?php

declare(strict_types=1);

namespace App\Command;

use App\Words\Say;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputArgument;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\OutputInterface;
use YellowProbe\Diagnosis\Advised;
use YellowProbe\Diagnosis\Candidate;
use YellowProbe\Diagnosis\Contradiction;
use YellowProbe\Diagnosis\Contradictions;
use YellowProbe\Diagnosis\Forcing;
use YellowProbe\Installation\House;
use YellowProbe\Installation\Part;
use YellowProbe\Installation\Place;
use YellowProbe\Installation\StateChange;
use YellowProbe\Procedure\Kit;
use YellowProbe\Procedure\Opened;
use YellowProbe\Procedure\Practice;
use YellowProbe\Safety\ImmediateDanger;

/** Whether to test on, and with what; readings that do not go with the rest are told first. */
#[AsCommand('next', 'Propose the next test of a job file, or say why to stop')]
final class NextCommand extends Command
{
    private const MOST_TESTS = 4;

    public function __construct(private readonly JobFile $jobs, private readonly Say $say)
    {
        parent::__construct();
    }

    protected function configure(): void
    {
        $this->addArgument('job', InputArgument::REQUIRED, 'Job file (JSON)')
            ->addOption('without', null, InputOption::VALUE_REQUIRED | InputOption::VALUE_IS_ARRAY, 'Slug of a tester that is not to hand', [])
            ->addOption('role', null, InputOption::VALUE_REQUIRED, 'What this person may do: '.implode(', ', Practice::ROLES), Practice::ELECTRICIAN)
            ->addOption('residual', null, InputOption::VALUE_REQUIRED, 'Where residual devices are tested: '.implode(', ', Practice::RESIDUAL), 'either')
            ->addOption('loop', null, InputOption::VALUE_REQUIRED, 'How the earth fault loop at a point is found: '.implode(', ', Practice::LOOP), 'measured')
            ->addOption('board-open', null, InputOption::VALUE_NONE, 'The cover of the board is off already')
            ->addOption('json', null, InputOption::VALUE_NONE, 'Print JSON');
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $file = $input->getArgument('job');
        $job = $this->jobs->read(\is_string($file) ? $file : '');
        /** @var list<string> $missing */
        $missing = $input->getOption('without');
        $practice = new Practice(Kit::without($missing), self::word($input, 'role'), self::word($input, 'residual'), self::word($input, 'loop'));
        $opened = self::opened($job->house, true === $input->getOption('board-open'));
        $dangers = ImmediateDanger::of($job->house, $job->ranking, $job->story, $job->now);
        $advised = Advised::of($job->house, $job->ranking, $job->now, $opened, $practice);
        [$stop, $candidates, $forcings] = [$advised->stop, $advised->candidates, $advised->forcings];
        $result = [
            'contradictions' => array_map(static fn (Contradiction $odd): array => ['reading' => (int) $odd->observation, 'words' => $odd->words()], Contradictions::among($job->house, $job->ranking)),
            'dangers' => array_map(static fn (ImmediateDanger $danger): array => ['kind' => $danger->kind, 'place' => $danger->place, 'off' => array_map(static fn (Part $device): string => $device->id, $danger->devices), 'distributor' => $danger->isDistributor], $dangers),
            'advice' => $stop->advice->value,
            'words' => $this->say->of($stop->message(), $job->house->ruleSet),
            'open' => array_map(static fn (Place $place): string => $place->id, $stop->trying->opening->places ?? []),
            'outOfUse' => $stop->trying?->appliance?->id,
            'unexplained' => $stop->unexplained,
            'tests' => array_map(static fn (Candidate $candidate): array => [
                'id' => $candidate->plan->id,
                'words' => $candidate->plan->words,
                'bits' => round($candidate->bits, 3),
                'minutes' => round($candidate->minutes, 1),
                'hazard' => $candidate->plan->procedure->hazard(),
                'steps' => array_map(static fn (StateChange $change): string => $change->words($job->house), $job->now->changesTo($candidate->plan->measurement->state)),
            ], \array_slice($candidates, 0, self::MOST_TESTS)),
            'forcings' => array_map(static fn (Forcing $forcing): array => ['by' => $forcing->by->value, 'words' => $forcing->words(), 'caution' => $forcing->caution(), 'id' => $forcing->plan->id, 'test' => $forcing->plan->words, 'bits' => round($forcing->bits, 3), 'minutes' => round($forcing->minutes, 1)], $forcings),
        ];
        if (true === $input->getOption('json')) {
            $output->writeln(json_encode($result, \JSON_THROW_ON_ERROR | \JSON_PRETTY_PRINT | \JSON_UNESCAPED_UNICODE | \JSON_UNESCAPED_SLASHES));

            return self::SUCCESS;
        }
        foreach ($result['contradictions'] as $odd) {
            $output->writeln(\sprintf('Reading %d: %s', $odd['reading'], $odd['words']));
        }
        $output->writeln($result['words']);
        foreach ($result['unexplained'] as $odd) {
            $output->writeln("    Nothing listed explains $odd");
        }
        foreach ($result['tests'] as $test) {
            $output->writeln(\sprintf('%s (%s), about %.0f min, %.2f bit', $test['words'], $test['id'], $test['minutes'], $test['bits']));
            if ('' !== $test['hazard']) {
                $output->writeln("    ▲ {$test['hazard']}");
            }
            foreach ($test['steps'] as $step) {
                $output->writeln("    $step");
            }
        }
        foreach ($result['forcings'] as $forcing) {
            $output->writeln(\sprintf('%s (%s), and meanwhile %s: about %.0f min, %.2f bit', $forcing['test'], $forcing['id'], $forcing['words'], $forcing['minutes'], $forcing['bits']));
            $output->writeln("    ▲ {$forcing['caution']}");
        }

        return self::SUCCESS;
    }

    private static function word(InputInterface $input, string $option): string
    {
        $word = $input->getOption($option);

        return \is_string($word) ? $word : '';
    }

    private static function opened(House $house, bool $board): Opened
    {
        return Opened::of(...array_map(static fn (Place $place): string => $place->id, array_values(array_filter($house->places, static fn (Place $place): bool => $board && 'board' === $place->kind))));
    }
}
