<?php

declare(strict_types=1);

namespace YellowProbe\Procedure;

use YellowProbe\Installation\House;
use YellowProbe\Installation\Part\Outlets;
use YellowProbe\Installation\Ring;
use YellowProbe\Installation\State;
use YellowProbe\Installation\StateChange;
use YellowProbe\Instrument\Connection;

/** Tests of a ring with its six ends out of their terminals. */
abstract readonly class RingTest extends EnteredTest
{
    final public function plans(House $house): array
    {
        $plans = [];
        foreach (Ring::all($house) as $ring) {
            $ends = [];
            foreach (['L', 'N', 'E'] as $key) {
                foreach ([$ring->cables[0], $ring->cables[\count($ring->cables) - 1]] as $leg => $cable) {
                    $joint = Ring::joint($house, $cable, $key, null);
                    if (null !== $joint) {
                        $ends[$key.($leg + 1)] = $joint;
                    }
                }
            }
            if (6 === \count($ends)) {
                array_push($plans, ...$this->ofRing($house, $ring, $ends));
            }
        }

        return $plans;
    }

    /**
     * @param array<string, string> $ends joints L1, L2, N1, N2, E1, E2 at the board
     *
     * @return list<TestPlan>
     */
    abstract protected function ofRing(House $house, Ring $ring, array $ends): array;

    /** @param array<string, string> $ends */
    final protected function parted(House $house, Ring $ring, array $ends, StateChange ...$links): State
    {
        return States::boardOff($house, States::deviceOff($house, $ring->circuit), ...array_map(static fn (string $joint): StateChange => new StateChange('lift', $joint), array_values($ends)), ...States::loadsOut($house, $ring->circuit), ...$links);
    }

    /**
     * One reading at every outlet of the ring, spurs and all.
     *
     * @return list<TestPlan>
     */
    final protected function atOutlets(House $house, Ring $ring, State $state, string $pole, string $words): array
    {
        $plans = [];
        foreach (Outlets::all($house) as [$part, $outlet]) {
            if ($house->circuitOfPart($part->id) === $ring->circuit) {
                $plans[] = $this->plan("$part->id.$outlet", "$words at $part->name", $state, 'low-ohm', Connection::leads($part->terminal("$outlet-L"), $part->terminal("$outlet-$pole")));
            }
        }

        return $plans;
    }
}
