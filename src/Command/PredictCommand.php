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
use YellowProbe\Fault\Change;
use YellowProbe\Fault\Fault;
use YellowProbe\Installation\HouseError;
use YellowProbe\Installation\State;
use YellowProbe\Instrument\Bench;
use YellowProbe\Instrument\Connection;
use YellowProbe\Instrument\Instruments;
use YellowProbe\Instrument\Measurement;
use YellowProbe\Instrument\ReadingFormat;
use YellowProbe\Procedure\TestCatalogue;

#[AsCommand('predict', 'What a tester shows in a house file, in a state, with faults')]
final class PredictCommand extends Command
{
    public function __construct(private readonly HouseFile $files)
    {
        parent::__construct();
    }

    protected function configure(): void
    {
        $this->addArgument('house', InputArgument::REQUIRED, 'House file (JSON)')
            ->addOption('test', null, InputOption::VALUE_REQUIRED, 'A test of the catalogue by its id, such as "zs:s4.front:L-E"; it brings its own state')
            ->addOption('tester', null, InputOption::VALUE_REQUIRED, 'Or a tester, such as "low-ohm"')
            ->addOption('at', null, InputOption::VALUE_REQUIRED, 'with its terminals, "s4.front-L,s4.front-E", or for a clamp "+c1/L,+c1/N"')
            ->addOption('state', null, InputOption::VALUE_REQUIRED, 'State as JSON: {"positions": {…}, "lifted": […], "links": […], "loads": {…}}')
            ->addOption('fault', null, InputOption::VALUE_REQUIRED | InputOption::VALUE_IS_ARRAY, 'kind|site or kind|site|ohms, such as "open-cpc|c4/E@2"')
            ->addOption('json', null, InputOption::VALUE_NONE, 'Print JSON');
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        try {
            $result = $this->predict($input);
        } catch (HouseError $e) {
            throw new \RuntimeException($this->text($input, 'house').", at $e->path: {$e->getMessage()}", 0, $e);
        }
        if (true === $input->getOption('json')) {
            $output->writeln(json_encode($result, \JSON_THROW_ON_ERROR | \JSON_PRETTY_PRINT | \JSON_UNESCAPED_UNICODE | \JSON_UNESCAPED_SLASHES));
        } else {
            $output->writeln(\sprintf("%s\nAs surveyed: %s (%s)\nWith faults: %s", $result['tester'], $result['sound'], $result['range'], $result['shows']));
        }

        return self::SUCCESS;
    }

    /** @return array{tester: string, sound: string, range: string, shows: string, kind: string, value: float|null, faults: list<string>} */
    private function predict(InputInterface $input): array
    {
        $house = $this->files->house($this->text($input, 'house'));
        $test = $this->text($input, 'test');
        if ('' !== $test) {
            $plan = TestCatalogue::plans($house)[$test] ?? throw new \RuntimeException(\sprintf('There is no test "%s" in this house; there are: %s', $test, implode(', ', array_keys(TestCatalogue::plans($house)))));
            $measurement = $plan->measurement;
        } else {
            $instrument = Instruments::get($this->text($input, 'tester'));
            $at = explode(',', $this->text($input, 'at'));
            $connection = Connection::read([] === $instrument->leads() ? ['around' => $at] : ['terminals' => $at], $instrument, $house, '/at');
            $measurement = new Measurement(State::resting($house), $instrument, $connection);
        }
        $state = $this->text($input, 'state');
        if ('' !== $state) {
            $raw = json_decode($state, true, 16, \JSON_THROW_ON_ERROR);
            $measurement = new Measurement(State::fromArray(\is_array($raw) ? $raw : [], '/state'), $measurement->instrument, $measurement->connection);
        }
        $change = new Change();
        $faults = [];
        /** @var list<string> $named */
        $named = $input->getOption('fault');
        foreach ($named as $fault) {
            $given = explode('|', $fault);
            [$kind, $site, $ohms] = [$given[0], $given[1] ?? '', $given[2] ?? null];
            $change = $change->and(Fault::at($house, $kind, $site, null === $ohms ? null : (float) $ohms)->change($house));
            $faults[] = $fault;
        }
        $sound = new Expectation(Predictor::sound($house, $measurement), $measurement->instrument);
        $shown = (new Bench($house, $measurement->state, $measurement->instrument, $measurement->connection))->read($change);

        return [
            'tester' => $measurement->instrument->slug(),
            'sound' => $sound->text(),
            'range' => $sound->range(),
            'shows' => ReadingFormat::shown($shown, $measurement->instrument),
            'kind' => $shown->kind->value,
            'value' => is_finite($shown->value) ? $shown->value : null,
            'faults' => $faults,
        ];
    }

    private function text(InputInterface $input, string $name): string
    {
        $value = $input->hasArgument($name) ? $input->getArgument($name) : $input->getOption($name);

        return \is_string($value) ? $value : '';
    }
}
