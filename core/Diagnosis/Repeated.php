<?php

declare(strict_types=1);

namespace YellowProbe\Diagnosis;

use YellowProbe\Instrument\Shown;
use YellowProbe\Instrument\ShownKind;

/** A measurement done again: what it shows when the first reading was no slip, whatever made it. */
final class Repeated
{
    /** A lamp misread, a contact not made, a range just left: how often the second is unlike the first all the same. */
    private const UNLIKE = 0.05;

    /** What the names of such factors begin with. */
    private const FACTOR = 'again:';

    /** Whether a factor is one of those: no other test knows of it. */
    public static function isFactor(string $name): bool
    {
        return str_starts_with($name, self::FACTOR);
    }

    /** Probability of the second reading when the house, whatever is wrong with it, is as it was at the first. */
    public static function probability(Evidence $again, Evidence $first): float
    {
        $row = self::row($first);
        if (null === $row || ShownKind::Value !== $again->reading->kind) {
            $isSame = $again->reading->kind === $first->reading->kind && $again->reading->pattern === $first->reading->pattern && null === $row;

            return $isSame ? 1.0 - self::UNLIKE : self::UNLIKE * $again->display->broad($again->reading);
        }

        return exp((new Cell($again))->log($row->z, $row->sigma));
    }

    /** Where a second reading lies after a first one that was a number, both with the tester's own noise; null for lamps, over range and no reading. */
    public static function row(Evidence $first): ?Row
    {
        if (ShownKind::Value !== $first->reading->kind || !$first->display->isLine()) {
            return null;
        }
        $shown = Shown::value($first->reading->value);

        return new Row($shown, $first->display->z($shown->value), \M_SQRT2 * max($first->display->noise($shown), Row::LEAST), []);
    }

    /**
     * What is left unsaid of a test is the same every time it is done, whatever is wrong with the house: a factor of its own.
     *
     * @param list<Evidence> $evidence
     *
     * @return array<int, string> its name, by reading, of numbers that were read more than once as the house is
     */
    public static function factors(array $evidence): array
    {
        $same = [];
        foreach ($evidence as $at => $piece) {
            if (ShownKind::Value === $piece->reading->kind && $piece->display->isLine()) {
                $same[self::FACTOR.$piece->measurement->hash().implode(' ', $piece->repaired)][] = $at;
            }
        }
        $factors = [];
        foreach ($same as $name => $readings) {
            $factors += \count($readings) > 1 ? array_fill_keys($readings, $name) : [];
        }

        return $factors;
    }

    /**
     * What is left unsaid of a row as such a factor, and the tester's own noise alone as its deviation.
     *
     * @return array{float, float} that deviation, and how far a deviation of the factor moves the row
     */
    public static function shared(Shown $shown, float $sigma, Display $display): array
    {
        if (!is_finite($shown->value) || (ShownKind::Value !== $shown->kind && ShownKind::Over !== $shown->kind)) {
            return [$sigma, 0.0];
        }
        $own = max($display->noise($shown), Row::LEAST);

        return $own >= $sigma ? [$sigma, 0.0] : [$own, sqrt($sigma ** 2 - $own ** 2)];
    }
}
