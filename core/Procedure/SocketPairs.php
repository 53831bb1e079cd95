<?php

declare(strict_types=1);

namespace YellowProbe\Procedure;

use YellowProbe\Installation\House;
use YellowProbe\Installation\Part\Outlets;
use YellowProbe\Instrument\Connection;

/** Live tests between two contacts of an outlet, covers on. */
abstract readonly class SocketPairs extends EnteredTest
{
    /**
     * @param list<array{string, string}> $pairs   contacts of leads A and B, such as L and E
     * @param string                      $leading what is done: "Volts", "Loop"
     */
    protected function __construct(string $slug, private string $instrument, private array $pairs, private string $leading)
    {
        parent::__construct($slug);
    }

    public function plans(House $house): array
    {
        $plans = [];
        foreach (Outlets::all($house) as [$part, $outlet]) {
            foreach ($this->pairs as [$a, $b]) {
                $plans[] = $this->plan("$part->id.$outlet:$a-$b", \sprintf('%s %s–%s at %s', $this->leading, $a, $b, $part->name), States::outletOn($house, $part, $outlet), $this->instrument, Connection::leads($part->terminal("$outlet-$a"), $part->terminal("$outlet-$b")));
            }
        }

        return $plans;
    }
}
