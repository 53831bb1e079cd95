<?php

declare(strict_types=1);

namespace YellowProbe\Diagnosis;

use YellowProbe\Installation\House;
use YellowProbe\Instrument\Bench;
use YellowProbe\Instrument\Instrument;
use YellowProbe\Instrument\Reading;
use YellowProbe\Instrument\ReadingFormat;
use YellowProbe\Instrument\Shown;
use YellowProbe\Instrument\ShownKind;
use YellowProbe\Instrument\Unit;
use YellowProbe\Procedure\Series;
use YellowProbe\Procedure\TestPlan;

/**
 * The readings of a run beside what this house should read at each point, and which of them stand out.
 *
 * What stands out is judged against the run itself: by how far each reading lies from its own expectation, on the display's
 * line, beside the median of the run; beyond 3.5 deviations, the deviation taken from the median of the distances (Iglewicz
 * and Hoaglin's modified z), and never less than the tester's own spread.
 */
final readonly class Spread
{
    private const CUT = 3.5;
    private const NORMAL = 1.4826;
    private const LEAST = 3;

    /** Room at both ends of the scale that a run is drawn on, as a share of it. */
    private const MARGIN = 0.06;

    /** @param list<array{expected: string, expectedAt: float|null, readAt: float|null, outlier: bool}> $members in the order of the run; places from 0 to 1 on its own scale */
    private function __construct(public array $members)
    {
    }

    /** @param array<int, Reading> $readings by place in the run; those not taken are left out */
    public static function of(House $house, Series $series, array $readings): self
    {
        $slugs = array_unique(array_map(static fn (TestPlan $plan): string => $plan->measurement->instrument->slug(), $series->plans));
        // The shots of a residual test are settings of their own: they share no scale.
        $display = 1 === \count($slugs) ? new Display($series->plans[0]->measurement->instrument) : null;
        $expected = $shown = $off = [];
        $sigma = 0.0;
        foreach ($series->plans as $at => $plan) {
            $measurement = $plan->measurement;
            $shown[$at] = (new Bench($house, $measurement->state, $measurement->instrument, $measurement->connection))->read();
            $expected[$at] = self::place($display, $shown[$at]->kind, $shown[$at]->value);
        }
        $read = [];
        foreach ($readings as $at => $reading) {
            $read[$at] = self::place($display, $reading->kind, $reading->value);
            if (null !== $display && null !== $read[$at] && null !== $expected[$at]) {
                $off[$at] = $read[$at] - $expected[$at];
                $sigma = max($sigma, $display->noise(Shown::value($reading->value)));
            }
        }
        $outliers = self::outliers($off, $sigma);
        [$low, $high] = self::scale([...array_values($expected), ...array_values($read)]);
        $members = [];
        foreach ($series->plans as $at => $plan) {
            $reading = $readings[$at] ?? null;
            $members[] = [
                'expected' => ReadingFormat::shown($shown[$at], $plan->measurement->instrument),
                'expectedAt' => self::drawn($expected[$at], $low, $high),
                'readAt' => self::drawn($read[$at] ?? null, $low, $high),
                'outlier' => $outliers[$at] ?? (null !== $reading && self::differs($plan->measurement->instrument, $reading, $shown[$at])),
            ];
        }

        return new self($members);
    }

    /**
     * @param array<int, float> $off
     *
     * @return array<int, bool>
     */
    private static function outliers(array $off, float $sigma): array
    {
        if (\count($off) < self::LEAST) {
            return [];
        }
        $median = self::median($off);
        $deviation = max(self::NORMAL * self::median(array_map(static fn (float $one): float => abs($one - $median), $off)), $sigma);

        return array_map(static fn (float $one): bool => abs($one - $median) > self::CUT * $deviation, $off);
    }

    /** @param non-empty-array<int, float> $values */
    private static function median(array $values): float
    {
        sort($values);
        $half = intdiv(\count($values), 2);

        return 0 === \count($values) % 2 ? 0.5 * ($values[$half - 1] + $values[$half]) : $values[$half];
    }

    private static function place(?Display $display, ShownKind $kind, float $value): ?float
    {
        return null === $display || Unit::Pattern === $display->instrument->unit() || ShownKind::Nothing === $kind ? null : (ShownKind::Over === $kind ? $display->top : $display->z($value));
    }

    /** Lamps, or no reading at all, where there is no line to measure along. */
    private static function differs(Instrument $instrument, Reading $reading, Shown $shown): bool
    {
        return (Unit::Pattern === $instrument->unit() || ShownKind::Nothing === $reading->kind) && ReadingFormat::displayed($shown, $instrument) !== $reading->raw;
    }

    /**
     * @param list<float|null> $places
     *
     * @return array{float, float}
     */
    private static function scale(array $places): array
    {
        $known = array_filter($places, static fn (?float $place): bool => null !== $place);
        $low = [] === $known ? 0.0 : min($known);
        $high = [] === $known ? 1.0 : max($known);
        $room = self::MARGIN * max($high - $low, 1e-3);

        return [$low - $room, $high + $room];
    }

    private static function drawn(?float $place, float $low, float $high): ?float
    {
        return null === $place ? null : round(($place - $low) / ($high - $low), 4);
    }
}
