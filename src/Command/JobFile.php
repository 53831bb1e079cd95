<?php

declare(strict_types=1);

namespace App\Command;

use App\Call\TradeData;
use YellowProbe\Diagnosis\Evidence;
use YellowProbe\Diagnosis\Exposure;
use YellowProbe\Diagnosis\HypothesisSpace;
use YellowProbe\Diagnosis\Implied;
use YellowProbe\Diagnosis\Pairs;
use YellowProbe\Diagnosis\PredictionTable;
use YellowProbe\Diagnosis\Predictor;
use YellowProbe\Diagnosis\Story;
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

/** A job file is {"house": "file.json", "symptoms": [], "contexts": [], "findings"?: [[slug, place]], "tripped"?: [part], "where"?: [place], "state"?: {}, "readings": [{"test": id, "raw": "0.83"} or {"instrument", "connection", "state"?, "raw"}]}; a reading may have an "episode" (a number) and "conditions" it was forced with. */
final readonly class JobFile
{
    public function __construct(private HouseFile $files, private TradeData $trade)
    {
    }

    /** @throws \RuntimeException that names the file and the place in it */
    public function read(string $file): Job
    {
        $job = $this->files->object($file);
        try {
            $path = $job->string('house');
            $house = $this->files->house(str_starts_with($path, '/') ? $path : \dirname($file)."/$path");
            $story = self::story($job, $house);
            $hypotheses = HypothesisSpace::of($house, $this->trade->rates(), $story);

            return new Job($house, self::state($job, $house, '/state'), $hypotheses, Pairs::rank($house, $hypotheses, self::evidence($job, $house, $hypotheses)), $story);
        } catch (HouseError|ReadingError|\OutOfBoundsException $e) {
            throw new \RuntimeException("$file".($e instanceof HouseError ? ", at $e->path" : '').": {$e->getMessage()}", 0, $e);
        }
    }

    /** What was told and seen, with the devices that have opened and the places where it shows. */
    private static function story(Attributes $job, House $house): Story
    {
        $story = new Story($job->strings('symptoms'), $job->strings('contexts'), $job->pairs('findings'), $job->strings('tripped'), $job->strings('where'));
        foreach ($story->where as $at => $place) {
            isset($house->places[$place]) || throw new HouseError("/where/$at", \sprintf('There is no place "%s" in this house.', $place));
        }
        foreach ($story->tripped as $at => $device) {
            isset($house->parts[$device]) || throw new HouseError("/tripped/$at", \sprintf('There is no part "%s" in this house.', $device));
        }

        return $story;
    }

    /**
     * @param non-empty-list<\YellowProbe\Diagnosis\Hypothesis> $hypotheses
     *
     * @return list<Evidence>
     */
    private static function evidence(Attributes $job, House $house, array $hypotheses): array
    {
        $evidence = [];
        foreach ($job->map('readings') as $at => $reading) {
            if ($reading->has('test')) {
                $measurement = self::planned($house, $reading->string('test'), "/readings/$at/test");
            } else {
                $instrument = Instruments::get($reading->string('instrument'));
                $measurement = new Measurement(self::state($reading, $house, "/readings/$at/state"), $instrument, Connection::read($reading->object('connection')->raw, $instrument, $house, "/readings/$at/connection"));
            }
            $evidence[] = new Evidence(\sprintf('%04d', $at), $measurement, ReadingParser::parse($reading->string('raw'), $measurement->instrument), static fn (): PredictionTable => Predictor::table($house, $measurement, $hypotheses), $reading->string('test', $measurement->instrument->words()), self::exposure($reading, "/readings/$at"));
        }

        return [...$evidence, ...Implied::holds($house, $evidence, static fn (Measurement $watched): PredictionTable => Predictor::table($house, $watched, $hypotheses))];
    }

    private static function planned(House $house, string $test, string $path): Measurement
    {
        try {
            return TestCatalogue::plan($house, $test)->measurement;
        } catch (\OutOfBoundsException $e) {
            throw new HouseError($path, $e->getMessage());
        }
    }

    private static function exposure(Attributes $reading, string $path): Exposure
    {
        $conditions = array_map(static fn (string $word): Condition => Condition::tryFrom($word) ?? throw new HouseError("$path/conditions", \sprintf('"%s" is none of %s.', $word, implode(', ', array_column(Condition::cases(), 'value')))), $reading->strings('conditions'));

        return new Exposure((int) $reading->number('episode', 0.0), $conditions);
    }

    private static function state(Attributes $from, House $house, string $path): State
    {
        return $from->has('state') ? State::fromArray($from->object('state')->raw, $path) : State::resting($house);
    }
}
