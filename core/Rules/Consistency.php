<?php

declare(strict_types=1);

namespace YellowProbe\Rules;

use YellowProbe\Installation\House;

/**
 * Readings that have to agree whatever the house is like (handbook, section 16): loop against R₁ + R₂ and Zₑ,
 * trip time at five times against once, outlets of one place against each other. A fault current is worked out from the
 * loop here, so that these two cannot disagree.
 */
final class Consistency
{
    /** What a breaker adds to a loop, Ω, and what a test that trips no residual device may add besides. */
    private const BREAKER = [0.002, 0.08];
    private const UPLIFT = 0.5;

    /** Two testers of a loop each have some per cent and some digits of their own. */
    private const TESTERS_OHMS = 0.05;
    private const TIME_MILLISECONDS = 5.0;
    private const ALIKE_OHMS = 0.1;
    private const LOOPS = ['loop-2-wire', 'loop-3-wire'];

    /**
     * @param list<Taken> $readings that stand
     *
     * @return list<Agreement> disagreements first
     */
    public static function of(House $house, array $readings): array
    {
        $found = [...self::loops($house, $readings), ...self::times($readings), ...self::outlets($house, $readings)];
        usort($found, static fn (Agreement $a, Agreement $b): int => [Verdict::Good === $a->verdict, $a->sentence] <=> [Verdict::Good === $b->verdict, $b->sentence]);

        return $found;
    }

    /**
     * Z_s − (R₁ + R₂) − Z_e is the breaker; less where parallel paths carry earth current.
     *
     * @param list<Taken> $readings
     *
     * @return list<Agreement>
     */
    private static function loops(House $house, array $readings): array
    {
        $external = self::last($readings, static fn (Taken $one): bool => $one->by(...self::LOOPS) && null !== $one->value && null === $one->point($house) && 'E L' === $one->poles($house));
        $found = [];
        foreach (self::latest($house, $readings, self::LOOPS) as $point => $zs) {
            $r1r2 = self::last($readings, static fn (Taken $one): bool => $one->by('low-ohm') && null !== $one->value && $one->point($house) === $point && 'E L' === $one->poles($house));
            if (null === $external || null === $r1r2) {
                continue;
            }
            $rest = (float) $zs->value - (float) $r1r2->value - (float) $external->value;
            $high = self::BREAKER[1] + self::TESTERS_OHMS + ($zs->by('loop-3-wire') ? self::UPLIFT : 0.0);
            $found[] = new Agreement(
                $rest > $high ? Verdict::Bad : Verdict::Good,
                match (true) {
                    $rest > $high => \sprintf('%s: the loop is %.2f Ω more than its parts. A joint that warms or moves, or one of the three was read on another path.', $house->parts[$point]->name, $rest),
                    $rest < -self::TESTERS_OHMS => \sprintf('%s: the loop is %.2f Ω less than its parts: parallel earth paths help while the loop is live.', $house->parts[$point]->name, -$rest),
                    default => \sprintf('%s: loop and its parts agree.', $house->parts[$point]->name),
                },
                \sprintf('Zₛ %.2f − (R₁ + R₂) %.2f − Zₑ %.2f = %.2f Ω; the breaker has 0.002 to 0.08 Ω, the testers 0.05 Ω', $zs->value, $r1r2->value, $external->value, $rest),
                [$zs->id, $r1r2->id, $external->id],
            );
        }

        return $found;
    }

    /**
     * Five times the rating trips no slower than once, 5 ms for the moment in the period.
     *
     * @param list<Taken> $readings
     *
     * @return list<Agreement>
     */
    private static function times(array $readings): array
    {
        $found = [];
        foreach ($readings as $fast) {
            $slug = $fast->measurement->instrument->slug();
            if (null === $fast->value || !str_starts_with($slug, 'rcd-5')) {
                continue;
            }
            $slow = self::last($readings, static fn (Taken $one): bool => null !== $one->value && $one->measurement->instrument->slug() === 'rcd-1'.substr($slug, 5) && $one->measurement->connection->toArray() === $fast->measurement->connection->toArray());
            if (null !== $slow) {
                $isOff = 1e3 * ($fast->value - (float) $slow->value) > self::TIME_MILLISECONDS;
                $found[] = new Agreement(
                    $isOff ? Verdict::Doubt : Verdict::Good,
                    $isOff ? "$fast->where: slower at five times the current than at once. Repeat both." : "$fast->where: five times and once agree.",
                    \sprintf('5 ×: %.0f ms, 1 ×: %.0f ms; at most 5 ms more', 1e3 * $fast->value, 1e3 * (float) $slow->value),
                    [$fast->id, $slow->id],
                );
            }
        }

        return $found;
    }

    /**
     * Outlets at one place read alike.
     *
     * @param list<Taken> $readings
     *
     * @return list<Agreement>
     */
    private static function outlets(House $house, array $readings): array
    {
        $found = $places = [];
        foreach ($readings as $one) {
            $terminal = $one->measurement->connection->terminals[0] ?? '';
            if (null !== $one->value && $one->by(...self::LOOPS) && $house->hasTerminal($terminal)) {
                $places[$house->partOf($terminal)->place.' '.$one->measurement->instrument->slug().' '.$one->poles($house)][$one->where] = $one;
            }
        }
        foreach ($places as $own) {
            if (\count($own) > 1) {
                $values = array_map(static fn (Taken $one): float => (float) $one->value, $own);
                $apart = max($values) - min($values);
                $first = $own[array_key_first($own)];
                $isOff = $apart > max(self::ALIKE_OHMS, 0.15 * min($values));
                $found[] = new Agreement($isOff ? Verdict::Doubt : Verdict::Good, $isOff ? "$first->where and its neighbour at the same place read unlike: one contact or one connection between them." : "$first->where and its neighbour read alike.", \sprintf('%.2f Ω apart', $apart), array_values(array_map(static fn (Taken $one): string => $one->id, $own)));
            }
        }

        return $found;
    }

    /**
     * The latest loop line to earth of each point.
     *
     * @param list<Taken>  $readings
     * @param list<string> $testers
     *
     * @return array<string, Taken>
     */
    private static function latest(House $house, array $readings, array $testers): array
    {
        $latest = [];
        foreach ($readings as $one) {
            $point = $one->point($house);
            if ($one->by(...$testers) && null !== $one->value && null !== $point && \in_array($one->poles($house), ['E L', 'E L N'], true)) {
                $latest[$point] = $one;
            }
        }

        return $latest;
    }

    /**
     * @param list<Taken>           $readings
     * @param \Closure(Taken): bool $is
     */
    private static function last(array $readings, \Closure $is): ?Taken
    {
        return array_values(array_filter(array_reverse($readings), $is))[0] ?? null;
    }
}
