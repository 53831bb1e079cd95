<?php

declare(strict_types=1);

namespace YellowProbe\Instrument;

/** A tester that shows one of a few things instead of a number: lamps lit, a step, a sound. */
interface PatternInstrument extends Instrument
{
    /** @return non-empty-list<string> everything it can show, as a person types it */
    public function patterns(): array;

    /** What an ideal eye or ear would report. */
    public function pattern(Shown $shown): string;

    /** Probability that a pattern is reported when the levels stand as shown. */
    public function probability(Shown $shown, string $pattern): float;
}
