<?php

declare(strict_types=1);

namespace YellowProbe\Network;

/**
 * What eliminating one node leaves behind: its own column for the way back, and its update for the nodes that remain.
 *
 * With the pivot p = excess + Σ y_kj and m remaining neighbours, the update holds y_ki·y_kj/p on the pairs (packed,
 * i < j, at i·m + j), y_ki·excess/p on the excesses and y_ki·J/p on the currents. Every operation adds or multiplies
 * numbers of one sign: nothing is subtracted, so twelve decades of conductance keep their digits
 * (Grassmann, Taksar and Heyman's elimination).
 *
 * @internal
 */
final class Front
{
    /** @var list<int> remaining neighbours, in the order of elimination */
    public array $nodes = [];

    /** @var array<int, float> y_kj */
    public array $columnRe = [];

    /** @var array<int, float> */
    public array $columnIm = [];

    public float $pivotRe = 0.0;
    public float $pivotIm = 0.0;
    public float $currentRe = 0.0;
    public float $currentIm = 0.0;

    /** @var array<int, float> */
    public array $pairRe = [];

    /** @var array<int, float> */
    public array $pairIm = [];

    /** @var array<int, float> */
    public array $excessRe = [];

    /** @var array<int, float> */
    public array $excessIm = [];

    /** @var array<int, float> */
    public array $injectRe = [];

    /** @var array<int, float> */
    public array $injectIm = [];

    /** Whether the node belongs to an island that nothing ties to the datum: its voltage is undefined. */
    public bool $floating = false;
}
