<?php

declare(strict_types=1);

namespace App\Bench;

use YellowProbe\Fault\Change;
use YellowProbe\Fault\Fault;
use YellowProbe\Fault\FaultCatalogue;
use YellowProbe\Installation\Excitation;
use YellowProbe\Installation\House;
use YellowProbe\Installation\HouseNetwork;
use YellowProbe\Installation\Part\Outlets;
use YellowProbe\Installation\State;
use YellowProbe\Instrument\Bench;
use YellowProbe\Instrument\Connection;
use YellowProbe\Instrument\Instruments;
use YellowProbe\Network\Complex;
use YellowProbe\Network\Elimination;
use YellowProbe\Network\Influence;
use YellowProbe\Network\Network;

/** The times of one house: its network eliminated and solved, and faulted readings one by one and by the thousand. */
final readonly class NetworkBench
{
    private const RUNS = 60;
    private const BATCH = 1000;

    public Network $network;
    private int $lead;
    private int $return;
    private Connection $connection;

    public function __construct(private House $house)
    {
        $outlets = Outlets::all($house);
        [$part, $outlet] = $outlets[\count($outlets) - 1];
        $this->connection = Connection::leads($part->terminal("$outlet-L"), $part->terminal("$outlet-N"));
        $this->network = HouseNetwork::build($house, State::resting($house), Excitation::mains());
        [$this->lead, $this->return] = array_map($this->network->node(...), $this->connection->terminals);
    }

    /** @return array<string, Timing> microseconds of all but the elimination, {@see factor()} */
    public function times(): array
    {
        $elimination = Elimination::of($this->network, $this->return, [$this->lead]);
        $influence = Influence::on($elimination, [[$this->lead => new Complex(1.0)]], 1);
        [$contacts, $opened] = $this->faults();
        $bench = $this->bench();
        $bench->prepare();
        $at = 0;
        [$a, $b, $siemens] = $this->thousand();

        return [
            'solve' => Timing::of(static fn () => $elimination->voltages(), self::RUNS, 1),
            'prepare' => Timing::of(fn () => Influence::on($elimination, [[$this->lead => new Complex(1.0)]], 1), self::RUNS),
            'one fault, closed form' => Timing::of(static function () use ($influence, $a, $b, $siemens, &$at): void {
                $at = ($at + 1) % self::BATCH;
                $influence->moved([[$a[$at], $b[$at], $siemens[$at], 0.0, 0.0, 0.0]]);
            }, 4 * self::BATCH),
            'one fault, displayed' => Timing::of(static function () use ($bench, $contacts): void {
                foreach ($contacts as $change) {
                    $bench->read($change);
                }
            }, self::RUNS, \count($contacts)),
            'a batch, per fault' => Timing::of(static fn () => $influence->batch($a, $b, $siemens), self::RUNS, self::BATCH),
            'one bridge opened, displayed' => Timing::of(static function () use ($bench, $opened): void {
                foreach ($opened as $change) {
                    $bench->read($change);
                }
            }, self::RUNS, \count($opened)),
        ];
    }

    /** One elimination, µs. */
    public function factor(): float
    {
        $begun = hrtime(true);
        Elimination::of($this->network, $this->return, [$this->lead]);

        return (hrtime(true) - $begun) / 1e3;
    }

    /** @return array{string, string} nodes of the netlist that the leads are on */
    public function nodes(): array
    {
        return ['n'.($this->lead + 1), 'n'.($this->return + 1)];
    }

    private function bench(): Bench
    {
        return new Bench($this->house, State::resting($this->house), Instruments::get('voltmeter-high-z'), $this->connection);
    }

    /** @return array{non-empty-list<Change>, non-empty-list<Change>} contacts, and opened conductors of radials */
    private function faults(): array
    {
        $changes = static function (House $house, string $slug): array {
            $kind = FaultCatalogue::get($slug);
            $found = [];
            foreach ($kind->sites($house) as $site) {
                $found[] = (new Fault($kind, $site, $kind->severities()[intdiv(\count($kind->severities()), 2)]))->change($house);
            }

            return \array_slice($found, 0, 60);
        };
        $contacts = $changes($this->house, 'neutral-earth-fault');
        $opened = $changes($this->house, 'open-neutral');
        \assert([] !== $contacts && [] !== $opened);

        return [$contacts, $opened];
    }

    /** @return array{list<int>, list<int>, list<float>} a thousand contacts between line, neutral and earth of the points */
    private function thousand(): array
    {
        $a = $b = $siemens = [];
        $points = Outlets::points($this->house);
        for ($at = 0; $at < self::BATCH; ++$at) {
            $point = $points[intdiv($at, 7) % \count($points)];
            [$one, $other] = [['N', 'E'], ['L', 'E'], ['L', 'N']][intdiv($at, 7 * \count($points)) % 3];
            $a[] = $this->network->node(Outlets::screw($point, $one));
            $b[] = $this->network->node(Outlets::screw($point, $other));
            $siemens[] = 10.0 ** (2 - $at % 7);
        }

        return [$a, $b, $siemens];
    }
}
