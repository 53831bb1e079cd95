<?php

declare(strict_types=1);

namespace YellowProbe\Diagnosis;

/** All rows of one test in one state: by hypothesis, then by severity. Independent of what was read, so it can be kept. */
final readonly class PredictionTable
{
    /** @var array<string, non-empty-list<Row>> by stem, of those that the test notices */
    private array $rows;

    /** @var array<string, positive-int> stem of what leaves the test alone => its severities */
    private array $quiet;

    /**
     * @param array<string, list<Row>> $rows    by stem of the hypotheses, the sound house's among them
     * @param array<string, float>     $factors that rows may move with => its tail
     * @param list<string>             $repaired what had been repaired when the test was done
     */
    public function __construct(array $rows, public array $factors = [], private array $repaired = [])
    {
        $noticed = $quiet = [];
        $sound = $rows[Hypothesis::SOUND][0] ?? null;
        foreach ($rows as $stem => $own) {
            if (Hypothesis::SOUND !== $stem && [] !== $own && [] === array_filter($own, static fn (Row $row): bool => $row !== $sound)) {
                $quiet[$stem] = \count($own);
            } elseif ([] !== $own) {
                $noticed[$stem] = $own;
            }
        }
        $this->rows = $noticed;
        $this->quiet = $quiet;
    }

    public function has(Hypothesis $hypothesis): bool
    {
        return isset($this->rows[$hypothesis->stem]) || isset($this->quiet[$hypothesis->stem]);
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

        if (isset($this->quiet[$hypothesis->stem])) {
            return array_fill(0, $this->quiet[$hypothesis->stem], $this->sound());
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
        return [] === $repaired ? $this : new self($this->all(), $this->factors, $repaired);
    }

    /** These rows and those of other causes. */
    public function with(self $other): self
    {
        // What only the other knows and leaves its test alone moves it by nothing here either.
        return new self($this->all() + $other->all($this->sound()), $this->factors + $other->factors, $this->repaired);
    }

    /** How many severities a cause has that the test does not notice; 0 for one that it does. */
    public function quiet(Hypothesis $hypothesis): int
    {
        return $this->quiet[$hypothesis->stem] ?? 0;
    }

    /** @return array<string, list<Row>> */
    private function all(?Row $sound = null): array
    {
        $all = $this->rows;
        foreach ($this->quiet as $stem => $severities) {
            $all[$stem] = array_fill(0, $severities, $sound ?? $this->sound());
        }

        return $all;
    }

    public function sound(): Row
    {
        return $this->rows[Hypothesis::SOUND][0];
    }

    /** @return array{list<string>, string, array<string, list<int>>, array<string, positive-int>, array<string, float>, list<string>} */
    public function __serialize(): array
    {
        $rows = $names = $places = $stems = [];
        foreach ($this->rows as $stem => $own) {
            foreach ($own as $row) {
                if (!isset($places[spl_object_id($row)])) {
                    $places[spl_object_id($row)] = \count($rows);
                    $rows[] = $row;
                    $names += $row->moves;
                }
                $stems[$stem][] = $places[spl_object_id($row)];
            }
        }
        $factors = array_map(strval(...), array_keys($names));

        return [$factors, PackedRows::packed($rows, $factors), $stems, $this->quiet, $this->factors, $this->repaired];
    }

    /** @param array{list<string>, string, array<string, non-empty-list<int>>, array<string, positive-int>, array<string, float>, list<string>} $data */
    public function __unserialize(array $data): void
    {
        [$names, $packed, $stems, $this->quiet, $this->factors, $this->repaired] = $data;
        $rows = PackedRows::unpacked($packed, $names);
        $this->rows = array_map(static fn (array $places): array => array_map(static fn (int $place): Row => $rows[$place], $places), $stems);
    }
}
