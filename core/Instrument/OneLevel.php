<?php

declare(strict_types=1);

namespace YellowProbe\Instrument;

use YellowProbe\Installation\Excitation;

/** Testers with two leads that compare one level with one edge, or with a row of steps. */
abstract readonly class OneLevel implements PatternInstrument
{
    /** A sound not heard, a lamp misread, a contact not made. */
    private const MISS = 0.02;

    /**
     * @param non-empty-list<string> $patterns from the lowest level up
     * @param list<float>            $edges    between them, rising, in the unit of the level
     * @param float                  $spread   of an edge, same unit: specimens differ and contacts wander
     */
    protected function __construct(private string $slug, private string $words, private string $trap, private Excitation $excitation, private array $patterns, private array $edges, private float $spread, private bool $deadOnly = false)
    {
    }

    final public function slug(): string
    {
        return $this->slug;
    }

    final public function words(): string
    {
        return $this->words;
    }

    final public function trap(): string
    {
        return $this->trap;
    }

    final public function unit(): Unit
    {
        return Unit::Pattern;
    }

    public function leads(): array
    {
        return ['A', 'B'];
    }

    final public function deadOnly(): bool
    {
        return $this->deadOnly;
    }

    final public function excitation(): Excitation
    {
        return $this->excitation;
    }

    final public function scale(): Scale
    {
        return new Scale([[1.0, 1.0]]);
    }

    final public function accuracy(): Accuracy
    {
        return new Accuracy(0.0, 0.0);
    }

    final public function patterns(): array
    {
        return $this->patterns;
    }

    final public function pattern(Shown $shown): string
    {
        $at = 0;
        while (isset($this->edges[$at]) && $shown->levels[0] >= $this->edges[$at]) {
            ++$at;
        }

        return $this->patterns[$at];
    }

    final public function probability(Shown $shown, string $pattern): float
    {
        $at = (int) array_search($pattern, $this->patterns, true);
        $above = fn (int $edge): float => 1.0 / (1.0 + exp(max(-700.0, min(700.0, -($shown->levels[0] - $this->edges[$edge]) / $this->spreadAt($edge)))));
        $own = (0 === $at ? 1.0 : $above($at - 1)) - (isset($this->edges[$at]) ? $above($at) : 0.0);

        return self::MISS / \count($this->patterns) + (1.0 - self::MISS) * max(0.0, $own);
    }

    /** Steps of an indicator are true to a share of themselves; where the level is a logarithm the share is one spread. */
    protected function spreadAt(int $edge): float
    {
        return $this->spread;
    }

    /** @return float edge between two patterns */
    final protected function edge(int $at): float
    {
        return $this->edges[$at];
    }
}
