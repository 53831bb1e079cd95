<?php

declare(strict_types=1);

namespace App\Call;

use App\Api\Problem;
use App\Observation\Measured;
use App\Observation\Placed;
use App\Observation\Repaired;
use App\Words\Say;
use YellowProbe\Diagnosis\Expectation;
use YellowProbe\Diagnosis\Fit;
use YellowProbe\Diagnosis\Predictor;
use YellowProbe\Installation\House;
use YellowProbe\Installation\HouseError;
use YellowProbe\Installation\State;
use YellowProbe\Installation\StateChange;
use YellowProbe\Instrument\Connection;
use YellowProbe\Instrument\Instrument;
use YellowProbe\Instrument\Instruments;
use YellowProbe\Instrument\Measurement;
use YellowProbe\Instrument\Reading;
use YellowProbe\Instrument\ReadingError;
use YellowProbe\Instrument\ReadingParser;
use YellowProbe\Instrument\ResidualTester;
use YellowProbe\Instrument\Unit;
use YellowProbe\Procedure\Obstacle;
use YellowProbe\Procedure\TestName;
use YellowProbe\Procedure\TwoStates;
use YellowProbe\Rules\Judgement;
use YellowProbe\Rules\Verdict;
use YellowProbe\Words\Message;

/**
 * A reading judged as it is stored: that it belongs to the test it names, then against every limit that applies and against
 * what the house should show.
 */
