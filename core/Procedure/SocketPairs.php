<?php

declare(strict_types=1);

namespace YellowProbe\Procedure;

use YellowProbe\Installation\House;
use YellowProbe\Installation\Part\Socket;
use YellowProbe\Installation\State;
use YellowProbe\Instrument\Connection;
use YellowProbe\Instrument\Instruments;
use YellowProbe\Instrument\Measurement;

/** Live tests between two contacts of an outlet, covers on. */
abstract readonly class SocketPairs implements Procedure
{
    /**
     * @param list<array{string, string}> $pairs   contacts of leads A and B, such as L and E
     * @param string                      $leading what is done: "Volts", "Loop"
     */
    protected function __construct(private string $instrument, private array $pairs, private string $leading, private float $minutes)
    {
    }

    public function plans(House $house): array
    {
        $plans = [];
        foreach ($house->partsOfKind('socket') as $socket) {
            foreach (Socket::outlets($socket) as $outlet) {
                foreach ($this->pairs as [$a, $b]) {
                    $connection = Connection::leads($socket->terminal("$outlet-$a"), $socket->terminal("$outlet-$b"));
                    $plans[] = new TestPlan(
                        $this->slug().":$socket->id.$outlet:$a-$b",
                        $this,
                        \sprintf('%s %s–%s at %s', $this->leading, $a, $b, $socket->name),
                        new Measurement(State::resting($house), Instruments::get($this->instrument), $connection),
                        $this->minutes,
                    );
                }
            }
        }

        return $plans;
    }
}
