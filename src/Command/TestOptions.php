<?php

declare(strict_types=1);

namespace App\Command;

use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use YellowProbe\Fault\Change;
use YellowProbe\Fault\Fault;
use YellowProbe\Installation\House;
use YellowProbe\Installation\HouseError;
use YellowProbe\Installation\State;
use YellowProbe\Instrument\Connection;
use YellowProbe\Instrument\Instruments;
use YellowProbe\Instrument\Measurement;
use YellowProbe\Procedure\TestCatalogue;

/** The options that name a test on a command line; errors name the house file and the place. */
final readonly class TestOptions
{
    public function __construct(private HouseFile $files)
    {
    }

    public function configure(Command $command): void
    {
        $command->addOption('test', null, InputOption::VALUE_REQUIRED, 'A test of the catalogue by its id, such as "zs:s4.front:L-E"; it brings its own state')
            ->addOption('tester', null, InputOption::VALUE_REQUIRED, 'Or a tester, such as "low-ohm"')
            ->addOption('at', null, InputOption::VALUE_REQUIRED, 'with its terminals, "s4.front-L,s4.front-E", or for a clamp "+c1/L,+c1/N", or both for a residual tester')
            ->addOption('state', null, InputOption::VALUE_REQUIRED, 'State as JSON: {"positions": {…}, "lifted": […], "links": […], "loads": {…}}')
            ->addOption('fault', null, InputOption::VALUE_REQUIRED | InputOption::VALUE_IS_ARRAY, 'kind|site or kind|site|ohms, such as "open-cpc|c4/E@2"');
    }

    public function read(InputInterface $input): AskedTest
    {
        $file = $input->getArgument('house');
        $file = \is_string($file) ? $file : '';
        $house = $this->files->house($file);
        try {
            $change = new Change();
            /** @var list<string> $faults */
            $faults = $input->getOption('fault');
            foreach ($faults as $fault) {
                $given = explode('|', $fault);
                $change = $change->and(Fault::at($house, $given[0], $given[1] ?? '', isset($given[2]) ? (float) $given[2] : null)->change($house));
            }

            return new AskedTest($house, $this->measurement($house, $input), $change, $faults);
        } catch (HouseError $e) {
            throw new \RuntimeException("$file, at $e->path: {$e->getMessage()}", 0, $e);
        } catch (\OutOfBoundsException|\JsonException $e) {
            throw new \RuntimeException("$file: {$e->getMessage()}", 0, $e);
        }
    }

    private function measurement(House $house, InputInterface $input): Measurement
    {
        $test = $this->text($input, 'test');
        if ('' !== $test) {
            $plans = TestCatalogue::plans($house);
            $measurement = ($plans[$test] ?? throw new \OutOfBoundsException(\sprintf('There is no test "%s" in this house; there are: %s', $test, implode(', ', array_keys($plans)))))->measurement;
        } else {
            $instrument = Instruments::get($this->text($input, 'tester'));
            $at = explode(',', $this->text($input, 'at'));
            $measurement = new Measurement(State::resting($house), $instrument, Connection::read(['terminals' => array_values(array_filter($at, static fn (string $one): bool => !str_starts_with($one, '+') && !str_starts_with($one, '-'))), 'around' => array_values(array_filter($at, static fn (string $one): bool => str_starts_with($one, '+') || str_starts_with($one, '-')))], $instrument, $house, '/at'));
        }
        $state = $this->text($input, 'state');
        if ('' === $state) {
            return $measurement;
        }
        $raw = json_decode($state, true, 16, \JSON_THROW_ON_ERROR);

        return new Measurement(State::fromArray(\is_array($raw) ? $raw : [], '/state'), $measurement->instrument, $measurement->connection);
    }

    private function text(InputInterface $input, string $option): string
    {
        $value = $input->getOption($option);

        return \is_string($value) ? $value : '';
    }
}
