<?php

declare(strict_types=1);

namespace YellowProbe\Diagnosis;

use YellowProbe\Installation\Attributes;
use YellowProbe\Installation\HouseError;
use YellowProbe\Installation\Place;

/**
 * Relative rates of causes given what was told, as data with their reasons.
 *
 * A symptom gives a rate to each kind of fault, to a sound house and to everything else; a context multiplies some of
 * them. Of several symptoms the mean counts. A room shifts a kind's share among its places.
 */
final readonly class Rates
{
    public string $version;

    public function __construct(private Attributes $data)
    {
        $this->version = $data->string('version');
    }

    /** @return array<string, string> slug => words */
    public function symptoms(): array
    {
        return array_map(static fn (Attributes $symptom): string => $symptom->string('words'), $this->data->map('symptoms'));
    }

    /** @return array<string, string> slug => words */
    public function contexts(): array
    {
        return array_map(static fn (Attributes $context): string => $context->string('words'), $this->data->map('contexts'));
    }

    /** @return array<string, string> slug => words of what can be seen or smelt */
    public function findings(): array
    {
        return array_map(static fn (Attributes $finding): string => $finding->string('words'), $this->data->map('findings'));
    }

    /**
     * How many times likelier a finding makes each kind of fault where it was found.
     *
     * @return array<string, float> fault slug, or "sound" for a house with nothing wrong => factor
     *
     * @throws HouseError when no finding is called so
     */
    public function found(string $slug): array
    {
        $findings = $this->data->map('findings');

        return self::factors($findings[$slug] ?? throw new HouseError('/finding', \sprintf('No finding is called "%s"; known are %s.', $slug, implode(', ', array_keys($findings)))));
    }

    /**
     * How many times likelier kinds of fault are at a place than elsewhere in the house, by the room that it is in.
     *
     * @return array<string, float> fault slug => factor
     */
    public function inRoom(Place $place): array
    {
        $factors = [];
        foreach ($this->data->map('rooms') as $slug => $room) {
            $names = implode('|', array_map(static fn (string $name): string => preg_quote($name, '/'), $room->strings('names')));
            if (('outdoors' === $slug && $place->attributes->flag('outdoors', false)) || 1 === preg_match("/\\b(?:$names)/i", $place->room)) {
                foreach (self::factors($room) as $kind => $factor) {
                    $factors[$kind] = max($factors[$kind] ?? 1.0, $factor);
                }
            }
        }

        return $factors;
    }

    /**
     * Share of the faults that come and go, of those that something can bring out; the mean over several symptoms.
     *
     * @throws HouseError when the story names a symptom that is not in the data
     */
    public function atTimes(Story $story): float
    {
        $told = [] === $story->symptoms ? [Story::INSPECTION] : $story->symptoms;

        return array_sum(array_map(fn (string $slug): float => $this->symptom($slug)->number('atTimes'), $told)) / \count($told);
    }

    /**
     * @return array<string, float> fault slug, "sound" or "other" => rate, summing to 1
     *
     * @throws HouseError when the story names a symptom or context that is not in the data
     */
    public function given(Story $story): array
    {
        $rates = [];
        $told = [] === $story->symptoms ? [Story::INSPECTION] : $story->symptoms;
        foreach ($told as $slug) {
            $symptom = $this->symptom($slug);
            $own = ['sound' => $symptom->positive('sound'), 'other' => $symptom->positive('other')];
            foreach ($symptom->object('rates')->raw as $kind => $_) {
                $own[(string) $kind] = $symptom->object('rates')->positive((string) $kind);
            }
            $sum = array_sum($own);
            foreach ($own as $kind => $rate) {
                $rates[$kind] = ($rates[$kind] ?? 0.0) + $rate / $sum;
            }
        }
        $contexts = $this->data->map('contexts');
        foreach ($story->contexts as $slug) {
            $context = $contexts[$slug] ?? throw new HouseError('/context', \sprintf('No context is called "%s"; known are %s.', $slug, implode(', ', array_keys($contexts))));
            foreach (self::factors($context) as $kind => $factor) {
                $rates[$kind] = ($rates[$kind] ?? 0.0) * $factor;
            }
        }
        $sum = array_sum($rates);

        return array_map(static fn (float $rate): float => $rate / $sum, $rates);
    }

    /**
     * What faults have to be for what was complained of; of several complaints each as often as it comes of that kind.
     *
     * @return array<string, Noticed> of the kinds of which something is known; the others are noticed whatever they are like
     *
     * @throws HouseError when the story names a symptom that is not in the data
     */
    public function noticed(Story $story): array
    {
        $each = [];
        $kinds = array_merge(...array_map(fn (string $slug): array => array_keys($this->symptom($slug)->map('noticed')), $story->symptoms));
        foreach ($story->symptoms as $slug) {
            $rates = $this->given(new Story([$slug]));
            $noticed = $this->symptom($slug)->map('noticed');
            foreach ($kinds as $kind) {
                if (($rates[$kind] ?? 0.0) > 0.0) {
                    $each[$kind][$slug] = [$rates[$kind], isset($noticed[$kind]) ? Noticed::of($noticed[$kind]) : Noticed::always()];
                }
            }
        }

        return array_map(static fn (array $own): Noticed => Noticed::mixed(array_values($own)), $each);
    }

    /** @return array<string, float> */
    private static function factors(Attributes $entry): array
    {
        $factors = [];
        foreach ($entry->object('factors')->raw as $kind => $_) {
            $factors[(string) $kind] = $entry->object('factors')->positive((string) $kind);
        }

        return $factors;
    }

    private function symptom(string $slug): Attributes
    {
        $symptoms = $this->data->map('symptoms');

        return $symptoms[$slug] ?? throw new HouseError('/symptom', \sprintf('No symptom is called "%s"; known are %s.', $slug, implode(', ', array_keys($symptoms))));
    }
}
