<?php

declare(strict_types=1);

namespace YellowProbe\Diagnosis;

use YellowProbe\Fault\Condition;
use YellowProbe\Instrument\Instrument;

/** One thing that a tester may show, told apart from the others, with the causes that would show it. */
final readonly class Prospect
{
    private const MOST_CAUSES = 40;
    private const LEAST = 1e-4;

    /** Of a cause, how likely a severity has to be for what it shows to be listed. */
    private const SHOWN_OF_CAUSE = 0.01;

    /**
     * @param float  $weight probability of all causes that show it
     * @param string $words  the kind of fault that shows it likeliest, where it would be, and how many kinds besides
     */
    private function __construct(public Row $row, public float $weight, public string $words)
    {
    }

    /** @return list<Standing> causes whose readings are worth a line, likeliest first */
    public static function causes(Ranking $ranking): array
    {
        return array_values(array_filter(
            \array_slice($ranking->standings, 0, self::MOST_CAUSES),
            static fn (Standing $standing): bool => Hypothesis::ELSE !== $standing->hypothesis->id && $standing->probability > self::LEAST,
        ));
    }

    /**
     * @param PredictionTable $table what the tester shows under the sound house and those causes
     * @param list<Condition> $by    what is done meanwhile to bring out what comes and goes
     *
     * @return list<self> heaviest first
     */
    public static function of(Ranking $ranking, PredictionTable $table, Instrument $instrument, array $by): array
    {
        $rows = $shares = [];
        foreach (self::causes($ranking) as $standing) {
            $noticed = $table->noticed($standing->hypothesis);
            foreach ($standing->atoms($by) as [$atom, $share]) {
                if ($share < self::SHOWN_OF_CAUSE) {
                    continue;
                }
                $row = $table->rows->row($atom->place($noticed, [] !== $by));
                $at = 0;
                while (isset($rows[$at]) && !(new Expectation($rows[$at], $instrument))->hides($row)) {
                    ++$at;
                }
                $rows[$at] ??= $row;
                $shares[$at][] = [$standing->hypothesis, $standing->probability * $share];
            }
        }
        $prospects = array_map(static fn (Row $row, array $causes): self => new self($row, array_sum(array_column($causes, 1)), self::words($causes)), $rows, $shares);
        usort($prospects, static fn (self $a, self $b): int => $b->weight <=> $a->weight);

        return $prospects;
    }

    /** @param non-empty-list<array{Hypothesis, float}> $causes */
    private static function words(array $causes): string
    {
        $weights = $words = [];
        foreach ($causes as [$hypothesis, $share]) {
            $title = $hypothesis->title();
            $weights[$title] = ($weights[$title] ?? 0.0) + $share;
            $words[$title][$hypothesis->site->words ?? ''] ??= $hypothesis->words();
        }
        $title = (string) array_search(max($weights), $weights, true);
        $others = \count($weights) - 1;

        return (1 === \count($words[$title]) ? current($words[$title]) : \sprintf('%s, %d places', $title, \count($words[$title])))
            .($others > 0 ? \sprintf(', or %d other cause%s', $others, 1 === $others ? '' : 's') : '');
    }
}
