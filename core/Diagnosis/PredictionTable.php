<?php

declare(strict_types=1);

namespace YellowProbe\Diagnosis;

/** All rows of one test in one state: by hypothesis, then by severity. Independent of what was read, so it can be kept. */
final readonly class PredictionTable
{
    /**
     * @param array<string, list<Row>> $rows    by stem of the hypotheses
     * @param array<string, float>     $factors that rows may move with => its tail
     * @param list<string>             $repaired what had been repaired when the test was done
     */
    public function __construct(private array $rows, public array $factors = [], private array $repaired = [])
    {
    }

    public function has(Hypothesis $hypothesis): bool
    {
        return isset($this->rows[$hypothesis->stem]);
    }

    /** @return list<Row> by severity, and last the sound house's where the cause comes and goes */
    public function rows(Hypothesis $hypothesis): array
    {
        return $hypothesis->intermittent ? [...$this->there($hypothesis), $this->sound()] : $this->there($hypothesis);
    }

    /** @return list<Row> by severity, while the cause is there */
    public function there(Hypothesis $hypothesis): array
    {
        if ([] !== $this->repaired && [] !== array_intersect(Hypothesis::repairsOf($hypothesis->id), $this->repaired)) {
            return [] === $hypothesis->both ? array_fill(0, \count($hypothesis->ohms()), $this->sound()) : $this->superposed(...$hypothesis->both);
        }

        return $this->rows[$hypothesis->stem] ?? ([] === $hypothesis->both ? throw new \LogicException("$hypothesis->id was not worked out for this test.") : $this->superposed(...$hypothesis->both));
    }

    /**
     * A pair that was not worked out for this test: where only one of its faults is noticed it shows what that one does, and
     * where both are, the one that moves the reading farther. That one fault hides another is not in it.
     *
     * @return list<Row>
     */
    private function superposed(Hypothesis $one, Hypothesis $other): array
    {
        $sound = $this->sound();
        $rows = [];
        foreach ($this->narrowed($one) as $first) {
            foreach ($this->narrowed($other) as $second) {
                $rows[] = match (true) {
                    $first === $sound => $second,
                    $second === $sound => $first,
                    $first->shown->kind !== $sound->shown->kind => $first,
                    $second->shown->kind !== $sound->shown->kind => $second,
                    default => abs($first->z - $sound->z) >= abs($second->z - $sound->z) ? $first : $second,
                };
            }
        }

        return $rows;
    }

    /** @return list<Row> of the severities that count */
    private function narrowed(Hypothesis $hypothesis): array
    {
        $rows = $this->there($hypothesis);

        return [] === $hypothesis->severities || \count($rows) === \count($hypothesis->severities) ? $rows : array_map(static fn (int $at): Row => $rows[$at], $hypothesis->severities);
    }

    /**
     * What the test would show after these repairs.
     *
     * @param list<string> $repaired
     */
    public function after(array $repaired): self
    {
        return [] === $repaired ? $this : new self($this->rows, $this->factors, $repaired);
    }

    /** These rows and those of other causes. */
    public function with(self $other): self
    {
        return new self($this->rows + $other->rows, $this->factors + $other->factors, $this->repaired);
    }

    public function sound(): Row
    {
        return $this->rows[Hypothesis::SOUND][0];
    }
}
