<?php

declare(strict_types=1);

namespace YellowProbe\Diagnosis;

use YellowProbe\Fault\Change;
use YellowProbe\Installation\House;
use YellowProbe\Installation\Known;

/** What the causes of one house change, each change one object: both ends of one core are one element, and one change. */
final class Changes
{
    /** @var array<string, Change> by what is in it */
    private array $each = [];

    /** @var array<string, list<Change|null>> cause => its severities; null changes nothing */
    private array $of = [];

    private function __construct(private readonly House $house)
    {
    }

    public static function in(House $house): self
    {
        return Known::once($house, self::class, static fn (): self => new self($house));
    }

    /** @return list<Change|null> by severity; null changes nothing */
    public function of(Hypothesis $hypothesis): array
    {
        // Pairs are many and seldom asked for twice: what is known of a house would grow with every ranking.
        return [] === $hypothesis->both
            ? $this->of[$hypothesis->stem.' '.implode(' ', $hypothesis->severities)] ??= array_map(fn (?Change $change): ?Change => null === $change ? null : $this->each[serialize($change)] ??= $change, $hypothesis->changes($this->house))
            : $hypothesis->changes($this->house);
    }
}
