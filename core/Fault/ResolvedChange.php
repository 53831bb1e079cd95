<?php

declare(strict_types=1);

namespace YellowProbe\Fault;

use YellowProbe\Network\Complex;
use YellowProbe\Network\Network;

/** A change with its names resolved to the nodes and branches of one network. What stands for an absent element is absent too. */
final readonly class ResolvedChange
{
    /**
     * @param list<int>                            $without
     * @param list<array{int, int, Complex}>       $with     nodes and admittance
     * @param array<int, array{int, int, Complex}> $standing branch taken out => what stands for it
     */
    private function __construct(private Network $network, public array $without, public array $with, public array $standing)
    {
    }

    public static function of(Network $network, Change $change): self
    {
        $without = $with = $standing = [];
        foreach ($change->parts() as $part) {
            if (null !== $part->joint && $network->hasNode($part->joint)) {
                continue; // a loose end has a node of its own: the joint is parted already
            }
            foreach ($part->without as $element) {
                $branch = $network->branch($element);
                if (null !== $branch) {
                    $without[] = $branch;
                }
            }
            foreach ($part->with as $new) {
                $branch = null === $new->standsFor ? null : $network->branch($new->standsFor);
                if (null !== $new->standsFor && null === $branch) {
                    continue;
                }
                $entry = self::entry($network, $new, $branch);
                $with[] = $entry;
                if (null !== $branch) {
                    $standing[$branch] = $entry;
                }
            }
        }

        return new self($network, $without, $with, $standing);
    }

    /** The network with the fault in it, to be solved as a whole. */
    public function network(): Network
    {
        return $this->network->changed($this->without, $this->with);
    }

    /** @return array{int, int, Complex} */
    private static function entry(Network $network, NewBranch $new, ?int $branch): array
    {
        if (null === $branch) {
            return [$network->node((string) $new->a), $network->node((string) $new->b), new Complex(1.0 / max($new->ohms, 1e-6))];
        }
        $y = $network->admittance($branch);

        return [
            null === $new->a ? $network->from[$branch] : $network->node($new->a),
            null === $new->b ? $network->to[$branch] : $network->node($new->b),
            0.0 === $new->ohms ? $y : $y->over((new Complex(1.0))->plus($y->times(new Complex($new->ohms)))),
        ];
    }
}
