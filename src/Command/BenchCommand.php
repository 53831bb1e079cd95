<?php

declare(strict_types=1);

namespace App\Command;

use App\Bench\NetworkBench;
use App\Bench\SimulatorBench;
use App\Bench\Timing;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Helper\Table;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\OutputInterface;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\Process\Process;

/**
 * Times of the computation on the houses that ship for it, with the JIT on and off, beside a general simulator on the same
 * networks in the same run.
 */
#[AsCommand('bench', 'How long the network takes: elimination, solutions, faulted readings')]
final class BenchCommand extends Command
{
    private const HOUSES = ['150', '370', '900', '1800'];
    private const SECONDS_AT_MOST = 600.0;
    private const ROUNDS = 60;
    /** In turn again, and of each time the quickest: a machine that others use too slows down for seconds at a time. */
    private const TURNS = 4;

    public function __construct(private readonly HouseFile $files, #[Autowire('%kernel.project_dir%')] private readonly string $projectDir)
    {
        parent::__construct();
    }

    protected function configure(): void
    {
        $this->addOption('json', null, InputOption::VALUE_NONE, 'As JSON')
            ->addOption('here', null, InputOption::VALUE_NONE, 'In this process, with the JIT as it is, without the simulator; as JSON');
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        if (true === $input->getOption('here')) {
            $output->writeln(json_encode(array_map(static fn (array $times): array => array_map(static fn (Timing $time): array => $time->toArray(), $times), $this->here()), \JSON_THROW_ON_ERROR));

            return self::SUCCESS;
        }
        $turns = ['jit' => [], 'interpreted' => [], 'simulator' => []];
        for ($turn = 0; $turn < self::TURNS; ++$turn) {
            $turns['jit'][] = $this->elsewhere('tracing');
            $turns['interpreted'][] = $this->elsewhere('disable');
            $turns['simulator'][] = SimulatorBench::isHere() ? $this->simulated() : [];
        }
        $result = array_map(self::quickest(...), $turns);
        if (true === $input->getOption('json')) {
            $output->writeln(json_encode($result, \JSON_THROW_ON_ERROR | \JSON_PRETTY_PRINT));

            return self::SUCCESS;
        }
        $this->print($output, $result);

        return self::SUCCESS;
    }

    /** @return array<int, array<string, Timing>> nodes => what => time */
    private function here(): array
    {
        $benches = array_map($this->bench(...), self::HOUSES);
        $factors = $times = [];
        // In turn, so that a machine that slows down slows all sizes alike.
        for ($round = -self::ROUNDS; $round < self::ROUNDS; ++$round) {
            foreach ($benches as $bench) {
                $time = $bench->factor();
                if ($round >= 0) {
                    $factors[$bench->network->nodeCount][$round] = $time;
                }
            }
        }
        foreach ($benches as $bench) {
            $nodes = $bench->network->nodeCount;
            $times[$nodes] = ['factor' => Timing::among($factors[$nodes])] + $bench->times();
        }

        return $times;
    }

    private function bench(string $size): NetworkBench
    {
        return new NetworkBench($this->files->house("$this->projectDir/demo/bench/house-$size.json"));
    }

    /** @return array<int, array<string, array{median: float, low: float, high: float}>> */
    private function elsewhere(string $jit): array
    {
        $process = new Process([\PHP_BINARY, '-d', 'opcache.enable_cli=1', '-d', "opcache.jit=$jit", '-d', 'opcache.jit_buffer_size=96M', "$this->projectDir/bin/console", 'bench', '--here'], null, null, null, self::SECONDS_AT_MOST);
        /** @var array<int, array<string, array{median: float, low: float, high: float}>> $times */
        $times = json_decode($process->mustRun()->getOutput(), true, 8, \JSON_THROW_ON_ERROR);

        return $times;
    }

    /** @return array<int, array<string, array{median: float, low: float, high: float}>> */
    private function simulated(): array
    {
        $times = [];
        foreach (self::HOUSES as $size) {
            $bench = $this->bench($size);
            $times[$bench->network->nodeCount] = ['a solve' => (new SimulatorBench())->time($bench)->toArray()];
        }

        return $times;
    }

    /**
     * Of each time the turn with the least median.
     *
     * @param non-empty-list<array<int, array<string, array{median: float, low: float, high: float}>>> $turns
     *
     * @return array<int, array<string, array{median: float, low: float, high: float}>>
     */
    private static function quickest(array $turns): array
    {
        $quickest = [];
        foreach ($turns[0] as $nodes => $times) {
            foreach (array_keys($times) as $what) {
                $all = array_map(static fn (array $turn): array => $turn[$nodes][$what], $turns);
                usort($all, static fn (array $a, array $b): int => $a['median'] <=> $b['median']);
                $quickest[$nodes][$what] = $all[0];
            }
        }

        return $quickest;
    }

    /** @param array<string, array<int, array<string, array{median: float, low: float, high: float}>>> $result */
    private function print(OutputInterface $output, array $result): void
    {
        $words = static fn (array $time): string => \sprintf('%.4g (%.4g–%.4g)', $time['median'], $time['low'], $time['high']);
        $table = new Table($output);
        $table->setHeaders(['nodes', 'what', 'JIT, µs: median (least–upper quartile)', 'interpreted, µs', 'of one solve of the simulator']);
        foreach ($result['jit'] as $nodes => $times) {
            $simulator = $result['simulator'][$nodes]['a solve'] ?? null;
            foreach ($times as $what => $time) {
                $table->addRow([$nodes, $what, $words($time), $words($result['interpreted'][$nodes][$what]), null === $simulator ? '–' : \sprintf('%.3g', $time['median'] / $simulator['median'])]);
            }
            $table->addRow([$nodes, 'the simulator, a solve', null === $simulator ? 'not here' : $words($simulator), '', '1']);
        }
        $table->render();
        $sizes = array_keys($result['jit']);
        foreach (\array_slice($sizes, 1) as $at => $nodes) {
            $output->writeln(\sprintf('Twice the nodes take %.2f times as long (%d to %d, factor).', ($result['jit'][$nodes]['factor']['median'] / $result['jit'][$sizes[$at]]['factor']['median']) ** (log(2) / log($nodes / $sizes[$at])), $sizes[$at], $nodes));
        }
    }
}
