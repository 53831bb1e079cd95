<?php

declare(strict_types=1);

namespace App\Call;

use App\Api\View\SuggestionView;
use App\Entity\Call;
use App\Observation\Told;
use YellowProbe\Diagnosis\Story;

/** What the words of a call may be about and nobody has picked yet. Nothing of it weighs before it is. */
final readonly class Suggestions
{
    public function __construct(private TradeData $trade)
    {
    }

    /**
     * @param string $typed what is not stored yet
     *
     * @return list<SuggestionView>
     */
    public function of(Call $call, Journal $journal, string $typed = ''): array
    {
        $story = $journal->story();
        $suggestions = [];
        foreach ([$typed, $call->complaint, ...array_map(static fn (array $told): string => trim($journal->words($told[0]).'; '.$told[1]->when, '; '), $journal->standing(Told::class))] as $said) {
            foreach ($this->heard($said, $story, $journal) as $suggestion) {
                $suggestions[$suggestion->field.' '.$suggestion->slug] ??= $suggestion;
            }
        }

        return array_values($suggestions);
    }

    /** @return iterable<SuggestionView> */
    private function heard(string $said, Story $story, Journal $journal): iterable
    {
        $rates = $this->trade->rates();
        $heard = $this->trade->heard();
        foreach (array_diff($heard->symptoms($said), $story->symptoms) as $slug) {
            yield new SuggestionView('symptom', $slug, $rates->symptoms()[$slug], $said);
        }
        foreach (array_diff($heard->contexts($said), $story->contexts) as $slug) {
            $begin = explode('-', $slug)[0];
            yield new SuggestionView(\in_array($begin, ['onset', 'resets'], true) ? $begin : 'context', $slug, $rates->contexts()[$slug], $said);
        }
        $house = $journal->house;
        if (null !== $house) {
            foreach (array_diff($heard->appliances($house, $said), $story->running) as $part) {
                yield new SuggestionView('running', $part, $house->parts[$part]->name, $said);
            }
        }
    }
}
