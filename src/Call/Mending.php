<?php

declare(strict_types=1);

namespace App\Call;

use App\Api\Problem;
use App\Observation\Accepted;
use App\Observation\Repaired;
use App\Observation\Settled;
use App\Observation\Told;
use App\Observation\Tried;
use App\Words\Percent;
use YellowProbe\Diagnosis\Hypothesis;
use YellowProbe\Diagnosis\Predictor;
use YellowProbe\Diagnosis\Suspect;
use YellowProbe\Fault\FaultCatalogue;
use YellowProbe\Installation\House;
use YellowProbe\Instrument\ComplaintTrial;

/** From the accepted cause to the repair: what each step must hold, and what is frozen with it. */
final readonly class Mending
{
    public function __construct(private Rankings $rankings, private TradeData $trade)
    {
    }

    /** @return array{} */
    public function settled(Settled $settled, Journal $journal): array
    {
        $told = array_filter($journal->standing(Told::class), static fn (array $each): bool => $each[0]->id() === $settled->observation && null !== $each[1]->symptom);
        if ([] === $told) {
            throw Problem::invalid('/payload/observation', 'Name the symptom, as it was told, that this is the verdict on.');
        }
        if ('cured' === $settled->verdict && ComplaintTrial::THERE === ($journal->last(Tried::class)[1] ?? null)?->outcome) {
            throw Problem::conflict('The complaint was still there when it was tried last: it is not cured. Find what is left, or try it again.', '/payload/verdict');
        }

        return [];
    }

    /** @return array<string, mixed> the ranking frozen as it stood, with the versions it was made by */
    public function accepted(Accepted $accepted, Journal $journal): array
    {
        $house = $journal->house ?? throw Problem::conflict('A cause from the list needs a house; this call has none yet.');
        $ranking = $this->rankings->rank($journal);
        foreach ($ranking->suspects() as $suspect) {
            foreach ($suspect->standings as $standing) {
                if ($standing->hypothesis->id === $accepted->hypothesis) {
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
            // As the page shows it beside the cause: of the whole group of places that fit alike.
            'shown' => Percent::of($suspect->probability),
            'shownHere' => Percent::of($probability),
            'places' => $suspect->places($house),
            'reasons' => $suspect->reasons(),
            'ranking' => array_map(static fn (Suspect $other): array => ['title' => $other->title(), 'where' => array_keys($other->where()), 'probability' => $other->probability, 'shown' => Percent::of($other->probability)], $top),
            'versions' => ['catalogue' => FaultCatalogue::VERSION, 'engine' => Predictor::VERSION, 'priors' => $this->trade->rates()->version, 'ruleSet' => $house->ruleSet],
        ];
    }

    /** @return array<string, mixed> the cause that it repairs */
    public function repaired(Journal $journal): array
    {
        $accepted = $journal->last(Accepted::class) ?? throw Problem::conflict('Accept a cause first, so that the record says what was repaired.');

        return ['of' => $accepted[0]->id()];
    }

    /** @return array{} */
    public function tried(Journal $journal): array
    {
        if (null === $journal->last(Repaired::class)) {
            throw Problem::conflict('Try the complaint again once something was repaired; what happens before that is a symptom.');
        }
        if ($journal->story()->isInspection()) {
            throw Problem::conflict('Nobody complained of anything, so there is nothing to try again. Repeat the test that failed, and test on for what is left.');
        }

        return [];
    }
}
