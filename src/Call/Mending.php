<?php

declare(strict_types=1);

namespace App\Call;

use App\Api\Problem;
use App\Entity\Observation;
use YellowProbe\Diagnosis\Hypothesis;
use YellowProbe\Diagnosis\Predictor;
use YellowProbe\Diagnosis\Suspect;
use YellowProbe\Fault\FaultCatalogue;
use YellowProbe\Installation\Attributes;
use YellowProbe\Installation\House;
use YellowProbe\Installation\Knowing;
use YellowProbe\Instrument\ComplaintTrial;

/** From the accepted cause to the closed call: what each step must hold, and what is frozen with it. */
final readonly class Mending
{
    public function __construct(private Rankings $rankings, private TradeData $trade)
    {
    }

    /** @return array{} */
    public function settled(Attributes $payload, Journal $journal): array
    {
        $of = $payload->string('observation', '');
        $told = array_filter($journal->observations, static fn (Observation $each): bool => $each->id->toRfc4122() === $of && 'told' === $each->kind && isset($each->payload['symptom']));
        if ([] === $told) {
            throw Problem::invalid('/payload/observation', 'Name the symptom, as it was told, that this is the verdict on.');
        }
        if (!\in_array($payload->string('verdict', ''), Journal::VERDICTS, true)) {
            throw Problem::invalid('/payload/verdict', 'Expected one of '.implode(', ', Journal::VERDICTS).'.');
        }

        $tried = $journal->last('tried');
        if ('cured' === $payload->string('verdict') && ComplaintTrial::THERE === ($tried?->payload['outcome'] ?? '')) {
            throw Problem::conflict('The complaint was still there when it was tried last: it is not cured. Find what is left, or try it again.', '/payload/verdict');
        }

        return ObservationKinds::text($payload, 'text');
    }

    /** @return array<string, mixed> the ranking frozen as it stood, with the versions it was made by */
    public function accepted(Attributes $payload, Journal $journal): array
    {
        $house = $journal->house ?? throw Problem::conflict('A cause from the list needs a house; this call has none yet.');
        $id = $payload->string('hypothesis');
        if (null === Knowing::tryFrom($payload->string('knowing', ''))) {
            throw Problem::invalid('/payload/knowing', 'Say how it is known: measured, seen, inferred or assumed.');
        }
        $ranking = $this->rankings->rank($journal);
        foreach ($ranking->suspects() as $suspect) {
            foreach ($suspect->standings as $standing) {
                if ($standing->hypothesis->id === $id) {
                    return $this->frozen($suspect, $standing->hypothesis, $standing->probability, $house, \array_slice($ranking->suspects(), 0, 5));
                }
            }
        }
        throw Problem::invalid('/payload/hypothesis', 'There is no such cause in this house.');
    }

    /**
     * @param list<Suspect> $top
     *
     * @return array<string, mixed>
     */
    private function frozen(Suspect $suspect, Hypothesis $hypothesis, float $probability, House $house, array $top): array
    {
        return [
            'words' => $hypothesis->words(),
            'kind' => $hypothesis->kind?->slug(),
            'class' => $hypothesis->kind?->class() ?? '',
            'probability' => $probability,
            'places' => $suspect->places($house),
            'reasons' => $suspect->reasons(),
            'ranking' => array_map(static fn (Suspect $other): array => ['title' => $other->title(), 'where' => array_keys($other->where()), 'probability' => $other->probability], $top),
            'versions' => ['catalogue' => FaultCatalogue::VERSION, 'engine' => Predictor::VERSION, 'priors' => $this->trade->rates()->version, 'ruleSet' => $house->ruleSet],
        ];
    }

    /** @return array{} */
    public function repaired(Attributes $payload, Journal $journal): array
    {
        if (!$journal->last('accepted') instanceof Observation) {
            throw Problem::conflict('Accept a cause first, so that the record says what was repaired.');
        }

        return ObservationKinds::text($payload, 'text');
    }

    /** @return array<string, mixed> */
    public function closed(Journal $journal): array
    {
        if ([] !== $journal->unsettled()) {
            throw Problem::conflict('Every symptom that was told needs its own verdict before the call closes: cured, explained, not found, or passed on.');
        }
        if (null !== $journal->last('accepted') && !$journal->isRepairProved()) {
            throw Problem::conflict('The repair is not proved: repeat the test that failed and record its reading.');
        }

        return [];
    }

    /** @return array{} */
    public function tried(Attributes $payload, Journal $journal): array
    {
        if (null === $journal->last('repaired')) {
            throw Problem::conflict('Try the complaint again once something was repaired; what happens before that is a symptom.');
        }
        if ($journal->story()->isInspection()) {
            throw Problem::conflict('Nobody complained of anything, so there is nothing to try again. Repeat the test that failed, and test on for what is left.');
        }
        $patterns = (new ComplaintTrial())->patterns();
        if (!\in_array($payload->string('outcome', ''), $patterns, true)) {
            throw Problem::invalid('/payload/outcome', 'Expected '.implode(' or ', $patterns).'.');
        }

        return [];
    }
}
