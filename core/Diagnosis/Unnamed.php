<?php

declare(strict_types=1);

namespace YellowProbe\Diagnosis;

use YellowProbe\Instrument\ComplaintTrial;

/**
 * What a cause nobody thought of makes of the readings: it leaves most of them as they should be and makes the rest anything, so
 * that it does not vanish because sound parts read sound, nor win by being vague.
 */
final readonly class Unnamed
{
    /** Share of readings that an unknown cause disturbs. */
    public const TOUCHED = 0.3;

    /** @param list<Evidence> $evidence in the one order */
    public function __construct(private array $evidence)
    {
    }

    /**
     * @param LikelihoodResult $beside the house that it is in: as surveyed, or with what has been repaired since
     *
     * @return list<float> log-probability of each reading
     */
    public function each(LikelihoodResult $beside): array
    {
        $each = $first = $touched = [];
        foreach ($this->evidence as $at => $piece) {
            if ($piece->measurement->instrument instanceof ComplaintTrial) {
                $each[] = log($piece->display->plainProbability(ComplaintTrial::shown(true), $piece->reading) ?? 1.0);
                continue;
            }
            $key = $piece->measurement->hash().implode(' ', $piece->repaired);
            // What it disturbs it disturbs again: read once more there, it shows the same.
            $other = isset($first[$key]) ? Repeated::probability($piece, $first[$key]) : $piece->display->broad($piece->reading);
            $share = $touched[$key] ?? self::TOUCHED;
            $probability = $share * $other + (1.0 - $share) * exp($beside->each[$at]);
            $touched[$key] = $share * $other / $probability;
            $first[$key] ??= $piece;
            $each[] = log($probability);
        }

        return $each;
    }

    /** What it costs to move the shared factors is paid by it as well as by the house that it is in. */
    public static function moved(LikelihoodResult $beside): float
    {
        return $beside->log - array_sum($beside->each);
    }
}
