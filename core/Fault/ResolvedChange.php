<?php

declare(strict_types=1);

namespace YellowProbe\Fault;

use YellowProbe\Installation\Excitation;
use YellowProbe\Network\Complex;
use YellowProbe\Network\Network;

/**
 * A change with its names resolved to the nodes and branches of one network. What stands for an absent element is absent
 * too; a branch is given as its nodes, its admittance and the Norton current of the source in it.
 */
final readonly class ResolvedChange
{
    /** What the elements that a fault adds are called, with a number after it. */
    public const FAULT = 'fault#';

    /**
     * @param list<int>                                     $without
     * @param list<array{int, int, Complex, Complex}>       $with
     * @param array<int, array{int, int, Complex, Complex}> $standing branch taken out => what stands for it
     */
    private function __construct(private Network $network, public array $without, public array $with, public array $standing)
    {
    }

    public static function of(Network $network, Change $change, Excitation $excitation): self
    {
        $without = $with = $standing = $gone = [];
        foreach ($change->parts() as $part) {
            if (self::isLoose($network, $part->joint)) {
                continue; // a loose end has a node of its own: the joint is parted already
            }
            // A joint that is probed is an element of its own, which the conductor stands for otherwise.
            $probed = null === $part->joint ? null : $network->branch($part->joint);
            $core = null === $probed ? null : substr((string) $part->joint, 0, -2);
            $kept = [];
            foreach ([] === $part->without ? [] : $part->with as $new) {
                $kept[(string) $new->standsFor] = true;
            }
            foreach ($part->without as $element) {
                $branch = $element === $core ? $probed : $network->branch($element);
                if (null !== $branch) {
                    $without[$branch] = $branch;
                    // What one part has parted another neither joins again by making its resistance higher nor by landing it elsewhere.
                    if (!isset($kept[$element])) {
                        $gone[$branch] = true;
                        unset($standing[$branch]);
                    }
                }
            }
            foreach ($part->with as $new) {
                $branch = match ($new->standsFor) {
                    null => null,
                    $core => $probed,
                    default => $network->branch($new->standsFor),
                };
                if (null !== $new->standsFor && (null === $branch || isset($gone[$branch]))) {
                    continue;
                }
                // A core moved at one end by one part of a change and at the other by another: the second starts from the first.
                $entry = null === $branch ? self::fresh($network, $new, $excitation) : self::altered($network, $branch === $probed ? $new->ofItsJoint() : $new, $standing[$branch] ?? [$network->from[$branch], $network->to[$branch], $network->admittance($branch), $network->driven($branch)], $excitation);
                if (null === $branch) {
                    $with[] = $entry;
                } else {
                    $standing[$branch] = $entry;
                }
            }
        }

        return new self($network, array_values($without), [...$with, ...array_values($standing)], $standing);
    }

    /**
     * The change as what becomes of the admittance between two nodes, and of the source in it.
     *
     * @return list<array{int, int, float, float, float, float, float, float, int}> nodes; admittance before and after, what the Norton
     *                                                                              current gains, each real and imaginary; the branch that was there or −1
     */
    public function differences(): array
    {
        $network = $this->network;
        $differences = [];
        foreach ($this->without as $branch) {
            [$a, $b, $yRe, $yIm, $jRe, $jIm] = [$network->from[$branch], $network->to[$branch], $network->yRe[$branch], $network->yIm[$branch], -$network->jRe[$branch], -$network->jIm[$branch]];
            $standing = $this->standing[$branch] ?? null;
            if (null !== $standing && $standing[0] === $a && $standing[1] === $b) {
                $differences[] = [$a, $b, $yRe, $yIm, $standing[2]->re, $standing[2]->im, $standing[3]->re + $jRe, $standing[3]->im + $jIm, $branch];
                continue;
            }
            $differences[] = [$a, $b, $yRe, $yIm, 0.0, 0.0, $jRe, $jIm, $branch];
            if (null !== $standing) {
                $differences[] = [$standing[0], $standing[1], 0.0, 0.0, $standing[2]->re, $standing[2]->im, $standing[3]->re, $standing[3]->im, $branch];
            }
        }
        foreach ($this->standing as $branch => [$a, $b, $y, $j]) {
            if (!\in_array($branch, $this->without, true)) {
                $differences[] = [$a, $b, 0.0, 0.0, $y->re, $y->im, $j->re, $j->im, $branch];
            }
        }
        for ($at = 0, $fresh = \count($this->with) - \count($this->standing); $at < $fresh; ++$at) {
            [$a, $b, $y, $j] = $this->with[$at];
            $differences[] = [$a, $b, 0.0, 0.0, $y->re, $y->im, $j->re, $j->im, -1];
        }

        return $differences;
    }

    /** The network with the fault in it, to be solved as a whole. */
    public function network(): Network
    {
        $names = array_flip($this->network->elements);
        $fresh = \count($this->with) - \count($this->standing);
        $named = $fresh > 0 ? array_map(static fn (int $at): string => self::FAULT.$at, range(0, $fresh - 1)) : [];
        foreach (array_keys($this->standing) as $branch) {
            $named[] = (string) ($names[$branch] ?? self::FAULT.'?');
        }

        return $this->network->changed($this->without, $this->with, $named);
    }

    /** @return array{int, int, Complex, Complex} */
    private static function fresh(Network $network, NewBranch $new, Excitation $excitation): array
    {
        $a = self::end($network, $new->loose[0], (string) $new->a);
        $b = self::end($network, $new->loose[1], (string) $new->b);
        if ($new->farads > 0.0) {
            return [$a, $b, new Complex(0.0, $excitation->susceptance($new->farads)), Complex::zero()];
        }
        $siemens = 1.0 / max($new->ohms, 1e-6);
        $current = new Complex($excitation->isMains() ? $new->volts * $siemens : 0.0);
        $like = null === $new->likewise ? null : $network->branch($new->likewise);
        if (null !== $like) {
            $current = $current->plus($network->driven($like)->over($network->admittance($like))->times(new Complex($siemens)));
        }

        return [$a, $b, new Complex($siemens), $current];
    }

    /**
     * @param array{int, int, Complex, Complex} $was
     *
     * @return array{int, int, Complex, Complex}
     */
    private static function altered(Network $network, NewBranch $new, array $was, Excitation $excitation): array
    {
        [$from, $to, $y, $j] = $was;
        if (0.0 !== $new->ohms) {
            $share = (new Complex(1.0))->plus($y->times(new Complex($new->ohms)));
            [$y, $j] = [$y->over($share), $j->over($share)];
        }
        if (0.0 !== $new->volts && $excitation->isMains()) {
            $j = $j->plus($y->times(new Complex($new->volts)));
        }

        return [null === $new->a ? $from : self::end($network, $new->loose[0], $new->a), null === $new->b ? $to : self::end($network, $new->loose[1], $new->b), $y, $j];
    }

    private static function isLoose(Network $network, ?string $joint): bool
    {
        return null !== $joint && $network->hasNode($joint) && null === $network->branch($joint);
    }

    private static function end(Network $network, ?string $loose, string $landed): int
    {
        return $network->node(null !== $loose && self::isLoose($network, $loose) ? $loose : $landed);
    }
}
