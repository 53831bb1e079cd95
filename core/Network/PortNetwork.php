<?php

declare(strict_types=1);

namespace YellowProbe\Network;

/**
 * A handful of ports and the datum, with everything behind them condensed into admittances and currents.
 *
 * Testers and faults are joined here; copies are cheap. The arithmetic is the same subtraction-free elimination as
 * in Elimination, on full little arrays.
 */
final class PortNetwork
{
    /** @var array<int, int> node => index */
    private array $index;

    private int $size;

    /** @var array<int, float> symmetric, at i·size + j */
    private array $yRe;

    /** @var array<int, float> */
    private array $yIm;

    /** @var array<int, float> admittance to the datum */
    private array $excessRe;

    /** @var array<int, float> */
    private array $excessIm;

    /** @var array<int, float> */
    private array $jRe;

    /** @var array<int, float> */
    private array $jIm;

    /** @param list<int> $ports */
    public function __construct(private readonly int $datum, array $ports)
    {
        $this->index = array_flip($ports);
        $this->size = \count($ports);
        $this->yRe = $this->yIm = array_fill(0, $this->size * $this->size, 0.0);
        $this->excessRe = $this->excessIm = $this->jRe = $this->jIm = array_fill(0, $this->size, 0.0);
    }

    public function has(int $node): bool
    {
        return isset($this->index[$node]);
    }

    /** Joins an admittance (siemens) between two ports, or a port and the datum. */
    public function join(int $a, int $b, float $siemensRe, float $siemensIm = 0.0): void
    {
        if ($a === $b) {
            return;
        }
        if ($a === $this->datum || $b === $this->datum) {
            $i = $this->index[$a === $this->datum ? $b : $a];
            $this->excessRe[$i] += $siemensRe;
            $this->excessIm[$i] += $siemensIm;

            return;
        }
        $i = $this->index[$a];
        $j = $this->index[$b];
        $this->yRe[$i * $this->size + $j] += $siemensRe;
        $this->yIm[$i * $this->size + $j] += $siemensIm;
        $this->yRe[$j * $this->size + $i] += $siemensRe;
        $this->yIm[$j * $this->size + $i] += $siemensIm;
    }

    /** Drives a current (amperes) from the datum into a port. */
    public function inject(int $port, float $amperesRe, float $amperesIm = 0.0): void
    {
        $i = $this->index[$port];
        $this->jRe[$i] += $amperesRe;
        $this->jIm[$i] += $amperesIm;
    }

    /** The Norton current (amperes) of a source in a branch: out of a and into b; either may be the datum. */
    public function drive(int $a, int $b, float $amperesRe, float $amperesIm = 0.0): void
    {
        if ($a !== $this->datum) {
            $this->inject($a, -$amperesRe, -$amperesIm);
        }
        if ($b !== $this->datum) {
            $this->inject($b, $amperesRe, $amperesIm);
        }
    }

    /**
     * What the network looks like between one port and the datum: admittance (S) and short-circuit current (A).
     *
     * @return array{Complex, Complex}
     */
    public function norton(int $port): array
    {
        $i = $this->index[$port];
        $rest = 1 === $this->size ? $this : $this->without($i);

        return [new Complex($rest->excessRe[$i], $rest->excessIm[$i]), new Complex($rest->jRe[$i], $rest->jIm[$i])];
    }

