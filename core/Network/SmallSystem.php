<?php

declare(strict_types=1);

namespace YellowProbe\Network;

/** A handful of linear equations with complex coefficients, for a few right sides: elimination with the larger pivot of a column. */
final class SmallSystem
{
    private readonly int $width;

    /** @var array<int, float> coefficients, then right sides, at row · width + column */
    private array $re;

    /** @var array<int, float> */
    private array $im;

    /** @var array<int, float> by row: the largest error of a coefficient */
    private array $errors;

    /** What errors of the coefficients may be of the answer once it is solved: the largest over the product of the pivots, every row scaled to 1. */
    public float $rounding = 0.0;

    public function __construct(private readonly int $size, private readonly int $rights)
    {
        $this->width = $size + $rights;
        $this->re = $this->im = array_fill(0, $size * $this->width, 0.0);
        $this->errors = array_fill(0, $size, 0.0);
    }

    /** @param float $error that the coefficient may have */
    public function set(int $row, int $column, float $re, float $im, float $error = 0.0): void
    {
        $this->errors[$row] = max($this->errors[$row], $error);
        $this->re[$row * $this->width + $column] = $re;
        $this->im[$row * $this->width + $column] = $im;
    }

    public function ask(int $row, int $right, float $re, float $im): void
    {
        $this->set($row, $this->size + $right, $re, $im);
    }

    /**
     * Ends the system: it is solved in place.
     *
     * @return list<list<array{float, float}>>|null by unknown, and by right side; null where a pivot is nothing
     */
    public function solved(): ?array
    {
        $this->scale();
        $pivots = 1.0;
        $width = $this->width;
        for ($k = 0; $k < $this->size; ++$k) {
            $this->exchange($k);
            $own = $k * $width;
            [$pRe, $pIm] = [$this->re[$own + $k], $this->im[$own + $k]];
            $square = $pRe * $pRe + $pIm * $pIm;
            if (0.0 === $square) {
                return null;
            }
            $pivots *= min(1.0, sqrt($square));
            for ($row = $k + 1; $row < $this->size; ++$row) {
                $at = $row * $width;
                $fRe = ($this->re[$at + $k] * $pRe + $this->im[$at + $k] * $pIm) / $square;
                $fIm = ($this->im[$at + $k] * $pRe - $this->re[$at + $k] * $pIm) / $square;
                for ($column = 0.0 === $fRe && 0.0 === $fIm ? $width : $k + 1; $column < $width; ++$column) {
                    $re = $this->re[$own + $column];
                    $im = $this->im[$own + $column];
                    $this->re[$at + $column] -= $fRe * $re - $fIm * $im;
                    $this->im[$at + $column] -= $fRe * $im + $fIm * $re;
                }
            }
        }
        $this->rounding = max([0.0, ...$this->errors]) / $pivots;

        return $this->backwards();
    }

    private function scale(): void
    {
        for ($row = 0; $row < $this->size; ++$row) {
            $largest = 1.0;
            $from = $row * $this->width;
            for ($at = $from; $at < $from + $this->size; ++$at) {
                $largest = max($largest, abs($this->re[$at]) + abs($this->im[$at]));
            }
            $this->errors[$row] /= $largest;
            for ($at = $from; $largest > 1.0 && $at < $from + $this->width; ++$at) {
                $this->re[$at] /= $largest;
                $this->im[$at] /= $largest;
            }
        }
    }

    /** Row k for the one below it with the larger pivot. */
    private function exchange(int $k): void
    {
        $best = $k;
        $largest = 0.0;
        for ($row = $k; $row < $this->size; ++$row) {
            $size = abs($this->re[$row * $this->width + $k]) + abs($this->im[$row * $this->width + $k]);
            if ($size > $largest) {
                [$best, $largest] = [$row, $size];
            }
        }
        for ($column = $k; $best !== $k && $column < $this->width; ++$column) {
            [$one, $other] = [$k * $this->width + $column, $best * $this->width + $column];
            [$this->re[$one], $this->re[$other]] = [$this->re[$other], $this->re[$one]];
            [$this->im[$one], $this->im[$other]] = [$this->im[$other], $this->im[$one]];
        }
    }

    /** @return list<list<array{float, float}>> */
    private function backwards(): array
    {
        $solved = array_fill(0, $this->size, array_fill(0, $this->rights, [0.0, 0.0]));
        for ($k = $this->size - 1; $k >= 0; --$k) {
            $own = $k * $this->width;
            [$pRe, $pIm] = [$this->re[$own + $k], $this->im[$own + $k]];
            $square = $pRe * $pRe + $pIm * $pIm;
            for ($right = 0; $right < $this->rights; ++$right) {
                [$re, $im] = [$this->re[$own + $this->size + $right], $this->im[$own + $this->size + $right]];
                for ($column = $k + 1; $column < $this->size; ++$column) {
                    [$xRe, $xIm] = $solved[$column][$right];
                    $re -= $this->re[$own + $column] * $xRe - $this->im[$own + $column] * $xIm;
                    $im -= $this->re[$own + $column] * $xIm + $this->im[$own + $column] * $xRe;
                }
                $solved[$k][$right] = [($re * $pRe + $im * $pIm) / $square, ($im * $pRe - $re * $pIm) / $square];
            }
        }

        return $solved;
    }
}
