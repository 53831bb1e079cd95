<?php

declare(strict_types=1);

namespace App\Command;

use App\Call\TradeData;
use YellowProbe\Diagnosis\HypothesisSpace;
use YellowProbe\Diagnosis\Pairs;
use YellowProbe\Diagnosis\Story;
use YellowProbe\Installation\Attributes;
use YellowProbe\Installation\House;
use YellowProbe\Installation\HouseError;
use YellowProbe\Instrument\ReadingError;

/** A job file is {"house": "file.json", "symptoms": [], "contexts": [], "findings"?: [[slug, place]], "tripped"?: [part], "where"?: [place], "running"?: [part], "state"?: {}, "readings": [{"test": id, "raw": "0.83"} or {"instrument", "connection", "state"?, "raw"}]}; a reading may have an "episode" (a number) and "conditions" it was forced with. */
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

            return new Job($house, JobReadings::state($job, $house), $hypotheses, Pairs::rank($house, $hypotheses, JobReadings::of($house, $job->map('readings'), $hypotheses)), $story);
        } catch (HouseError|ReadingError|\OutOfBoundsException $e) {
            throw new \RuntimeException("$file".($e instanceof HouseError ? ", at $e->path" : '').": {$e->getMessage()}", 0, $e);
        }
    }

    /** What was told and seen, with the devices that have opened, the places where it shows and what ran then. */
    private static function story(Attributes $job, House $house): Story
    {
        $story = new Story($job->strings('symptoms'), $job->strings('contexts'), $job->pairs('findings'), $job->strings('tripped'), $job->strings('where'), $job->strings('running'));
        foreach ($story->where as $at => $place) {
            isset($house->places[$place]) || throw new HouseError("/where/$at", \sprintf('There is no place "%s" in this house.', $place));
        }
        foreach (['tripped' => $story->tripped, 'running' => $story->running] as $key => $parts) {
            foreach ($parts as $at => $part) {
                isset($house->parts[$part]) || throw new HouseError("/$key/$at", \sprintf('There is no part "%s" in this house.', $part));
            }
        }

        return $story;
    }
}
