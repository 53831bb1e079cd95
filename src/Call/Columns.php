<?php

declare(strict_types=1);

namespace App\Call;

use App\Api\Problem;
use App\Api\View\ColumnsView;
use YellowProbe\Diagnosis\Evidence;
use YellowProbe\Installation\House;

/**
 * What each reading of a call would show under every cause: seconds of work in all when a house is new or was surveyed
 * otherwise, so that whoever waits for the ranking can see how far it is, and ask for another part of it meanwhile.
 */
final readonly class Columns
{
    public function __construct(private Rankings $rankings, private Kept $kept)
    {
    }

    public function view(Journal $journal): ColumnsView
    {
        $columns = $this->columns($journal);
        $house = $journal->house;
        $missing = array_filter($columns, fn (Evidence $piece): bool => $house instanceof House && !$this->kept->hasTable($house, $piece->measurement));

        return new ColumnsView(\count($columns), array_map(static fn (Evidence $piece): string => $piece->id, array_values($missing)));
    }

    /**
     * @param list<string> $observations
     *
     * @throws Problem naming an observation that is no reading of this call
     */
    public function work(Journal $journal, array $observations): void
    {
        $columns = array_column($this->columns($journal), null, 'id');
        foreach ($observations as $at => $id) {
            ($columns[$id] ?? throw Problem::invalid("/observations/$at", 'This call has no such reading that is weighed.'))->table();
        }
    }

    /** @return list<Evidence> the first of each measurement */
    private function columns(Journal $journal): array
    {
        $columns = [];
        foreach ($this->rankings->evidence($journal) as $piece) {
            $columns[$piece->measurement->hash()] ??= $piece;
        }

        return array_values($columns);
    }
}
