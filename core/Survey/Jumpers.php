<?php

declare(strict_types=1);

namespace YellowProbe\Survey;

/**
 * The wires that feed the groups of a board from its main switch, against everything beyond them (handbook, section 16):
 * ratings, with diversity, and the ways that may still be filled.
 */
final class Jumpers
{
    /** Copper in the free air of a board, PVC, as clipped direct (typical values T9); the maker of the board may say otherwise. A. */
    public const CARRIES = ['4' => 37.0, '6' => 47.0, '10' => 64.0, '16' => 85.0, '25' => 112.0];

    /** What an empty way is taken for once it is filled, A. */
    private const FUTURE_AMPERES = 16.0;

    /** @return list<JumperJudgement> of groups whose jumper was read off, in their order */
    public static function of(Sheet $sheet): array
    {
        $judgements = [];
        foreach ($sheet->groups as $at => $group) {
            if (0.0 === $group['jumperMm2']) {
                continue;
            }
            $own = array_filter($sheet->ways, static fn (Way $way): bool => $way->group === $at);
            $ratings = array_map(static fn (Way $way): float => $way->amperes, array_filter($own, static fn (Way $way): bool => 'blank' !== $way->device));
            $judgements[] = self::judged('' === $group['name'] ? 'group '.($at + 1) : $group['name'], $group['jumperMm2'], array_values($ratings), \count($own) - \count($ratings));
        }

        return $judgements;
    }

    /** @param list<float> $ratings of the devices behind it, A */
    private static function judged(string $name, float $mm2, array $ratings, int $empty): JumperJudgement
    {
        $carries = self::CARRIES[(string) $mm2];
        $now = self::diverse($ratings);
        $later = self::diverse([...$ratings, ...array_fill(0, $empty, self::FUTURE_AMPERES)]);
        $sum = array_sum($ratings);
        $so = match (true) {
            $sum + $empty * self::FUTURE_AMPERES <= $carries => 'it carries all of it, and every way that may still be filled.',
            $now > $carries => 'too small even with diversity, unless a device before it protects it.',
            $later > $carries => \sprintf('enough now, too small once the %d empty ways are filled.', $empty),
            default => 'enough with diversity, as long as the load stays what it is.',
        };

        return new JumperJudgement(\sprintf('Jumper to %s, %s mm², about %.0f A: %.0f A of ratings behind it, %.0f A with diversity%s: %s', $name, $mm2, $carries, $sum, $now, $empty > 0 ? \sprintf(', %.0f A with %d empty ways at %.0f A', $later, $empty, self::FUTURE_AMPERES) : '', $so), max($now, $later) > $carries);
    }

    /** @param list<float> $ratings A */
    private static function diverse(array $ratings): float
    {
        return [] === $ratings ? 0.0 : max($ratings) + BoardJudgement::DIVERSITY * (array_sum($ratings) - max($ratings));
    }
}
