<?php

declare(strict_types=1);

namespace App\Call;

use App\Api\View\CorrectionView;
use App\Api\View\JudgementView;
use App\Api\View\PairedReadingView;
use App\Api\View\ReadingView;
use YellowProbe\Installation\Attributes;
use YellowProbe\Installation\House;
use YellowProbe\Installation\State;
use YellowProbe\Installation\StateChange;

/** The readings of a call as the page sees them. */
final class ReadingViews
{
    /** @var array<string, State> by what was stored: many readings are taken in one state */
    private array $states = [];

    private function __construct(private readonly Journal $journal)
    {
    }

    /** @return list<ReadingView> in the order they were stored */
    public static function of(Journal $journal): array
    {
        $own = new self($journal);
        $views = $before = [];
        foreach ($journal->readings() as $reading) {
            $test = $reading->test();
            $views[] = $own->view($reading, null === $test ? null : $own->paired($reading, $before[$test] ?? []));
            if (null !== $test) {
                $before[$test][] = $reading;
            }
        }

        return $views;
    }

    private function view(TakenReading $reading, ?PairedReadingView $paired): ReadingView
    {
        $source = $reading->source;
        $verdict = new Attributes($source->verdict, '');
        $payload = new Attributes($source->payload, '');
        $judgements = array_map(static fn (Attributes $judgement): JudgementView => new JudgementView($judgement->string('limit'), $judgement->string('verdict'), $judgement->string('sentence'), $judgement->string('working'), $judgement->string('source')), array_values($verdict->map('judgements')));

        return new ReadingView(
            $source->id->toRfc4122(),
            CallViews::time($source->clientAt),
            $source->author->name,
            $reading->instrument->slug(),
            $reading->instrument->words(),
            $reading->raw,
            $payload->string('raw'),
            $verdict->string('where', $payload->string('near', '')),
            null !== $reading->connection,
            $reading->withdrawn,
            $reading->doubted,
            array_map(static fn (array $correction): CorrectionView => new CorrectionView($correction['id'], $correction['raw'], $correction['reason']), $reading->corrections),
            $verdict->has('expected') ? $verdict->string('expected') : null,
            $verdict->has('range') ? $verdict->string('range') : null,
            $verdict->has('fit') ? $verdict->string('fit') : null,
            $judgements,
            $verdict->strings('cautions'),
            $reading->proof,
            true === ($source->verdict['proves'] ?? false),
            $reading->connection->terminals ?? [],
            $reading->connection->around ?? [],
            null === $this->journal->house ? [] : self::words($this->journal->house, State::resting($this->journal->house)->changesTo($this->state($reading))),
            $paired,
        );
    }

    /**
     * The same test in another state, the latest before this one.
     *
     * @param list<TakenReading> $before of the same test
     */
    private function paired(TakenReading $reading, array $before): ?PairedReadingView
    {
        $house = $this->journal->house;
        foreach (array_reverse($before) as $earlier) {
            if (null === $house || null !== $earlier->withdrawn || $earlier->proof !== $reading->proof || $earlier->source->state === $reading->source->state) {
                continue;
            }
            $changes = $this->state($earlier)->changesTo($this->state($reading));
            if ([] !== $changes) {
                return new PairedReadingView($earlier->raw, self::words($house, $changes));
            }
        }

        return null;
    }

    private function state(TakenReading $reading): State
    {
        return $this->states[serialize($reading->source->state)] ??= State::fromArray($reading->source->state);
    }

    /**
     * @param list<StateChange> $changes
     *
     * @return list<string>
     */
    private static function words(House $house, array $changes): array
    {
        return array_map(static fn (StateChange $change): string => $change->words($house), $changes);
    }
}
