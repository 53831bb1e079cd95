<?php

declare(strict_types=1);

namespace YellowProbe\Diagnosis;

use YellowProbe\Instrument\DeviceWatch;

/**
 * What one device was seen to do more than once. How far a fault drives it goes up and down with the house, and the house is the
 * same each time: who resets it and sees it hold three times has learnt little more than at the first. What is left, the
 * device's own spread and slips of who was watching, is of each time.
 *
 * With u standard and common to the device's watchings, level·e^(w·u) is what it sees, and P = ∫ Π P(seen | u) φ(u) du by quantiles.
 */
final class Watchings
{
    /** Quantiles of what the watchings of a device share. */
    private const QUANTILES = 32;

    /** @var list<non-empty-list<int>> readings of each device that was watched more than once */
    private readonly array $groups;

    /** @var array<int, DeviceWatch> by reading */
    private readonly array $devices;

    /** @var array<string, float> nats, by readings and places of their rows */
    private array $nats = [];

    /** @var array<int, array<int, array{list<float>, float}>> {@see watched}, by reading and place of its row: a diary asks it of every episode anew */
    private array $watched = [];

    /** @param list<Evidence> $evidence in the one order */
    public function __construct(private readonly array $evidence)
    {
        $groups = $devices = [];
        foreach ($evidence as $at => $piece) {
            if ($piece->measurement->instrument instanceof DeviceWatch) {
                $devices[$at] = $piece->measurement->instrument;
                $groups[$piece->measurement->connection->device()][] = $at;
            }
        }
        $this->devices = $devices;
        $this->groups = array_values(array_filter($groups, static fn (array $own): bool => \count($own) > 1));
    }

    /**
     * Nats by which the watchings together are likelier than each by itself, under what shows these rows.
     *
     * @param array<int, int> $apart places of the rows that are not the sound house's, by place in the evidence
     */
    public function together(array $apart): float
    {
        $nats = 0.0;
        foreach ($this->groups as $group) {
            $places = array_map(static fn (int $at): int => $apart[$at] ?? PredictionTable::SOUND, $group);
            $nats += $this->nats[implode(' ', [...$group, ':', ...$places])] ??= $this->nats($group, $places);
        }

        return $nats;
    }

    /**
     * @param non-empty-list<int> $group  readings of one device
     * @param list<int>           $places of their rows
     */
    private function nats(array $group, array $places): float
    {
        $product = array_fill(0, self::QUANTILES, 1.0);
        $alone = 0.0;
        foreach ($group as $of => $at) {
            [$own, $mean] = $this->watched[$at][$places[$of]] ??= $this->watched($at, $places[$of]);
            foreach ($product as $quantile => $before) {
                $product[$quantile] = $before * $own[$quantile];
            }
            $alone += $mean;
        }

        return log(array_sum($product) / self::QUANTILES) - $alone;
    }

    /** @return array{list<float>, float} probability of what was seen at each quantile, and the log of their mean */
    private function watched(int $at, int $place): array
    {
        $piece = $this->evidence[$at];
        $cell = new Cell($piece);
        $shown = $piece->table()->rows->row($place)->shown;
        $own = [];
        for ($quantile = 0; $quantile < self::QUANTILES; ++$quantile) {
            $own[] = $cell->slip + $cell->honest * $this->devices[$at]->probability($this->devices[$at]->inHouse($shown, ($quantile + 0.5) / self::QUANTILES), $piece->reading->pattern);
        }

        return [$own, log(array_sum($own) / self::QUANTILES)];
    }
}
