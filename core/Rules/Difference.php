<?php

declare(strict_types=1);

namespace YellowProbe\Rules;

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

/** What one reading in two states says: by how much it moved, beside what this house should make of it. */
final class Difference
{
    /** What the survey may be wrong by: lengths and loads are known to about this share. */
    private const SURVEY = 0.3;

    /** Repeatabilities within which two readings differ by what they should. */
    private const CUT = 3.0;

    /** @param list<Reading> $readings of both states, the first first */
    public static function of(House $house, Series $pair, array $readings): Agreement
    {
        $instrument = $pair->plans[0]->measurement->instrument;
        $expected = array_map(static fn (TestPlan $plan): Shown => (new Bench($house, $plan->measurement->state, $instrument, $plan->measurement->connection))->read(), $pair->plans);
        if (Unit::Pattern === $instrument->unit() || ShownKind::Value !== $readings[0]->kind || ShownKind::Value !== $readings[1]->kind || ShownKind::Value !== $expected[0]->kind || ShownKind::Value !== $expected[1]->kind) {
            return self::ofKinds($instrument, $expected, $readings);
        }
        $moved = $readings[1]->value - $readings[0]->value;
        $should = $expected[1]->value - $expected[0]->value;
        $scale = $instrument->scale();
        $room = self::SURVEY * abs($should) + self::CUT * hypot($instrument->accuracy()->repeatability($scale, Shown::value($readings[0]->value)), $instrument->accuracy()->repeatability($scale, Shown::value($readings[1]->value)));
        $isOff = abs($moved - $should) > $room;

        return new Agreement(
            $isOff ? Verdict::Bad : Verdict::Good,
            \sprintf('It moved by %s; this house should move it by %s.%s', self::signed($moved, $instrument), self::signed($should, $instrument), $isOff ? ' That difference is evidence: it is weighed with both readings.' : ''),
            \sprintf('%s − %s = %s; expected %s − %s = %s; within %s: three repeatabilities of both and three tenths of what is expected', $readings[1]->raw, $readings[0]->raw, self::signed($moved, $instrument), ReadingFormat::shown($expected[1], $instrument), ReadingFormat::shown($expected[0], $instrument), self::signed($should, $instrument), ReadingFormat::shown(Shown::value($room), $instrument)),
            [],
        );
    }

    /**
     * Lamps, sounds, over range and no reading: whether they changed as they should.
     *
     * @param list<Shown>   $expected
     * @param list<Reading> $readings
     */
    private static function ofKinds(Instrument $instrument, array $expected, array $readings): Agreement
    {
        $shown = array_map(static fn (Shown $one): string => ReadingFormat::shown($one, $instrument), $expected);
        $isPattern = Unit::Pattern === $instrument->unit();
        $alike = array_map(static fn (Reading $reading, Shown $one): bool => $isPattern ? ReadingFormat::displayed($one, $instrument) === $reading->raw : $reading->kind === $one->kind, $readings, $expected);

        return new Agreement(
            \in_array(false, $alike, true) ? Verdict::Bad : Verdict::Good,
            \sprintf('It went from %s to %s; this house should go from %s to %s.', $readings[0]->raw, $readings[1]->raw, $shown[0], $shown[1]),
            'There is no difference to work out where one of them is no number.',
            [],
        );
    }

    private static function signed(float $value, Instrument $instrument): string
    {
        return ($value < 0.0 ? '−' : '+').ReadingFormat::shown(Shown::value(abs($value)), $instrument);
    }
}
