<?php

declare(strict_types=1);

namespace YellowProbe\Rules;

/** The register of formulas. */
final class Formulas
{
    /** @return list<string> */
    public static function slugs(): array
    {
        return array_map(static fn (Formula $formula): string => $formula->slug(), self::all());
    }

    public static function get(string $slug): ?Formula
    {
        foreach (self::all() as $formula) {
            if ($formula->slug() === $slug) {
                return $formula;
            }
        }

        return null;
    }

    /** @return list<Formula> */
    private static function all(): array
    {
        return [new Between(), new AtLeast(), new AtMost(), new MaxZs(), new ShareOfResidualRating(), new LampPattern(), new ResidualTime(), new ResidualRamp(), new ElectrodeResistance(), new FaultCurrent(), new VoltageDrop(), new JointVolts()];
    }
}
