<?php

declare(strict_types=1);

namespace YellowProbe\Diagnosis;

use YellowProbe\Fault\FaultSite;
use YellowProbe\Installation\House;

/**
 * What the place of a complaint says of where its cause is. People are seldom right about what it is, and hardly ever wrong
 * about where it shows: what is there is likelier, what is on no circuit that reaches there is next to out.
 */
final readonly class ToldPlaces
{
    /** Doubled, and doubled again. */
    private const THERE = 4.0;

    /** A fault on a circuit that does not reach the place, one in twenty: a wrong name, or two complaints in one. */
    private const ELSEWHERE = 0.05;

    /** @var list<string> circuits that reach a place that was told */
    private array $circuits;

    /** @param list<string> $where places; nothing is said when there is none that the house has */
    public function __construct(private House $house, private array $where)
    {
        $this->circuits = array_merge(...array_map($house->circuitsAt(...), $where));
    }

    /** By how much the site of a fault is likelier than it was before the place was told. */
    public function factor(FaultSite $site): float
    {
        if ([] === $this->circuits) {
            return 1.0;
        }
        if ([] !== array_intersect($site->places, $this->where)) {
            return self::THERE;
        }
        $own = null === $site->circuit ? [] : [$site->circuit];
        foreach ($site->places as $place) {
            if ('point' !== ($this->house->places[$place]->kind ?? '')) {
                // A board or the supply reaches everywhere.
                return 1.0;
            }
            array_push($own, ...$this->house->circuitsAt($place));
        }

        return [] === $own || [] !== array_intersect($own, $this->circuits) ? 1.0 : self::ELSEWHERE;
    }
}
