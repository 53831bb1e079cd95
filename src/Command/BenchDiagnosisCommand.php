<?php

declare(strict_types=1);

namespace App\Command;

use App\Bench\DiagnosisBench;
use App\Call\TradeData;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Helper\Table;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Output\OutputInterface;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use YellowProbe\Diagnosis\HypothesisSpace;
use YellowProbe\Diagnosis\Story;
use YellowProbe\Procedure\TestCatalogue;

/** Times of the diagnosis on the house of twelve circuits, with the JIT as it is. */
#[AsCommand('bench:diagnosis', 'How long the diagnosis takes: prediction columns, ranking, next tests')]
final class BenchDiagnosisCommand extends Command
{
    public function __construct(private readonly HouseFile $files, private readonly TradeData $trade, #[Autowire('%kernel.project_dir%')] private readonly string $projectDir)
    {
        parent::__construct();
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $house = $this->files->house("$this->projectDir/demo/bench/house-370.json");
        $bench = new DiagnosisBench($house, HypothesisSpace::of($house, $this->trade->rates(), new Story(['residual-trip'])));
        $output->writeln(\sprintf('%s, %d causes, %d readings, %d tests that could be next', $house->name, \count($bench->hypotheses), DiagnosisBench::READINGS, \count(TestCatalogue::plans($house))));
        $table = new Table($output);
        $table->setHeaders(['what', 'ms: median (least–upper quartile)']);
        foreach ($bench->times() as $what => $time) {
            $table->addRow([$what, \sprintf('%.4g (%.4g–%.4g)', $time->median / 1e3, $time->low / 1e3, $time->high / 1e3)]);
        }
        $table->render();

        return self::SUCCESS;
    }
}