    /**
     * Volts of every port to the datum; null where nothing ties the port to the datum.
     *
     * @return array<int, Complex|null> by node
     */
    public function volts(): array
    {
        $n = $this->size;
        $work = clone $this;
        $pivots = [];
        for ($k = 0; $k < $n; ++$k) {
            $pivots[$k] = $work->drop($k, $k + 1);
        }
        $re = $im = array_fill(0, $n, 0.0);
        $undefined = array_fill(0, $n, false);
        for ($k = $n - 1; $k >= 0; --$k) {
            [$pRe, $pIm] = $pivots[$k];
            $square = $pRe * $pRe + $pIm * $pIm;
            if (0.0 === $square) {
                $undefined[$k] = true;
                continue;
            }
            $sumRe = $work->jRe[$k];
            $sumIm = $work->jIm[$k];
            for ($j = $k + 1; $j < $n; ++$j) {
                $yRe = $work->yRe[$k * $n + $j];
                $yIm = $work->yIm[$k * $n + $j];
                if (0.0 === $yRe && 0.0 === $yIm) {
                    continue;
                }
                $sumRe += $yRe * $re[$j] - $yIm * $im[$j];
                $sumIm += $yRe * $im[$j] + $yIm * $re[$j];
                $undefined[$k] = $undefined[$k] || $undefined[$j];
            }
            $re[$k] = ($sumRe * $pRe + $sumIm * $pIm) / $square;
            $im[$k] = ($sumIm * $pRe - $sumRe * $pIm) / $square;
        }
        $volts = [$this->datum => Complex::zero()];
        foreach ($this->index as $node => $i) {
            $volts[$node] = $undefined[$i] ? null : new Complex($re[$i], $im[$i]);
        }

        return $volts;
    }

    private function without(int $kept): self
    {
        $work = clone $this;
        // The kept port goes last by exchanging the roles of the indices: eliminate all others, against all.
        $gone = [];
        for ($k = 0; $k < $this->size; ++$k) {
            if ($k !== $kept) {
                $gone[$k] = true;
                $work->drop($k, 0, $gone);
            }
        }

        return $work;
    }

    /**
     * Eliminates port k onto the ports from $first on that are not gone yet.
     *
     * @param array<int, true> $gone
     *
     * @return array{float, float} the pivot
     */
    private function drop(int $k, int $first, array $gone = []): array
    {
        $n = $this->size;
        $pRe = $this->excessRe[$k];
        $pIm = $this->excessIm[$k];
        $around = [];
        for ($j = $first; $j < $n; ++$j) {
            $yRe = $this->yRe[$k * $n + $j];
            $yIm = $this->yIm[$k * $n + $j];
            if ($j !== $k && !isset($gone[$j]) && (0.0 !== $yRe || 0.0 !== $yIm)) {
                $around[] = $j;
                $pRe += $yRe;
                $pIm += $yIm;
            }
        }
        $square = $pRe * $pRe + $pIm * $pIm;
        if (0.0 === $square) {
            return [0.0, 0.0];
        }
        foreach ($around as $at => $i) {
            $yRe = $this->yRe[$k * $n + $i];
            $yIm = $this->yIm[$k * $n + $i];
            $fRe = ($yRe * $pRe + $yIm * $pIm) / $square;
            $fIm = ($yIm * $pRe - $yRe * $pIm) / $square;
            $this->excessRe[$i] += $fRe * $this->excessRe[$k] - $fIm * $this->excessIm[$k];
            $this->excessIm[$i] += $fRe * $this->excessIm[$k] + $fIm * $this->excessRe[$k];
            $this->jRe[$i] += $fRe * $this->jRe[$k] - $fIm * $this->jIm[$k];
            $this->jIm[$i] += $fRe * $this->jIm[$k] + $fIm * $this->jRe[$k];
            $others = \count($around);
            for ($b = $at + 1; $b < $others; ++$b) {
                $j = $around[$b];
                $re = $fRe * $this->yRe[$k * $n + $j] - $fIm * $this->yIm[$k * $n + $j];
                $im = $fRe * $this->yIm[$k * $n + $j] + $fIm * $this->yRe[$k * $n + $j];
                $this->yRe[$i * $n + $j] += $re;
                $this->yIm[$i * $n + $j] += $im;
                $this->yRe[$j * $n + $i] += $re;
                $this->yIm[$j * $n + $i] += $im;
            }
        }

        return [$pRe, $pIm];
    }
}
