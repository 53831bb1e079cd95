<?php

declare(strict_types=1);

namespace YellowProbe\Diagnosis;

use YellowProbe\Installation\House;
use YellowProbe\Installation\HouseNetwork;
use YellowProbe\Installation\Protection;

/**
 * Two faults on one circuit can make what neither makes alone: line and earth exchanged at a point whose earth is missing as well. A
 * reading that a leading cause takes for a slip is worked out with each of the others there beside it; the best are its partners.
 *
 * A burnt joint with a short behind it leads under the name of an open conductor: what else the joint can have is tried in its place.
 */
final class MadeTogether
{
    /** How likely it has to be that the cause is nothing of the list: more than before anything was read. */
    private const ADMITTED = 0.05;

    private const LEADERS = 6;

    /** Other faults of the same joint that are tried in the place of a leading one, at their worst. */
    private const STAND_INS = 1;
    private const PARTNERS = 8;

    /** Readings that are worked out for each leader, and causes that are tried beside it, those of the highest rates. */
    private const SLIPS = 2;
    private const TRIED = 120;

    private function __construct(private readonly House $house, private readonly Ranking $singles)
    {
    }

    /**
     * @param list<Standing> $named likeliest first
     *
     * @return list<array{Hypothesis, Hypothesis}> leader and partner, each with the severities that suit
     */
    public static function partners(House $house, Ranking $singles, array $named): array
    {
        if ($singles->probability(Hypothesis::ELSE) < self::ADMITTED) {
            return [];
        }
        $own = new self($house, $singles);
        $left = array_values(array_filter($named, static fn (Standing $standing): bool => !$standing->hypothesis->isRepaired));
        $found = [];
        foreach ([...\array_slice($left, 0, self::LEADERS), ...self::namesakes($named, \array_slice($left, self::LEADERS))] as $leader) {
            $slips = $own->slips($leader);
            array_push($found, ...$own->beside($leader, $leader->likeliestSeverity(), $slips, $left));
            foreach (self::standIns($leader, $left) as $other) {
                array_push($found, ...$own->beside($other, \count($other->hypothesis->ohms()) - 1, $slips + $own->slips($other), $left));
            }
        }

        return $found;
    }

    /**
     * A repair that did not help led with what a second fault made of the first: the same at the other end of the cable, say, may be it.
     *
     * @param list<Standing> $named
     * @param list<Standing> $left  not repaired, likeliest first
     *
     * @return list<Standing> of the kind of what was repaired and on its conductor, the likeliest for each
     */
    private static function namesakes(array $named, array $left): array
    {
        $found = [];
        foreach ($named as $one) {
            $near = $one->hypothesis->isRepaired ? array_filter($left, static fn (Standing $other): bool => $other->hypothesis->kind === $one->hypothesis->kind && [] !== array_intersect($other->hypothesis->site->things ?? [], $one->hypothesis->site->things ?? [])) : [];
            $found += [] === $near ? [] : [array_key_first($near) => reset($near)];
        }

        return array_values($found);
    }

    /**
     * What leaves some of the way that the leading cause takes away: the likeliest by their rates.
     *
     * @param list<Standing> $named
     *
     * @return list<Standing>
     */
    private static function standIns(Standing $leader, array $named): array
    {
        $others = array_filter($named, static fn (Standing $other): bool => $other !== $leader && \count($other->hypothesis->ohms()) > 1 && ($other->hypothesis->site->things ?? []) === ($leader->hypothesis->site->things ?? []));
        usort($others, self::byRate(...));

        return \array_slice($others, 0, self::STAND_INS);
    }

    private static function byRate(Standing $one, Standing $other): int
    {
        return [$other->hypothesis->prior, $one->hypothesis->id] <=> [$one->hypothesis->prior, $other->hypothesis->id];
    }

