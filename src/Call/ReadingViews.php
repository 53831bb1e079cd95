<?php

declare(strict_types=1);

namespace App\Call;

use App\Api\View\CorrectionView;
use App\Api\View\PairedReadingView;
use App\Api\View\ReadingView;
use App\Words\Say;
use YellowProbe\Installation\House;
use YellowProbe\Installation\HouseError;
use YellowProbe\Installation\State;
use YellowProbe\Installation\StateChange;
use YellowProbe\Instrument\Reading;
use YellowProbe\Instrument\ReadingParser;
use YellowProbe\Instrument\ResidualTester;
use YellowProbe\Procedure\TestName;
use YellowProbe\Rules\Kept;
use YellowProbe\Rules\Measured;
use YellowProbe\Words\Message;

/** The readings of a call as the page sees them. */
final readonly class ReadingViews
{
    public function __construct(private Say $say)
    {
    }

    /** @return list<ReadingView> in the order they were stored */
    public function of(Journal $journal): array
    {
        $views = $before = [];
        $kept = self::kept($journal);
        foreach ($journal->readings() as $reading) {
            $test = $reading->test();
            $views[] = $this->view($journal, $reading, null === $test ? null : $this->paired($journal, $reading, $before[$test] ?? []), isset($kept[$reading->id()]));
            if (null !== $test) {
                $before[$test][] = $reading;
            }
        }

        return $views;
    }

    /** @return array<string, true> ids of the readings that go on the record among their repeats; the two half-waves of a shot are repeats */
    private static function kept(Journal $journal): array
    {
        $groups = $kept = [];
        foreach ($journal->readings() as $reading) {
            $measured = Measured::by($reading->instrument);
            if (null === $measured || null === $reading->connection || null !== $reading->withdrawn) {
                $kept[$reading->id()] = true;
                continue;
            }
            $setting = $reading->instrument instanceof ResidualTester ? "$measured->value {$reading->instrument->multiple}" : $reading->instrument->slug();
            $groups[serialize([$setting, $reading->connection->toArray(), $reading->state()->hash(), $reading->proof])][] = [$measured, $reading];
        }
        foreach ($groups as $group) {
            foreach (Kept::of($group[0][0], array_map(static fn (array $each): Reading => ReadingParser::parse($each[1]->raw, $each[1]->instrument), $group)) as $at) {
                $kept[$group[$at][1]->id()] = true;
            }
        }

        return $kept;
    }

    /** The name of the test in the house that it was read in; what was typed where the house does not hold the point. */
    private function where(Journal $journal, TakenReading $reading): string
    {
        $house = $journal->houseOf($reading->entry) ?? $journal->house;
        $measurement = $reading->measurement();
        if (null === $house || null === $measurement) {
            return $reading->measured->near ?? $reading->judged->where ?? $this->say->of(new Message('record.gone'));
        }
        try {
            return $this->say->of(TestName::of($house, $measurement), $house->ruleSet);
        } catch (HouseError) {
            return $this->say->of(TestName::of($journal->house ?? $house, $measurement), $house->ruleSet);
        }
    }

    private function view(Journal $journal, TakenReading $reading, ?PairedReadingView $paired, bool $isKept): ReadingView
    {
        $judged = $reading->judged;

        return new ReadingView(
            $reading->id(),
            CallViews::time($reading->takenAt()),
            $reading->takenBy(),
            $reading->instrument->slug(),
            $this->say->of(TestName::setting($reading->instrument)),
            $reading->raw,
            $reading->measured->raw,
            $this->where($journal, $reading),
            null !== $reading->connection,
            $reading->withdrawn,
            $reading->doubted,
            array_map(static fn (array $correction): CorrectionView => new CorrectionView($correction['id'], $correction['raw'], $correction['reason']), $reading->corrections),
            $judged->expected,
            $judged->range,
            $judged->fit?->value,
            $judged->judgements,
            $judged->cautions,
            $reading->proof,
            $judged->proves,
            $reading->connection->terminals ?? [],
            $reading->connection->around ?? [],
            null === $journal->house ? [] : self::words($journal->house, State::resting($journal->house)->changesTo($reading->state())),
            $paired,
            $reading->isOfAct(),
            $isKept,
        );
    }

    /**
     * The same test in another state, the latest before this one.
     *
     * @param list<TakenReading> $before of the same test
     */
    private function paired(Journal $journal, TakenReading $reading, array $before): ?PairedReadingView
    {
        $house = $journal->house;
        foreach (array_reverse($before) as $earlier) {
            if (null === $house || null !== $earlier->withdrawn || $earlier->proof !== $reading->proof || $earlier->isInStateOf($reading)) {
                continue;
            }
            $changes = $earlier->state()->changesTo($reading->state());
            if ([] !== $changes) {
                return new PairedReadingView($earlier->raw, self::words($house, $changes));
            }
        }

        return null;
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
