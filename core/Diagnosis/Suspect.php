<?php

declare(strict_types=1);

namespace YellowProbe\Diagnosis;

use YellowProbe\Fault\FaultSite;
use YellowProbe\Installation\House;
use YellowProbe\Instrument\ReadingFormat;

/** One line of the ranking: a cause, or several places of one cause that the evidence cannot tell apart. */
final readonly class Suspect
{
    /** Of the likeliest: below it a place is told apart from it. */
    private const LESS = 0.25;

    /** Nats: what a reading prefers by less is not worth a word. */
    private const SLIGHT = 0.1;

    public float $probability;

    /** @param non-empty-list<Standing> $standings likeliest first */
    public function __construct(public array $standings, private Ranking $ranking)
    {
        $this->probability = array_sum(array_map(static fn (Standing $standing): float => $standing->probability, $standings));
    }

    public function lead(): Standing
    {
        return $this->standings[0];
    }

    public function title(): string
    {
        return $this->lead()->hypothesis->title();
    }

    /** How much of it is that it comes and goes. */
    public function atTimes(): float
    {
        return array_sum(array_map(static fn (Standing $standing): float => $standing->hypothesis->intermittent ? $standing->probability : 0.0, $this->standings)) / max(1e-12, $this->probability);
    }

    /** How likely there is nothing to be seen of it just now, by all of the evidence: a probability of its own, not a share. */
    public function quiet(): float
    {
        return array_sum(array_map(static fn (Standing $standing): float => $standing->probability * $standing->quiet(), $this->standings));
    }

    /** How likely it is at the likeliest of its places: what opening one place would find. */
    public function atOnePlace(): float
    {
        $places = [];
        foreach ($this->standings as $standing) {
            $at = implode(' ', $standing->hypothesis->site->places ?? []);
            $places[$at] = ($places[$at] ?? 0.0) + $standing->probability;
        }

        return max($places);
    }

    /**
     * Where, likeliest first. Several sites can read alike in words (the two joints of a ring at one socket): the
     * likeliest of them stands for all.
     *
     * @return array<string, string> words => hypothesis
     */
    public function where(): array
    {
        $where = [];
        foreach ($this->sited() as [$standing, $site]) {
            $where[$site->words] ??= $standing->hypothesis->id;
        }

        return $where;
    }

    /** Of where it may be, how many are as likely as the likeliest, or no less than a quarter of that: nothing that was told or read parts them. */
    public function alike(): int
    {
        $words = [];
        foreach ($this->sited() as [$standing, $site]) {
            if ($standing->probability >= self::LESS * $this->lead()->probability) {
                $words[$site->words] = true;
            }
        }

        return \count($words);
    }

    /** @return list<string> places concerned, for the map */
    public function places(House $house): array
    {
        $places = [];
        foreach ($this->sited() as [, $site]) {
            foreach ($site->places as $place) {
                $places[] = isset($house->places[$place]) ? $place : '';
            }
        }

        return array_values(array_unique(array_filter($places, static fn (string $place): bool => '' !== $place)));
    }

    /**
     * Standings at a place. Where what leads has none, nothing else of it is told by one: that nothing is wrong is not at the
     * load that nobody listed.
     *
     * @return list<array{Standing, FaultSite}>
     */
    private function sited(): array
    {
        $sited = [];
        foreach (null === $this->lead()->hypothesis->site ? [] : $this->standings as $standing) {
            if (null !== $standing->hypothesis->site) {
                $sited[] = [$standing, $standing->hypothesis->site];
            }
        }

        return $sited;
    }

    /**
     * What speaks for and against: for each reading, by how many nats it prefers this cause to all others together.
     *
     * @return list<array{observation: string, nats: float, sentence: string}> strongest first
     */
    public function reasons(): array
    {
        $reasons = [];
        foreach ($this->ranking->evidence as $at => $piece) {
            $nats = $this->lead()->each[$at] - $this->others($at);
            if (abs($nats) >= self::SLIGHT) {
                $reasons[] = ['observation' => $piece->id, 'nats' => $nats, 'sentence' => $this->sentence($at, $nats)];
            }
        }
        usort($reasons, static fn (array $a, array $b): int => abs($b['nats']) <=> abs($a['nats']));

        return $reasons;
    }

    private function others(int $at): float
    {
        [$sum, $weight] = $this->ranking->expected($at);
        foreach ($this->standings as $standing) {
            $sum -= $standing->hypothesis->prior * exp($standing->each[$at]);
            $weight -= $standing->hypothesis->prior;
        }

        return log(max($sum, 1e-300) / max($weight, 1e-300));
    }

    private function sentence(int $at, float $nats): string
    {
        $piece = $this->ranking->evidence[$at];
        $instrument = $piece->measurement->instrument;
        $sound = ReadingFormat::shown($piece->table()->sound()->shown, $instrument);
        $read = $piece->words();
        if (null === $this->lead()->hypothesis->kind) {
            return \sprintf('%s; this house should read %s.', $read, $sound);
        }
        $rows = $piece->table()->rows($this->lead()->hypothesis);
        $with = ReadingFormat::shown($rows[$this->lead()->severityShown($piece->exposure->conditions)]->shown, $instrument);
        $nothing = $this->ranking->standing(Hypothesis::SOUND);
        if ($with !== $sound && (null === $nothing || abs($this->lead()->each[$at] - $nothing->each[$at]) >= self::SLIGHT)) {
            return \sprintf('%s; with this it would be %s, without %s.', $read, $with, $sound);
        }

        // It says nothing of this cause itself, only of what else there might be.
        return \sprintf('%s; %s with and without this, other causes fit it %s.', $read, $sound, $nats > 0 ? 'worse' : 'better');
    }
}
