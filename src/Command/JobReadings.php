<?php

declare(strict_types=1);

namespace App\Command;

use YellowProbe\Diagnosis\Evidence;
use YellowProbe\Diagnosis\Exposure;
use YellowProbe\Diagnosis\Hypothesis;
use YellowProbe\Diagnosis\Implied;
use YellowProbe\Diagnosis\PredictionTable;
use YellowProbe\Diagnosis\Predictor;
use YellowProbe\Fault\Condition;
use YellowProbe\Installation\Attributes;
use YellowProbe\Installation\House;
use YellowProbe\Installation\HouseError;
use YellowProbe\Installation\State;
use YellowProbe\Instrument\Connection;
use YellowProbe\Instrument\Instruments;
use YellowProbe\Instrument\Measurement;
use YellowProbe\Instrument\ReadingError;
use YellowProbe\Instrument\ReadingParser;
use YellowProbe\Procedure\TestCatalogue;

/** Readings as a job file or a case writes them: {"test": id, "raw"} or {"instrument", "connection", "state"?, "raw"}, with "episode" and "conditions". */
final class JobReadings
{
    /**
     * @param array<array-key, Attributes> $readings
     * @param non-empty-list<Hypothesis>   $hypotheses
     *
     * @return list<Evidence> with what they imply of the devices before them
     *
     * @throws HouseError|ReadingError|\OutOfBoundsException that names what cannot be taken
     */
    public static function of(House $house, array $readings, array $hypotheses): array
    {
        $evidence = [];
        foreach (array_values($readings) as $at => $reading) {
            $measurement = self::measurement($house, $reading);
            $evidence[] = new Evidence(\sprintf('%04d', $at), $measurement, ReadingParser::parse($reading->string('raw'), $measurement->instrument), static fn (): PredictionTable => Predictor::table($house, $measurement, $hypotheses), $reading->string('test', $measurement->instrument->words()), self::exposure($reading));
        }

        return [...$evidence, ...Implied::holds($house, $evidence, static fn (Measurement $watched): PredictionTable => Predictor::table($house, $watched, $hypotheses))];
    }

    public static function measurement(House $house, Attributes $reading): Measurement
    {
        if ($reading->has('test')) {
            try {
                return TestCatalogue::plan($house, $reading->string('test'))->measurement;
            } catch (\OutOfBoundsException $e) {
                throw new HouseError("$reading->path/test", $e->getMessage());
            }
        }
        $instrument = Instruments::get($reading->string('instrument'));

        return new Measurement(self::state($reading, $house), $instrument, Connection::read($reading->object('connection')->raw, $instrument, $house, "$reading->path/connection"));
    }

    /** The state that is written there, or the house at rest. */
    public static function state(Attributes $from, House $house): State
    {
        return $from->has('state') ? State::fromArray($from->object('state')->raw, "$from->path/state") : State::resting($house);
    }

    private static function exposure(Attributes $reading): Exposure
    {
        $conditions = array_map(static fn (string $word): Condition => Condition::tryFrom($word) ?? throw new HouseError("$reading->path/conditions", \sprintf('"%s" is none of %s.', $word, implode(', ', array_column(Condition::cases(), 'value')))), $reading->strings('conditions'));

        return new Exposure((int) $reading->number('episode', 0.0), $conditions);
    }
}