    /**
     * @param int                     $at    severity of the leader
     * @param array<string, Evidence> $slips
     * @param list<Standing>          $named
     *
     * @return list<array{Hypothesis, Hypothesis}>
     */
    private function beside(Standing $leader, int $at, array $slips, array $named): array
    {
        $reach = array_flip($this->reach($slips));
        $tried = array_values(array_filter($named, static fn (Standing $other): bool => $other !== $leader && [] !== array_intersect_key($reach, array_flip($other->hypothesis->site->places ?? [])) && [] === array_intersect($leader->hypothesis->site->things ?? [], $other->hypothesis->site->things ?? [])));
        usort($tried, self::byRate(...));
        $tried = \array_slice($tried, 0, self::TRIED);
        $pairs = array_map(static fn (Standing $other): Hypothesis => Hypothesis::pair($leader->hypothesis->narrowed([$at]), $other->hypothesis, $other->hypothesis->prior), $tried);
        $nats = $this->nats($slips, $pairs);
        $gains = $best = [];
        foreach ($tried as $which => $other) {
            $most = max([-\INF, ...$nats[$which] ?? []]);
            $best[$which] = (int) array_search($most, $nats[$which] ?? [], true);
            $gains[$which] = $most + log($other->hypothesis->prior);
        }
        arsort($gains);

        return array_map(static fn (int $which): array => [$leader->hypothesis->around($at, 1), $tried[$which]->hypothesis->around($best[$which], 1)], \array_slice(array_keys(array_filter($gains, is_finite(...))), 0, self::PARTNERS));
    }

    /**
     * Readings that the cause takes for a slip, those first that it suits worst; one of each test. What it explains only by a supply or
     * a length that is out of the question is one as well: the fit charges that elsewhere.
     *
     * @return array<string, Evidence>
     */
    private function slips(Standing $leader): array
    {
        $slips = $nats = [];
        $severity = min($leader->likeliestSeverity(), $leader->hypothesis->severities() - 1);
        foreach ($this->singles->evidence as $at => $piece) {
            $key = $piece->measurement->hash();
            $table = $piece->table();
            $own = min($leader->each[$at], Glance::alone($table->rows, $table->places($leader->hypothesis)[$severity], $piece));
            if (exp($own) < 2.0 * $piece->blunder * $piece->display->broad($piece->reading) && !isset($slips[$key])) {
                $slips[$key] = $piece;
                $nats[$key] = $own;
            }
        }
        array_multisort($nats, \SORT_ASC, array_keys($nats), \SORT_ASC, \SORT_STRING, $slips);

        return \array_slice($slips, 0, self::SLIPS);
    }

    /**
     * @param array<string, Evidence> $slips
     *
     * @return list<string> places on the circuits that were read there, and on those in line with them
     */
    private function reach(array $slips): array
    {
        $circuits = $places = [];
        foreach ($slips as $piece) {
            foreach ($piece->measurement->circuits($this->house) as $circuit) {
                $circuits += array_flip(Protection::inLine($this->house, $circuit));
            }
            foreach ($piece->measurement->connection->terminals as $terminal) {
                $places[] = HouseNetwork::GROUND === $terminal || null !== $this->house->joint($terminal) ? null : $this->house->partOf($terminal)->place;
            }
        }
        foreach ($this->house->parts as $part) {
            if (isset($circuits[$this->house->circuitOfPart($part->id) ?? ''])) {
                $places[] = $part->place;
            }
        }

        return array_values(array_unique(array_filter($places, is_string(...))));
    }

    /**
     * @param array<string, Evidence> $slips
     * @param list<Hypothesis>        $pairs
     *
     * @return array<int, array<int, float>> log-probability of the slips together, by pair and severity of its partner
     */
    private function nats(array $slips, array $pairs): array
    {
        $nats = [];
        foreach ([] === $pairs ? [] : $slips as $piece) {
            $sketched = Predictor::sketch($this->house, $piece->measurement, [Hypothesis::sound(1.0), ...$pairs])->after($piece->repaired);
            $table = PairRows::of($piece->table(), $sketched, $pairs);
            $glances = Glance::at($table->rows, $piece, new Cell($piece), array_flip(array_keys($table->factors)));
            foreach ($pairs as $which => $pair) {
                foreach ($table->places($pair) as $severity => $place) {
                    $nats[$which][$severity] = ($nats[$which][$severity] ?? 0.0) + $glances[$place];
                }
            }
        }

        return $nats;
    }
}
