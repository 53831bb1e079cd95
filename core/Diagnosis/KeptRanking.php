<?php

declare(strict_types=1);

namespace YellowProbe\Diagnosis;

use YellowProbe\Installation\House;
use YellowProbe\Instrument\Measurement;

/** What of a ranking cannot be had from the house and the readings alone, small enough to be kept. */
final readonly class KeptRanking
{
    /** Numbers of a standing before the shares of its severities: probability, log, which readings' logs, how many shares, of how many severities the stretches. */
    private const HEAD = 5;

    /**
     * @param string                                                     $ids     of the causes, likeliest first, a line each
     * @param string                                                     $numbers of each cause, as doubles one after the other
     * @param string                                                     $logs    of the readings under one cause, then another, as doubles: many causes share them
     * @param int<0, max> $readings
     * @param list<array{string, list<int>, string, list<int>, float}>   $pairs   id and severities of the one fault and the other, prior
     * @param array<string, float>                                       $spread
     * @param array<string, float>                                       $circuits of what has no name
     */
    private function __construct(private string $ids, private string $numbers, private string $logs, private int $readings, private array $pairs, private array $spread, private array $circuits)
    {
    }

    public static function of(Ranking $ranking): self
    {
        $ids = $numbers = $known = $pairs = $circuits = [];
        $logs = '';
        foreach ($ranking->standings as $standing) {
            $hypothesis = $standing->hypothesis;
            $circuits += $standing->circuits;
            $ids[] = $hypothesis->id;
            $each = pack('e*', ...$standing->each);
            if (!isset($known[$each])) {
                $known[$each] = \count($known);
                $logs .= $each;
            }
            array_push($numbers, $standing->probability, $standing->log, $known[$each], \count($standing->severities), \count($standing->stretches), ...$standing->severities, ...array_merge(...$standing->stretches));
            if ([] !== $hypothesis->both) {
                $pairs[] = [$hypothesis->both[0]->id, $hypothesis->both[0]->severities, $hypothesis->both[1]->id, $hypothesis->both[1]->severities, $hypothesis->prior];
            }
        }

        return new self(implode("\n", $ids), pack('e*', ...$numbers), $logs, \count($ranking->evidence), $pairs, $ranking->spread, $circuits);
    }

    /**
     * @param list<Hypothesis>                                                                 $hypotheses the same singles that were ranked
     * @param list<Evidence>                                                                   $evidence
     * @param (\Closure(House, Measurement, non-empty-list<Hypothesis>): PredictionTable)|null $sketch     where tables of pairs come from
     */
    public function restored(House $house, array $hypotheses, array $evidence, ?\Closure $sketch = null): Ranking
    {
        $byId = [];
        foreach ($hypotheses as $hypothesis) {
            $byId[$hypothesis->id] = $hypothesis;
        }
        foreach ($this->pairs as [$one, $ones, $other, $others, $prior]) {
            $pair = Hypothesis::pair($byId[$one]->narrowed($ones), $byId[$other]->narrowed($others), $prior);
            $byId[$pair->id] = $pair;
        }
        $logs = $this->readings < 1 ? [[]] : array_chunk(self::doubles($this->logs), $this->readings);
        $numbers = self::doubles($this->numbers);
        $standings = [];
        $at = 0;
        foreach (explode("\n", $this->ids) as $id) {
            [$probability, $log, $each, $shares, $of] = \array_slice($numbers, $at, self::HEAD);
            $at += self::HEAD;
            /** @var list<array{float, float, float, float}> $stretches */
            $stretches = array_chunk(\array_slice($numbers, $at + (int) $shares, 4 * (int) $of), 4);
            $standing = new Standing($byId[$id], $log, $logs[(int) $each], \array_slice($numbers, $at, (int) $shares), $stretches, Hypothesis::ELSE === $id ? $this->circuits : []);
            $standing->probability = $probability;
            $standings[] = $standing;
            $at += (int) $shares + 4 * (int) $of;
        }

        return new Ranking($standings, Ranker::ordered(Pairs::among($house, Pairs::best($standings), $evidence, $sketch)), $this->spread);
    }

    /** @return list<float> */
    private static function doubles(string $packed): array
    {
        /** @var list<float> $doubles */
        $doubles = array_values(unpack('e*', $packed) ?: []);

        return $doubles;
    }
}
