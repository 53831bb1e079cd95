<?php

declare(strict_types=1);

namespace YellowProbe\Evaluation;

use YellowProbe\Diagnosis\Hypothesis;
use YellowProbe\Fault\Change;
use YellowProbe\Fault\NewBranch;
use YellowProbe\Installation\Attributes;
use YellowProbe\Installation\House;
use YellowProbe\Installation\Part\Outlets;
use YellowProbe\Installation\State;
use YellowProbe\Instrument\Instrument;
use YellowProbe\Instrument\Measurement;
use YellowProbe\Instrument\Shown;

/**
 * A world that the inference does not expect: surveys that are wrong, testers at their limits, states recorded wrongly,
 * causes nobody listed, faults that are away. How often stands in a file that only the evaluation reads.
 */
final readonly class MismatchedWorld implements World
{
    public function __construct(private Attributes $rates)
    {
    }

    public function truth(House $surveyed, array $hypotheses, Dice $dice): Truth
    {
        $house = $this->wired($surveyed, $dice);
        $factors = MatchedWorld::factors($surveyed, $dice);
        if ($dice->chance($this->rates->number('absent'))) {
            return new Truth($house, null, Hypothesis::SOUND, $factors);
        }
        if ($dice->chance($this->rates->number('outsideCatalogue'))) {
            return new Truth($house, self::unlisted($house, $dice), null, $factors);
        }
        $hidden = MatchedWorld::showing($surveyed, $hypotheses);
        $cause = $hidden[$dice->weighted(array_map(static fn (Hypothesis $hypothesis): float => $hypothesis->prior, $hidden))];
        // The same fault in the house as it is wired.
        foreach ($cause->kind?->sites($house) ?? [] as $site) {
            if ($site->id === $cause->site?->id && null !== $cause->kind) {
                return new Truth($house, $cause->kind->change($house, $site, MatchedWorld::severity($cause, $dice)), $cause->id, $factors);
            }
        }

        return new Truth($surveyed, MatchedWorld::change($surveyed, $cause, $dice), $cause->id, $factors);
    }

    public function done(Measurement $measurement, House $house, Dice $dice): Measurement
    {
        return $dice->chance($this->rates->number('wrongState')) ? new Measurement(State::resting($house), $measurement->instrument, $measurement->connection) : $measurement;
    }

    /** Anywhere up to the tester's limit, which is two of the deviations that the inference takes it for. */
    public function gain(Instrument $instrument, float $drawn): float
    {
        return exp($instrument->accuracy()->gain * tanh($drawn));
    }

    public function blunder(Truth $truth, Instrument $instrument, Dice $dice): ?Shown
    {
        return $dice->chance($this->rates->number('blunders')) ? MatchedWorld::anything($instrument, $dice) : null;
    }

    private function wired(House $surveyed, Dice $dice): House
    {
        $document = $surveyed->document;
        /** @var array<string, array<string, mixed>> $cables */
        $cables = $document['cables'];
        /** @var array<string, array<string, mixed>> $parts */
        $parts = $document['parts'];
        $outlets = Outlets::all($surveyed);
        if (\count($outlets) > 1 && $dice->chance($this->rates->number('wiringOrder'))) {
            [$one] = $dice->one($outlets);
            $alike = array_values(array_filter($outlets, static fn (array $other): bool => $other[0]->id !== $one->id && $other[0]->kind === $one->kind && $surveyed->circuitOfPart($other[0]->id) === $surveyed->circuitOfPart($one->id)));
            if ([] !== $alike) {
                $cables = self::exchanged($cables, $one->id, $dice->one($alike)[0]->id);
            }
        }
        if ([] !== $outlets && $dice->chance($this->rates->number('unlistedLoad'))) {
            [$part, $outlet] = $dice->one($outlets);
            $parts['unlisted'] = ['kind' => 'appliance', 'place' => $part->place, 'name' => 'Unlisted', 'pluggedInto' => "$part->id.$outlet", 'watts' => $dice->one([40, 150, 900]), 'filterNanofarads' => $dice->one([0, 5, 20])];
        }
        $sized = array_keys(array_filter($cables, static fn (array $cable): bool => isset($cable['mm2'], $cable['circuit'])));
        if ([] !== $sized && $dice->chance($this->rates->number('cableSize'))) {
            $id = $dice->one($sized);
            $cables[$id]['mm2'] = 1.5 === (float) (is_numeric($cables[$id]['mm2']) ? $cables[$id]['mm2'] : 0) ? 1.0 : 1.5;
        }

        return House::fromDocument(['cables' => $cables, 'parts' => $parts] + $document);
    }

    /**
     * @param array<string, array<string, mixed>> $cables
     *
     * @return array<string, array<string, mixed>>
     */
    private static function exchanged(array $cables, string $one, string $other): array
    {
        $swap = static fn (mixed $end): ?string => \is_string($end) ? preg_replace_callback('/^[^.]+/', static fn (array $match): string => [$one => $other, $other => $one][$match[0]] ?? $match[0], $end) : null;
        foreach ($cables as $id => $cable) {
            /** @var array<string, array{ends: list<string|null>}> $cores */
            $cores = $cable['cores'];
            foreach ($cores as $key => $core) {
                $cores[$key]['ends'] = array_map($swap, $core['ends']);
            }
            $cables[$id]['cores'] = $cores;
        }

        return $cables;
    }

    /** A contact where no fault of the catalogue puts one: between any two screws of the house. */
    private static function unlisted(House $house, Dice $dice): Change
    {
        $points = Outlets::points($house);
        $screws = [];
        foreach ($points as $point) {
            foreach (['L', 'N', 'E'] as $pole) {
                if ($house->hasTerminal(Outlets::screw($point, $pole))) {
                    $screws[] = Outlets::screw($point, $pole);
                }
            }
        }
        \assert([] !== $screws);
        $one = $dice->one($screws);
        do {
            $other = $dice->one($screws);
        } while ($house->partOf($one)->id === $house->partOf($other)->id && \count($points) > 1);

        return new Change([], [NewBranch::contact($one, $other, 10.0 ** (4.0 * $dice->uniform() - 1.0))]);
    }
}
