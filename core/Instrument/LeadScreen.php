<?php

declare(strict_types=1);

namespace YellowProbe\Instrument;

use YellowProbe\Fault\ResolvedChange;
use YellowProbe\Network\Elimination;
use YellowProbe\Network\Network;
use YellowProbe\Network\Screen;

/** Which faults the leads of a tester cannot notice: of testers that read no more than what is between their leads. */
final readonly class LeadScreen
{
    private function __construct(private Network $network, private Screen $screen)
    {
    }

    /**
     * @param Elimination $elimination with what conducts by voltage in the sound house
     * @param list<int>   $leads
     */
    public static function on(Network $network, Elimination $elimination, Instrument $instrument, array $leads): ?self
    {
        $nodes = array_values(array_unique(\array_slice($leads, 0, -1)));
        if ([] === $nodes || \in_array($elimination->datum, $nodes, true) || (!$instrument instanceof DirectOhmmeter && !$instrument instanceof PlugInTester)) {
            return null;
        }
        $screen = Screen::on($elimination, $nodes);

        return null === $screen ? null : new self($network, $screen);
    }

    public function leavesAlone(ResolvedChange $resolved): bool
    {
        if ([] === $resolved->with && [] === $resolved->without) {
            return false;
        }
        $changes = [];
        foreach ($resolved->without as $branch) {
            $standing = $resolved->standing[$branch] ?? null;
            if (0.0 !== $this->network->jRe[$branch] || 0.0 !== $this->network->jIm[$branch]) {
                return false;
            }
            [$a, $b] = [$this->network->from[$branch], $this->network->to[$branch]];
            $stays = null !== $standing && $standing[0] === $a && $standing[1] === $b;
            $changes[] = [$a, $b, $this->network->admittance($branch)->modulus(), $stays ? $standing[2]->modulus() : 0.0];
        }
        foreach ($resolved->with as [$a, $b, $y, $j]) {
            if (0.0 !== $j->re || 0.0 !== $j->im) {
                return false;
            }
            if ([] === array_filter($resolved->standing, fn (array $standing, int $branch): bool => $standing[0] === $a && $standing[1] === $b && $a === $this->network->from[$branch] && $b === $this->network->to[$branch], \ARRAY_FILTER_USE_BOTH)) {
                $changes[] = [$a, $b, 0.0, $y->modulus()];
            }
        }

        return $this->screen->leavesAlone($changes);
    }
}
