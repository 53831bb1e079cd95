<?php

declare(strict_types=1);

namespace App\Bench;

use Symfony\Component\Process\Process;
use YellowProbe\Network\Netlist;

/**
 * A general circuit simulator on the same network: one process, one element altered in a loop, one vector saved. What it
 * takes to start and to read the netlist is measured with an empty loop and taken off. What a turn leaves is thrown away,
 * which makes the simulator faster.
 */
final readonly class SimulatorBench
{
    private const PROGRAM = '/usr/bin/ngspice';
    private const LOOPS = 200;
    private const RUNS = 3;
    private const SECONDS_AT_MOST = 120.0;

    public static function isHere(): bool
    {
        return is_executable(self::PROGRAM);
    }

    /** Microseconds a solve. */
    public function time(NetworkBench $bench): Timing
    {
        $taken = [];
        for ($run = 0; $run < self::RUNS; ++$run) {
            $taken[] = max(0.0, $this->run($bench, self::LOOPS) - $this->run($bench, 0)) / self::LOOPS;
        }

        return Timing::among($taken);
    }

    /** @return float microseconds */
    private function run(NetworkBench $bench, int $loops): float
    {
        [$lead, $return] = $bench->nodes();
        $netlist = str_replace(".ac lin 1 50 50\n.end", '.end', Netlist::of($bench->network, 50.0, '@ground', 'bench'));
        $element = 1 === preg_match('/^(R\d+) /m', $netlist, $match) ? $match[1] : throw new \LogicException('A house without a resistance.');
        $loop = <<<LOOP
            .control
            set noaskquit
            save v($lead) v($return)
            let turn = 0
            while turn < $loops
              let ohms = 1 + turn * 0.001
              alter $element = ohms
              ac lin 1 50 50
              destroy all
              setplot const
              let turn = turn + 1
            end
            quit
            .endc
            .end
            LOOP;
        $file = tempnam(sys_get_temp_dir(), 'bench');
        \assert(\is_string($file));
        file_put_contents($file, str_replace("\n.end\n", "\n$loop\n", $netlist));
        try {
            $process = new Process([self::PROGRAM, '-b', $file], null, null, null, self::SECONDS_AT_MOST);
            $begun = hrtime(true);
            $process->mustRun();

            return (hrtime(true) - $begun) / 1e3;
        } finally {
            unlink($file);
        }
    }
}
