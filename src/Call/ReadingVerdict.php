<?php

declare(strict_types=1);

namespace App\Call;

use App\Api\Problem;
use App\Entity\Observation;
use YellowProbe\Diagnosis\Expectation;
use YellowProbe\Diagnosis\Fit;
use YellowProbe\Diagnosis\Predictor;
use YellowProbe\Installation\Attributes;
use YellowProbe\Installation\House;
use YellowProbe\Installation\HouseError;
use YellowProbe\Installation\State;
use YellowProbe\Instrument\Connection;
use YellowProbe\Instrument\Instrument;
use YellowProbe\Instrument\Instruments;
use YellowProbe\Instrument\Measurement;
use YellowProbe\Instrument\Reading;
use YellowProbe\Instrument\ReadingParser;
use YellowProbe\Instrument\Unit;
use YellowProbe\Procedure\Obstacle;
use YellowProbe\Rules\Judgement;
use YellowProbe\Rules\Verdict;

/** A reading judged as it is stored: against every limit that applies and against what the house should show. */
final readonly class ReadingVerdict
{
    public function __construct(private TradeData $trade, private Kept $kept)
    {
    }

    /**
     * @return array<string, mixed>
     *
     * @throws Problem
     */
    public function of(Attributes $payload, Journal $journal): array
    {
        $instrument = self::instrument($payload);
        $reading = ReadingParser::parse($payload->string('raw'), $instrument);
        Forced::read($payload, '/payload/forced');
        $raw = $payload->object('connection')->raw;
        if (null === $journal->house || [] === $raw) {
            if ('' === trim($payload->string('near', ''))) {
                throw Problem::invalid('/payload/near', 'Say where it was read: on terminals of the house, or in words when the house does not hold that point yet.');
            }

            return ['placed' => false, 'cautions' => []];
        }
        $house = $journal->house;
        try {
            $connection = Connection::read($raw, $instrument, $house, '/payload/connection');
        } catch (HouseError $e) {
            throw Problem::invalid($e->path, $e->getMessage());
        }
        $measurement = new Measurement($journal->state(), $instrument, $connection);
        $cautions = self::cautions($house, $measurement, $journal);
        try {
            $row = $this->kept->sound($house, $measurement);
        } catch (HouseError $e) {
            throw Problem::invalid('/payload/connection'.$e->path, $e->getMessage());
        }
        $expectation = new Expectation($row, $instrument);
        $judgements = $this->trade->ruleSet($house->ruleSet)->judge($house, $measurement, $reading);
        $fit = $expectation->fit($reading);

        return [
            'placed' => true,
            'where' => Diagnosis::where($house, $measurement),
            'value' => $reading->value,
            'expected' => $expectation->text(),
            'range' => $expectation->range(),
            'fit' => $fit->value,
            'judgements' => array_map(static fn (Judgement $judgement): array => [
                'limit' => $judgement->limit, 'verdict' => $judgement->verdict->value, 'sentence' => $judgement->sentence, 'working' => $judgement->working, 'source' => $judgement->source,
            ], $judgements),
            'cautions' => $cautions,
            'proves' => self::proves($journal, $measurement, $judgements, $fit),
            'versions' => ['engine' => Predictor::VERSION, 'ruleSet' => $house->ruleSet],
        ];
    }

    private static function instrument(Attributes $payload): Instrument
    {
        try {
            return Instruments::get($payload->string('instrument'));
        } catch (\OutOfBoundsException $e) {
            throw Problem::invalid('/payload/instrument', $e->getMessage());
        }
    }

    /**
     * An ohm or insulation range on conductors that the state leaves live is refused; without a proof of dead it is
     * stored with a caution.
     *
     * @return list<string>
     */
    private static function cautions(House $house, Measurement $measurement, Journal $journal): array
    {
        if (!$measurement->instrument->deadOnly()) {
            return [];
        }
        $obstacle = Obstacle::of($house, $measurement);
        if (true === $obstacle?->danger) {
            throw Problem::conflict($obstacle->words.' Make safe leads through the steps.', '/payload/instrument');
        }

        return $journal->isolations()->isProved() ? [] : ['No proof of dead stands at this moment: prove dead again at the point before you connect.'];
    }

    /**
     * Whether a reading after the last repair repeats a test that failed before it, and passes.
     *
     * @param list<Judgement> $judgements
     */
    private static function proves(Journal $journal, Measurement $measurement, array $judgements, Fit $fit): bool
    {
        if (!$journal->last('repaired') instanceof Observation || Fit::Off === $fit) {
            return false;
        }
        foreach ($judgements as $judgement) {
            if (Verdict::Bad === $judgement->verdict) {
                return false;
            }
        }
        $failures = array_filter($journal->readings(), static fn (TakenReading $earlier): bool => !$earlier->proof && null === $earlier->withdrawn && self::failed($earlier->source));
        $screened = Unit::Pattern === $measurement->instrument->unit();
        if ($screened && [] !== array_filter($failures, static fn (TakenReading $earlier): bool => Unit::Pattern !== $earlier->instrument->unit())) {
            return false; // three lamps are screening: where a test failed, that test is the proof
        }
        foreach ($failures as $earlier) {
            if ($earlier->instrument->slug() === $measurement->instrument->slug() && $earlier->connection?->toArray() === $measurement->connection->toArray()) {
                return true;
            }
        }

        return false;
    }

    /** Whether a stored reading failed when it was taken: off what the house should show, or beyond a limit. */
    public static function failed(Observation $observation): bool
    {
        $judgements = $observation->verdict['judgements'] ?? [];
        $bad = \is_array($judgements) && [] !== array_filter($judgements, static fn (mixed $judgement): bool => \is_array($judgement) && 'bad' === ($judgement['verdict'] ?? ''));

        return $bad || Fit::Off->value === ($observation->verdict['fit'] ?? '');
    }
}
