<?php

declare(strict_types=1);

namespace YellowProbe\Procedure;

use YellowProbe\Installation\House;
use YellowProbe\Instrument\Connection;

/** Live tests between two contacts of a point. */
abstract readonly class PointPairs extends EnteredTest
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
        foreach (TestPoint::all($house) as $point) {
            foreach ($this->pairs as [$a, $b]) {
                if (isset($point->contacts[$a], $point->contacts[$b])) {
                    $plans[] = $this->plan("$point->id:$a-$b", \sprintf('%s %s–%s at %s', $this->leading, $a, $b, $point->words()), $point->live, $this->instrument, Connection::leads($point->contacts[$a], $point->contacts[$b]));
                }
            }
        }

        return $plans;
    }
}
