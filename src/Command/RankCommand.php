<?php

declare(strict_types=1);

namespace App\Command;

use App\Call\TradeData;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputArgument;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\OutputInterface;
use YellowProbe\Diagnosis\Evidence;
use YellowProbe\Diagnosis\HypothesisSpace;
use YellowProbe\Diagnosis\PredictionTable;
use YellowProbe\Diagnosis\Predictor;
use YellowProbe\Diagnosis\Ranker;
use YellowProbe\Diagnosis\Ranking;
use YellowProbe\Diagnosis\Story;
use YellowProbe\Diagnosis\Suspect;
use YellowProbe\Installation\Attributes;
use YellowProbe\Installation\House;
use YellowProbe\Installation\HouseError;
use YellowProbe\Installation\State;
use YellowProbe\Instrument\Connection;
use YellowProbe\Instrument\Instruments;
use YellowProbe\Instrument\Measurement;
use YellowProbe\Instrument\ReadingError;
use YellowProbe\Instrument\ReadingParser;
use YellowProbe\Procedure\TestCatalogue;

/** A job file is {"house": "file.json", "symptoms": [], "contexts": [], "readings": [{"test": id, "raw": "0.83"} or {"instrument", "connection", "state"?, "raw"}]}. */
#[AsCommand('rank', 'Rank the causes that fit the readings of a job file')]
final class RankCommand extends Command
{
    public function __construct(private readonly HouseFile $files, private readonly TradeData $trade)
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
        $file = \is_string($file) ? $file : '';
        $job = $this->files->object($file);
        try {
            $path = $job->string('house');
            $house = $this->files->house(str_starts_with($path, '/') ? $path : \dirname($file)."/$path");
            $ranking = $this->rank($house, $job);
        } catch (HouseError|ReadingError|\OutOfBoundsException $e) {
            throw new \RuntimeException("$file".($e instanceof HouseError ? ", at $e->path" : '').": {$e->getMessage()}", 0, $e);
        }
        $suspects = \array_slice($ranking->suspects(), 0, 8);
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

    private function rank(House $house, Attributes $job): Ranking
    {
        $hypotheses = HypothesisSpace::of($house, $this->trade->rates(), new Story($job->strings('symptoms'), $job->strings('contexts')));
        $plans = TestCatalogue::plans($house);
        $evidence = [];
        foreach ($job->map('readings') as $at => $reading) {
            if ($reading->has('test')) {
                $id = $reading->string('test');
                $measurement = ($plans[$id] ?? throw new HouseError("/readings/$at/test", \sprintf('There is no test "%s" in this house.', $id)))->measurement;
            } else {
                $instrument = Instruments::get($reading->string('instrument'));
                $state = $reading->has('state') ? State::fromArray($reading->object('state')->raw, "/readings/$at/state") : State::resting($house);
                $measurement = new Measurement($state, $instrument, Connection::read($reading->object('connection')->raw, $instrument, $house, "/readings/$at/connection"));
            }
            $evidence[] = new Evidence(\sprintf('%04d', $at), $measurement, ReadingParser::parse($reading->string('raw'), $measurement->instrument), static fn (): PredictionTable => Predictor::table($house, $measurement, $hypotheses), $reading->string('test', $measurement->instrument->words()));
        }

        return Ranker::rank($hypotheses, $evidence);
    }
}
