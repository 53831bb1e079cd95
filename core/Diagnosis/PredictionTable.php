<?php

declare(strict_types=1);

namespace YellowProbe\Diagnosis;

/** All rows of one test in one state: by hypothesis, then by severity. Independent of what was read, so it can be kept. */
final readonly class PredictionTable
{
    /** Where the row of the house as surveyed is. */
    public const SOUND = 0;

    /**
     * @param array<string, non-empty-list<int>> $places  of its rows by stem, of those that the test notices
     * @param array<string, positive-int>        $quiet   stem of what leaves the test alone => its severities
     * @param array<string, float>               $factors that rows may move with => its tail
     * @param list<array{string, string, float}> $bends   two factors, or one twice, and the second difference of the sound house's place for a deviation of both
     * @param array<int, int>                    $seconds place of a row => of the same as the second of two faults shows it
     */
    private function __construct(public Rows $rows, private array $places, private array $quiet, public array $factors, public array $bends, private array $seconds = [])
    {
    }

    /**
     * @param array<string, list<Row>> $rows    by stem of the hypotheses, the sound house's among them
     * @param array<string, float>     $factors that rows may move with => its tail
     * @param list<array{string, string, float}> $bends two factors, or one twice, and the second difference of the sound house's place
     */
    public static function of(array $rows, array $factors = [], array $bends = []): self
    {
        $distinct = $known = $places = $quiet = [];
        // The sound house's row comes first.
        foreach (array_intersect_key($rows, [Hypothesis::SOUND => true]) + $rows as $stem => $own) {
            $at = [];
            foreach ($own as $row) {
                $id = spl_object_id($row);
                if (!isset($known[$id])) {
                    $known[$id] = \count($distinct);
                    $distinct[] = $row;
                }
                $at[] = $known[$id];
            }
            if (Hypothesis::SOUND !== $stem && [] !== $at && isset($rows[Hypothesis::SOUND]) && self::SOUND === max($at)) {
                $quiet[$stem] = \count($at);
            } elseif ([] !== $at) {
                $places[$stem] = $at;
            }
        }

        return new self(Rows::of($distinct), $places, $quiet, $factors, $bends);
    }

    public function has(Hypothesis $hypothesis): bool
    {
        return isset($this->places[$hypothesis->stem]) || isset($this->quiet[$hypothesis->stem]);
    }

    /** @return list<Row> by severity, and last the sound house's where the cause comes and goes */
    public function rows(Hypothesis $hypothesis): array
    {
        return $hypothesis->intermittent ? [...$this->there($hypothesis), $this->sound()] : $this->there($hypothesis);
    }

    /** @return list<Row> by severity, while the cause is there */
    public function there(Hypothesis $hypothesis): array
    {
        return array_map($this->rows->row(...), $this->places($hypothesis));
    }

    /** @return list<int> places of the rows by severity, while the cause is there */
    public function places(Hypothesis $hypothesis): array
    {
        if (isset($this->quiet[$hypothesis->stem])) {
            return array_fill(0, $this->quiet[$hypothesis->stem], self::SOUND);
        }

        return $this->places[$hypothesis->stem] ?? ([] === $hypothesis->both ? throw new \LogicException("$hypothesis->id was not worked out for this test.") : $this->superposed(...$hypothesis->both));
    }

    /** @return list<int> the same; none where the test does not notice the cause */
    public function noticed(Hypothesis $hypothesis): array
    {
        return isset($this->quiet[$hypothesis->stem]) ? [] : $this->places($hypothesis);
    }

    /** @return list<array{Row, Row}> what each fault of a pair shows by itself, by severity of the pair; none where one was not worked out */
    public function halves(Hypothesis $pair): array
    {
        [$one, $other] = $pair->both + [$pair, $pair];

        return $this->has($one) && $this->has($other) ? array_map(fn (array $places): array => array_map($this->rows->row(...), $places), $this->eachWithEach($one, $other)) : [];
    }

    public function sound(): Row
    {
        return $this->rows->row(self::SOUND);
    }

    /**
     * What the test would show after these repairs. A pair of which one fault is repaired shows what the other does.
     *
     * @param list<string> $repaired
     */
    public function after(array $repaired): self
    {
        if ([] === $repaired) {
            return $this;
        }
        [$places, $quiet] = [$this->places, $this->quiet];
        foreach (array_keys($places + $quiet) as $stem) {
            $faults = Hypothesis::repairsOf($stem);
            if ([] === array_intersect($faults, $repaired)) {
                continue;
            }
            if (1 === \count($faults)) {
                $quiet[$stem] ??= \count($places[$stem]);
            } else {
                unset($quiet[$stem]);
            }
            unset($places[$stem]);
        }

        return new self($this->rows, $places, $quiet, $this->factors, $this->bends, $this->seconds);
    }

    /** These rows and those of other causes. */
    public function with(self $other): self
    {
        $own = \count($this->rows);
        if (0 === $own) {
            return $other;
        }
        // What only the other knows and leaves its test alone moves it by nothing here either.
        $places = array_map(static fn (array $places): array => array_map(static fn (int $place): int => self::SOUND === $place ? self::SOUND : $own + $place, $places), array_diff_key($other->places, $this->quiet));

        return new self(
            $this->rows->and($other->rows),
            $this->places + $places,
            $this->quiet + array_diff_key($other->quiet, $this->places),
            $this->factors + $other->factors,
            [] === $this->bends ? $other->bends : $this->bends,
            $this->seconds,
        );
    }

    /**
     * The same, knowing of these pairs that each fault has a severity of its own: where only the second shows, the reading moves with the second's.
     *
     * @param list<Hypothesis> $pairs
     */
    public function withSeconds(array $pairs): self
    {
        $places = [];
        foreach ($pairs as $pair) {
            $second = $pair->both[1] ?? $pair;
            $places += $this->has($second) ? array_flip($this->noticed($second)) : [];
        }
        [$rows, $seconds] = $this->rows->moved(array_keys($places), ...Between::FACTORS);

        return new self($rows, $this->places, $this->quiet, $this->factors, $this->bends, $seconds);
    }

    /**
     * A pair that was not worked out for this test: where only one of its faults is noticed it shows what that one does, and
     * where both are, the one that moves the reading farther. That one fault hides another is not in it.
     *
     * @return list<int>
     */
    private function superposed(Hypothesis $one, Hypothesis $other): array
    {
        $sound = $this->rows->kind(self::SOUND);
        $places = [];
        foreach ($this->eachWithEach($one, $other) as [$first, $second]) {
            $second = $this->seconds[$second] ?? $second;
            $places[] = match (true) {
                self::SOUND === $first => $second,
                self::SOUND === $second => $first,
                $this->rows->kind($first) !== $sound => $first,
                $this->rows->kind($second) !== $sound => $second,
                default => $this->rows->apart($first, self::SOUND) >= $this->rows->apart($second, self::SOUND) ? $first : $second,
            };
        }

        return $places;
    }

    /** @return list<array{int, int}> places of every severity of the one with every severity of the other */
    private function eachWithEach(Hypothesis $one, Hypothesis $other): array
    {
        $places = [];
        foreach ($this->narrowed($one) as $first) {
            foreach ($this->narrowed($other) as $second) {
                $places[] = [$first, $second];
            }
        }

        return $places;
    }

    /** @return list<int> places of the severities that count */
    private function narrowed(Hypothesis $hypothesis): array
    {
        $places = $this->places($hypothesis);

        return [] === $hypothesis->severities || \count($places) === \count($hypothesis->severities) ? $places : array_map(static fn (int $at): int => $places[$at], $hypothesis->severities);
    }
}
