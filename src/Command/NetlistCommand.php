<?php

declare(strict_types=1);

namespace App\Command;

use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputArgument;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\OutputInterface;
use YellowProbe\Fault\ResolvedChange;
use YellowProbe\Installation\HouseNetwork;
use YellowProbe\Installation\Supply;
use YellowProbe\Network\Netlist;

/** The netlist behind a reading: the house in the state of a test, with faults, at the tester's frequency. */
#[AsCommand('netlist', 'Export the network of a house file in a state as a netlist')]
final class NetlistCommand extends Command
{
    public function __construct(private readonly TestOptions $options)
    {
        parent::__construct();
    }

    protected function configure(): void
    {
        $this->addArgument('house', InputArgument::REQUIRED, 'House file (JSON)')
            ->addOption('ground', null, InputOption::VALUE_REQUIRED, 'Terminal to be node 0; the mass of earth when left out', HouseNetwork::GROUND);
        $this->options->configure($this);
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $asked = $this->options->read($input);
        $excitation = $asked->measurement->instrument->excitation()->at(Supply::of($asked->house)->hertz);
        $network = HouseNetwork::build($asked->house, $asked->measurement->state, $excitation, probed: $asked->measurement->probed($asked->house));
        $network = ResolvedChange::of($network, $asked->change, $excitation)->network();
        $ground = $input->getOption('ground');
        $output->write(Netlist::of($network, $excitation->hertz, \is_string($ground) ? $ground : HouseNetwork::GROUND, $asked->house->name.', leads on '.implode(' and ', $asked->measurement->connection->terminals)), false, OutputInterface::OUTPUT_RAW);

        return self::SUCCESS;
    }
}
