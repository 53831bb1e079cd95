<?php

declare(strict_types=1);

namespace YellowProbe\Instrument;

/** Heat at a joint or contact after a quarter of an hour under load: hotter than its like, or alike. */
final readonly class ThermalCamera extends Witness implements HeatInstrument
{
    /** What makes a joint stand out, W: 0.05 Ω warms by 20 W at 20 A. */
    private const SEEN_WATTS = 1.5;
    private const MISS = 0.05;

    public function slug(): string
    {
        return 'thermal-camera';
    }

    public function words(): string
    {
        return 'Thermal camera';
    }

    public function trap(): string
    {
        return 'Shows nothing without load, and nothing behind a plate that has not had time to warm.';
    }

    public function patterns(): array
    {
        return ['alike', 'hotter'];
    }

    public function pattern(Shown $shown): string
    {
        return $shown->levels[0] >= self::SEEN_WATTS ? 'hotter' : 'alike';
    }

    public function probability(Shown $shown, string $pattern): float
    {
        $hot = self::MISS + (1.0 - 2.0 * self::MISS) / (1.0 + (self::SEEN_WATTS / max(1e-9, $shown->levels[0])) ** 4);

        return 'hotter' === $pattern ? $hot : 1.0 - $hot;
    }
}
