<?php

declare(strict_types=1);

namespace YellowProbe\Diagnosis;

use YellowProbe\Instrument\PatternInstrument;
use YellowProbe\Instrument\Reading;
use YellowProbe\Instrument\ShownKind;

/** The outcomes of a test yet to be done, in at most sixteen cells of the display, and their probabilities under a cause. */
final readonly class Outcomes
{
    private const CELLS = 13;

    /** @var list<float> inner edges of the numeric cells */
    private array $edges;

    /** @var list<float> {@see broad} */
    private array $broad;

    /**
     * @param list<Row>            $rows   every row that may come true, to place the cells where they differ
     * @param array<string, float> $spread what is left of the factors' standard deviations
     */
    public function __construct(private Display $display, array $rows, private array $spread)
    {
        $at = [];
        foreach ($rows as $row) {
            if (ShownKind::Value === $row->shown->kind || ShownKind::Over === $row->shown->kind) {
                $at[] = min($row->z, $display->top);
            }
        }
        sort($at);
        $at = array_values(array_unique(array_map(static fn (float $z): float => round($z, 3), $at)));
        $edges = [];
        $gaps = [];
        for ($i = 1, $n = \count($at); $i < $n; ++$i) {
            $gaps[$i] = $at[$i] - $at[$i - 1];
        }
        arsort($gaps);
        foreach (\array_slice(array_keys($gaps), 0, self::CELLS - 1) as $i) {
            $edges[] = 0.5 * ($at[$i] + $at[$i - 1]);
        }
        $edges[] = $display->top;
        sort($edges);
        $this->edges = $edges;
        $this->broad = $this->anything();
    }

    /** @return list<float> summing to 1 */
    public function of(Row $row): array
    {
        return array_map(
            static fn (float $own, float $broad): float => (1.0 - Likelihood::BLUNDER) * $own + Likelihood::BLUNDER * $broad,
            $this->own($row),
            $this->broad,
        );
    }

    /**
     * What "something else" shows.
     *
     * @return list<float>
     */
    public function broad(): array
    {
        return $this->broad;
    }

    /** @return list<float> */
    private function anything(): array
    {
        if ($this->display->instrument instanceof PatternInstrument) {
            $patterns = \count($this->display->instrument->patterns());

            return array_fill(0, $patterns, 1.0 / $patterns);
        }
        $probabilities = [];
        $last = 0.0;
        foreach ($this->edges as $edge) {
            $probabilities[] = 0.75 * max(0.0, $edge - $last) / $this->display->top;
            $last = $edge;
        }
        $probabilities[] = 0.20;
        $probabilities[] = 1.0 - array_sum($probabilities);

        return $probabilities;
    }

    /** @return list<float> */
    private function own(Row $row): array
    {
        $instrument = $this->display->instrument;
        if ($instrument instanceof PatternInstrument) {
            return array_map(static fn (string $pattern): float => $instrument->probability($row->shown, $pattern), $instrument->patterns());
        }
        $nothing = $this->display->plainProbability($row->shown, new Reading(ShownKind::Nothing, '')) ?? 0.01;
        $factors = 0.0;
        foreach ($row->moves as $factor => $move) {
            $factors += ($move * ($this->spread[$factor] ?? 1.0)) ** 2;
        }
        // Each edge is shared by two cells, and is asked once: what lies beyond it, on the side that is the less.
        $probabilities = [];
        $below = 0.0;
        $beyond = 1.0;
        foreach ($this->edges as $edge) {
            [$lower, $upper] = Noise::beside(sinh($edge), $row->z, $row->sigma ** 2, $factors);
            $probabilities[] = (1.0 - $nothing) * max(0.0, $lower < $upper ? $lower - $below : $beyond - $upper);
            [$below, $beyond] = [$lower, $upper];
        }
        $probabilities[] = (1.0 - $nothing) * $beyond;
        $probabilities[] = $nothing;

        return $probabilities;
    }
}
