<?php

declare(strict_types=1);

namespace YellowProbe\Diagnosis;

use YellowProbe\Installation\House;
use YellowProbe\Installation\Role;
use YellowProbe\Installation\Supply;
use YellowProbe\Instrument\DeviceWatch;
use YellowProbe\Instrument\LoopTester;
use YellowProbe\Instrument\Measurement;
use YellowProbe\Instrument\PlugInTester;
use YellowProbe\Instrument\ReadingParser;
use YellowProbe\Instrument\ShownKind;
use YellowProbe\Instrument\Unit;
use YellowProbe\Procedure\Watched;

/**
 * What a reading shows besides its figure: whoever reads the supply at a point has found every device before it closed, and
 * a hard fault behind one of those lets it close in no state. Once for each device: it holds for the same reason every time.
 */
final class Implied
{
    /** Between the id of a reading and the device that it implies something of. */
    private const OF = '~';

    /** Of the nominal volts, from a line to anything: less may be coupled onto an open conductor. */
    private const SUPPLIED = 0.8;

    /**
     * @param list<Evidence>                           $evidence
     * @param \Closure(Measurement): PredictionTable $tables
     *
     * @return list<Evidence> devices that held; nothing of one that was watched itself
     */
    public static function holds(House $house, array $evidence, \Closure $tables): array
    {
        $known = $held = [];
        foreach ($evidence as $piece) {
            if ($piece->measurement->instrument instanceof DeviceWatch) {
                $known[self::key($piece->measurement->connection->device(), $piece)] = true;
            }
        }
        foreach (Ranker::ordered($evidence) as $piece) {
            foreach (self::isSupplied($house, $piece) ? Watched::by($house, $piece->measurement) : [] as $device => $watch) {
                $key = self::key($device, $piece);
                if (!isset($known[$key])) {
                    $known[$key] = true;
                    $held[] = new Evidence($piece->id.self::OF.$device, $watch, ReadingParser::parse(DeviceWatch::HOLDS, $watch->instrument), static fn (): PredictionTable => $tables($watch), "{$house->parts[$device]->name}, closed meanwhile", $piece->exposure, repaired: $piece->repaired);
                }
            }
        }

        return $held;
    }

    /**
     * What a reading in this measurement may imply that the evidence does not hold yet, for whoever works that out ahead.
     *
     * @param list<Evidence> $evidence those that follow from {@see holds()} with it
     *
     * @return list<Measurement>
     */
    public static function possible(House $house, array $evidence, Measurement $measurement): array
    {
        $known = [];
        foreach ($evidence as $piece) {
            if ($piece->measurement->instrument instanceof DeviceWatch) {
                $known[$piece->measurement->connection->device()] = true;
            }
        }

        return self::readsSupply($house, $measurement) ? array_values(array_diff_key(Watched::by($house, $measurement), $known)) : [];
    }

    /** The reading that a piece of evidence is, or that it is implied by. */
    public static function source(string $id): string
    {
        return explode(self::OF, $id)[0];
    }

    private static function key(string $device, Evidence $piece): string
    {
        return $device.' '.implode(' ', $piece->repaired);
    }

    private static function isSupplied(House $house, Evidence $piece): bool
    {
        $tester = $piece->measurement->instrument;
        if ($piece->blunder > Likelihood::BLUNDER || !self::readsSupply($house, $piece->measurement)) {
            return false;
        }

        return match (true) {
            $tester instanceof LoopTester => ShownKind::Value === $piece->reading->kind,
            $tester instanceof PlugInTester => str_contains($piece->reading->pattern, '1'),
            default => $piece->reading->value >= self::SUPPLIED * Supply::of($house)->nominalVolts,
        };
    }

    /** Whether what is shown there can tell that the supply was on. */
    private static function readsSupply(House $house, Measurement $measurement): bool
    {
        $tester = $measurement->instrument;

        return $tester instanceof LoopTester || $tester instanceof PlugInTester
            || (Unit::Volt === $tester->unit() && [] !== array_filter($measurement->connection->terminals, static fn (string $terminal): bool => $house->hasTerminal($terminal) && Role::Line === $house->terminals[$terminal]->role));
    }
}