final readonly class ReadingVerdict
{
    public function __construct(private TradeData $trade, private Kept $kept, private Say $say)
    {
    }

    /**
     * @return array<string, mixed>
     *
     * @throws Problem
     */
    public function of(Measured $measured, Journal $journal, Origin $origin): array
    {
        $instrument = self::instrument($measured);
        try {
            $reading = ReadingParser::parse($measured->raw, $instrument);
        } catch (ReadingError $e) {
            throw Problem::invalid('/payload/raw', $e->getMessage());
        }
        $house = $journal->house;
        self::setUp($measured, $journal, $origin);
        if (null === $house || null === $measured->connection) {
            if (null === $measured->near) {
                throw Problem::invalid('/payload/near', 'Say where it was read, in words: this call has no house yet.');
            }

            return ['placed' => false, 'cautions' => []];
        }
        try {
            $connection = Connection::read($measured->connection->raw(), $instrument, $house, '/payload/connection');
        } catch (HouseError $e) {
            throw Problem::invalid($e->path, $e->getMessage());
        }
        $state = $journal->fold()->asSeenBy($origin->device, $origin->seen);
        $measurement = new Measurement($state, $instrument, $connection);
        $this->belongs($measured, $house, $measurement);
        $cautions = [...$this->cautions($house, $measurement, $journal), ...$this->meanwhile($house, $journal, $origin)];
        try {
            return $this->judged($house, $measurement, $reading, $journal, null !== $journal->last(Repaired::class), $cautions);
        } catch (HouseError $e) {
            throw Problem::invalid('/payload/connection'.$e->path, $e->getMessage());
        }
    }

    /**
     * @return array<string, mixed> the figure as corrected, where and in what state it was taken
     *
     * @throws Problem
     */
    public function corrected(string $id, string $raw, Journal $journal): array
    {
        $taken = self::reading($id, $journal);
        try {
            $reading = ReadingParser::parse($raw, $taken->instrument);
        } catch (ReadingError $e) {
            throw Problem::invalid('/payload/raw', $e->getMessage());
        }

        return $this->again($taken, $taken->measurement(), $reading, $journal);
    }

    /**
     * @return array<string, mixed> the figure as it stands, at the point that it is placed at
     *
     * @throws Problem
     */
    public function placed(Placed $placed, Journal $journal): array
    {
        $taken = self::reading($placed->observation, $journal);
        $house = $journal->house ?? throw Problem::conflict('This call has no house to place the reading in yet.');
        try {
            $connection = Connection::read($placed->connection->raw(), $taken->instrument, $house, '/payload/connection');
        } catch (HouseError $e) {
            throw Problem::invalid($e->path, $e->getMessage());
        }

        return $this->again($taken, new Measurement($taken->state(), $taken->instrument, $connection), ReadingParser::parse($taken->raw, $taken->instrument), $journal);
    }

    /** @throws Problem */
    public static function reading(string $id, Journal $journal): TakenReading
    {
        return $journal->reading($id) ?? throw Problem::invalid('/payload/observation', 'There is no such reading on this call.');
    }

    /** @return array<string, mixed> a reading judged anew; of a point that the house does not hold, or that its state leaves nothing to measure at, nothing is said */
    private function again(TakenReading $taken, ?Measurement $measurement, Reading $reading, Journal $journal): array
    {
        $unjudged = ['placed' => null !== $measurement, 'cautions' => $taken->judged->cautions];
        if (null === $measurement || null === $journal->house) {
            return $unjudged;
        }
        try {
            return $this->judged($journal->houseOf($taken->entry) ?? $journal->house, $measurement, $reading, $journal, $taken->proof, $taken->judged->cautions);
        } catch (HouseError) {
            return $unjudged;
        }
    }

    /**
     * @param bool         $canProve whether it was taken after a repair
     * @param list<string> $cautions
     *
     * @return array<string, mixed>
     *
     * @throws HouseError where this house has nothing to measure there
     */
    private function judged(House $house, Measurement $measurement, Reading $reading, Journal $journal, bool $canProve, array $cautions): array
    {
        $instrument = $measurement->instrument;
        $expectation = new Expectation($this->kept->sound($house, $measurement), $instrument);
        $judgements = $this->trade->ruleSet($house->ruleSet)->judge($house, $measurement, $reading);
        $fit = self::second($expectation->fit($reading), $instrument, $judgements);

        return [
            'placed' => true,
            'where' => $this->say->of(TestName::of($house, $measurement), $house->ruleSet),
            'value' => $reading->value,
            'expected' => $expectation->text(),
            'range' => $expectation->range(),
            'fit' => $fit->value,
            'judgements' => array_map(static fn (Judgement $judgement): array => [
                'limit' => $judgement->limit, 'verdict' => $judgement->verdict->value, 'sentence' => $judgement->sentence, 'working' => $judgement->working, 'source' => $judgement->source,
            ], $judgements),
            'cautions' => $cautions,
            'proves' => $canProve && self::passes($judgements, $fit) && self::repeats($journal, $measurement),
            'versions' => ['engine' => Predictor::VERSION, 'ruleSet' => $house->ruleSet],
        ];
    }

    /**
     * A residual device that opens within its limit is sound: what this specimen does beside the usual one is worth a second
     * look, and no failure.
     *
     * @param list<Judgement> $judgements
     */
    private static function second(Fit $fit, Instrument $instrument, array $judgements): Fit
    {
        $verdicts = array_map(static fn (Judgement $judgement): Verdict => $judgement->verdict, $judgements);

        return Fit::Off === $fit && $instrument instanceof ResidualTester && [Verdict::Good] === array_values(array_unique($verdicts, \SORT_REGULAR)) ? Fit::Unsure : $fit;
    }

    /** The state that a reading of this device is stored with. */
    public static function stateOf(Journal $journal, Origin $origin): State
    {
        return $journal->fold()->asSeenBy($origin->device, $origin->seen);
    }

    private static function instrument(Measured $measured): Instrument
    {
        try {
            return Instruments::get($measured->instrument);
        } catch (\OutOfBoundsException $e) {
            throw Problem::invalid('/payload/instrument', $e->getMessage());
        }
    }

    /** Since its last preparation was confirmed its device has switched, lifted or linked nothing. */
    private static function setUp(Measured $measured, Journal $journal, Origin $origin): void
    {
        if (null === $measured->setUpAt) {
            return;
        }
        $entry = $journal->entry($measured->setUpAt) ?? throw Problem::conflict('This was set up after an entry that is not stored here. Set the test up again.', '/payload/setUpAt');
        $house = $journal->house;
        for ($at = $journal->index($entry) + 1, $count = \count($journal->entries); $at < $count; ++$at) {
            $later = $journal->entries[$at];
            $isKnown = null === $origin->seen || $later->position() <= $origin->seen || (null !== $origin->device && null !== $later->source->device && $later->source->device->equals($origin->device));
            $changes = null === $house || !$isKnown ? [] : $journal->changes($at);
            if (null !== $house && [] !== $changes) {
                throw Problem::conflict(\sprintf('Since this test was set up: %s. Set it up again, and read again.', implode(', ', array_map(static fn (StateChange $change): string => $change->words($house), $changes))), '/payload/setUpAt');
            }
        }
    }

    /** Tester, setting, leads and state are those of the test that it says was on the screen. */
    private function belongs(Measured $measured, House $house, Measurement $measurement): void
    {
        if (null === $measured->test) {
            return;
        }
        try {
            $plan = TwoStates::plan($house, $measured->test);
        } catch (\OutOfBoundsException) {
            throw Problem::invalid('/payload/test', 'This house has no such test. Set it up again.');
        }
        $name = $this->say->of(TestName::of($house, $plan->measurement), $house->ruleSet);
        if ($plan->measurement->instrument->slug() !== $measurement->instrument->slug() || $plan->measurement->connection->toArray() !== $measurement->connection->toArray()) {
            throw Problem::invalid('/payload/test', \sprintf('Tester and leads are not those of “%s”. Nothing was stored; set it up again.', $name));
        }
        $missing = $measurement->state->changesTo($plan->measurement->state);
        if ([] !== $missing) {
            throw Problem::conflict(\sprintf('“%s” asks for another state of the house: %s. Nothing was stored; set it up again.', $name, implode(', ', array_map(static fn (StateChange $change): string => $change->words($house), $missing))), '/payload/test');
        }
    }

    /**
     * An ohm or insulation range on conductors that the state leaves live is refused; where no proof of dead stands it is
     * stored with a caution.
     *
     * @return list<string>
     */
    private function cautions(House $house, Measurement $measurement, Journal $journal): array
    {
        if (!$measurement->instrument->deadOnly()) {
            return [];
        }
        $obstacle = Obstacle::of($house, $measurement);
        if (true === $obstacle?->danger) {
            throw Problem::conflict($obstacle->words.' Make safe leads through the steps.', '/payload/instrument');
        }
        $unproved = $journal->isolations()->unproved($house, $measurement->connection);

        return [] === $unproved ? [] : [$this->say->of(new Message('caution.unproved', ['places' => implode(', ', array_map(static fn (string $place): string => $house->places[$place]->name, $unproved))]), $house->ruleSet)];
    }

    /** @return list<string> what somebody else switched that this device did not know of */
    private function meanwhile(House $house, Journal $journal, Origin $origin): array
    {
        $words = [];
        foreach ($journal->fold()->meanwhile($origin->device, $origin->seen) as $at) {
            foreach ($journal->changes($at) as $change) {
                $words[] = $change->words($house);
            }
        }

        return [] === $words ? [] : [$this->say->of(new Message('caution.meanwhile', ['changes' => implode(', ', $words)]), $house->ruleSet)];
    }

    /** @param list<Judgement> $judgements */
    private static function passes(array $judgements, Fit $fit): bool
    {
        return Fit::Off !== $fit && [] === array_filter($judgements, static fn (Judgement $judgement): bool => Verdict::Bad === $judgement->verdict);
    }

    /** Whether it is a test that failed before the repair. */
    private static function repeats(Journal $journal, Measurement $measurement): bool
    {
        foreach (self::toRepeat($journal) as $earlier) {
            if ($earlier->instrument->slug() === $measurement->instrument->slug() && $earlier->connection?->toArray() === $measurement->connection->toArray()) {
                return true;
            }
        }

        return false;
    }

    /**
     * Readings that failed before the repair and have to be repeated. Three lamps are screening: where a test failed, that test
     * is the proof.
     *
     * @return list<TakenReading>
     */
    public static function toRepeat(Journal $journal): array
    {
        $failures = array_filter($journal->readings(), static fn (TakenReading $reading): bool => !$reading->proof && null === $reading->withdrawn && $reading->judged->failed);
        $tests = array_filter($failures, static fn (TakenReading $reading): bool => Unit::Pattern !== $reading->instrument->unit());

        return array_values([] === $tests ? $failures : $tests);
    }
}
