<?php

declare(strict_types=1);

namespace YellowProbe\Diagnosis;

use YellowProbe\Instrument\ShownKind;

/**
 * Log-probability of all displayed outcomes under one cause at one severity, the shared factors integrated out.
 *
 * Factors are standard normal, lengths with the tail of a survey that is wrong; a reading moves linearly with them on the
 * display's z line, and its own noise is normal in what is shown. Each outcome is a mixture of what the cause shows and, with a small weight, a blunder. The integral
 * over the factors is Laplace's about their most probable values, found by reweighted least squares, so the order of
 * entry cannot matter and readings on one cable share that cable's uncertainty.
 *
 * A cause is given by what it shows apart from the house as surveyed; what belongs to the readings alone, and what belongs
 * to a row that many causes share, is worked out once.
 */
final class Likelihood
{
    /** Load forgotten, wrong terminal, slip of the pen: what gets through after checks. */
    public const BLUNDER = 0.015;

    /** A reading that somebody doubts is as likely a blunder as not. */
    public const DOUBTED = 0.5;

    /** Deviations of all that moves a reading within which the factors may have gone there. */
    private const REACHED = 5.0;

    /** Nats that a reading has to gain by being followed for the factors to be thought to go there. */
    private const GAINS = 1.0;

    /** Nats by which the readings of a cause may differ from the sound house's for the factors to stay where they are. */
    private const SLIGHT = 0.5;

    /** The same of the least changed beside others that move them. */
    private const SLIGHT_BESIDE = 0.1;

    /** @var list<Cell> by reading */
    private array $cells = [];

    /** @var array<string, int> factor => place in the system; those that join few readings first, so that the triangle stays thin */
    private readonly array $factors;

    /** @var list<Term> of the house as surveyed, by reading */
    private array $terms = [];

    /** @var array<int, string> factor that a reading shares with others of the same test, by reading */
    private readonly array $again;

    /** @var list<list<float>> log-probability of each reading with the factors free, by place of the row */
    private array $glances = [];

    /** @var list<array<int, Term>> by reading and place of the row */
    private array $known = [];

    /** @var array<int, array<int, Term>> the same, straightened at the fit of the house as surveyed */
    private array $straight = [];

    /** @var array<int, array<int, float>> log-probability with the factors as the house as surveyed has them, by reading and place of the row */
    private array $there = [];

    /** @var array<int, array<int, array{float, float, float}>> {@see prospect}, by reading and place of the row */
    private array $prospects = [];

    private readonly LikelihoodResult $sound;

    /** @var list<float> nats by which each reading suits the house as surveyed better once what all readings say of the factors is known */
    private array $strains = [];

    /** @var array<int, float> nats that each blunder beside the sound house would gain if it stopped being that, by reading */
    private readonly array $regainable;

    /** Nats that the sound house pays for factors that are not as surveyed: a cause that needs them as they are pays nothing. */
    private readonly float $paid;

    /** @var array<int, array<int, int>> {@see Rows::columns}, by reading */
    private array $columns = [];

    private readonly FactorFit $factorFit;

    private readonly SoundFit $fit;

    /** @var array<int, float> the factors as the house as surveyed has them */
    private readonly array $theta;

    /** @param list<Evidence> $evidence */
    public function __construct(private readonly array $evidence)
    {
        $names = [];
        foreach ($evidence as $piece) {
            $this->cells[] = $cell = new Cell($piece);
            $this->known[] = [];
            $names += $cell->isNumber ? $piece->table()->factors : [];
        }
        $this->again = Repeated::factors($evidence);
        $names += array_fill_keys($this->again, 1.0);
        uksort($names, static fn (string $a, string $b): int => [1.0 === $names[$a], $a] <=> [1.0 === $names[$b], $b]);
        $this->factors = array_flip(array_keys($names));
        $this->factorFit = new FactorFit($this->cells, $this->factors, array_values($names));
        foreach ($evidence as $i => $piece) {
            $this->glances[] = Glance::at($piece->table()->rows, $piece, $this->cells[$i], $this->factors);
            $this->terms[] = $this->term($i, PredictionTable::SOUND);
        }
        [$this->sound, $this->theta] = $this->factorFit->of($this->terms);
        $this->paid = $this->factorFit->paid($this->theta);
        foreach ($this->terms as $i => $term) {
            $this->strains[] = max(0.0, $this->sound->each[$i] - $term->log);
        }
        $this->fit = new SoundFit(array_map(fn (Term $term): Term => $term->straight($this->theta), $this->terms), $this->cells, $this->theta, $this->factorFit->triangle($this->terms, $this->theta), $this->sound);
        $regainable = [];
        foreach (array_keys($this->fit->blunders) as $i) {
            $regainable[$i] = max(0.0, $this->cells[$i]->followed($this->terms[$i]) - $this->sound->each[$i]);
        }
        $this->regainable = $regainable;
    }

    /** The house as surveyed. */
    public function sound(): LikelihoodResult
    {
        return $this->sound;
    }

    /** @param array<int, int> $apart places of the rows that are not the sound house's, by place in the evidence */
    public function of(array $apart): LikelihoodResult
    {
        return [] === $apart ? $this->sound : $this->factorFit->of($this->changed($apart) + $this->terms, $this->theta, $apart)[0];
    }

    /**
     * Nats above the sound house that a cause could come to at most, by a glance at each reading: as much is given back for what all
     * readings say of the factors as the sound house gains by it. Where one shift of a factor explains many readings it may be more.
     *
     * @param array<int, int> $apart
     */
    public function guess(array $apart): float
    {
        if ([] === $apart) {
            return 0.0;
        }
        $nats = $this->let($apart);
        foreach ($apart as $i => $place) {
            $nats += $this->glances[$i][$place] - $this->sound->each[$i] + $this->strains[$i];
        }

        return $nats;
    }

    /**
     * The same more closely: each reading with the factors where they suit it best.
     *
     * @param array<int, int> $apart
     */
    public function hope(array $apart): float
    {
        if ([] === $apart) {
            return 0.0;
        }
        $nats = 0.0;
        foreach ($apart as $i => $place) {
            $nats += $this->glances[$i][$place] - $this->sound->each[$i];
        }

        return $this->let($apart) + max($nats, $this->beside($apart));
    }

    /**
     * Nats that the sound house pays for factors that are not as surveyed, and loses by taking for slips what a cause does not change
     * and may explain where it lets the factors go.
     *
     * @param array<int, int> $apart
     */
    private function let(array $apart): float
    {
        return $this->paid + ([] === $this->regainable ? 0.0 : array_sum(array_diff_key($this->regainable, $apart)));
    }

    /**
     * A cause by what each reading says of it alone. What it could come to at most is kept: what it was dismissed beside may be dashed.
     *
     * @param array<int, int> $apart
     * @param float           $hope  that {@see hope} says of it
     */
    public function glanced(array $apart, float $hope): LikelihoodResult
    {
        $each = $this->sound->each;
        foreach ($apart as $i => $place) {
            $each[$i] = $this->glances[$i][$place];
        }
        $log = $this->sound->log + array_sum($each) - array_sum($this->sound->each);

        return new LikelihoodResult($log, array_values($each), $this->factors, [], max($log, $this->sound->log + $hope));
    }

    /**
     * The same as {@see of} at a fraction of the price: what the cause does not change stays as it is beside the sound house.
     *
     * @param array<int, int> $apart
     * @param float|null      $hope  that {@see hope} says of it, where that is known
     */
    public function near(array $apart, ?float $hope = null): LikelihoodResult
    {
        if ([] === $apart) {
            return $this->sound;
        }
        $changed = $this->changed($apart);
        [$each, $rest] = $this->slight($apart, $changed);
        $log = $this->sound->log + array_sum($each) - array_sum(array_intersect_key($this->sound->each, $each));
        $most = null;
        if ([] !== $rest) {
            $straight = $this->straight($apart, $rest);
            // Straight lines beside the sound house say little of a cause that the factors fit elsewhere, or that a blunder would then be none of.
            $most = $this->sound->log + ($hope ?? $this->hope($apart)) - array_sum(array_diff_key($this->regainable, $apart)) + array_sum(array_intersect_key($this->regainable, array_flip($this->fit->freed($straight))));
            [$gained, $moved] = $this->fit->with($straight);
            $log += $gained - $this->sound->log;
            $each += $moved;
        }

        return new LikelihoodResult($log, array_values(array_replace($this->sound->each, $each)), $this->factors, [], $most);
    }

    /**
     * Nats above the sound house of each reading with the factors to itself, or where the house as surveyed has them if that suits it
     * better; or gone to where it wants them, what moves them farthest paid for once: a supply that is low, each by itself would pay for again.
     *
     * @param array<int, int> $apart
     */
    private function beside(array $apart): float
    {
        $nats = $most = $farthest = 0.0;
        foreach ($apart as $i => $place) {
            [$free, $moved, $deviations] = $this->prospects[$i][$place] ??= $this->prospect($i, $place);
            $nats += $free;
            $most += $moved;
            $farthest = max($farthest, $deviations);
        }

        return max($nats, $most - 0.5 * $farthest ** 2);
    }

    /** @return array{float, float, float} nats above the sound house with the factors to itself or as that has them, the same gone to where it wants them, and by how many deviations these go; none where they gain nothing by that */
    private function prospect(int $i, int $place): array
    {
        $term = $this->known[$i][$place] ??= $this->term($i, $place);
        $free = max($term->log, $this->there($i, $place, $term));
        $deviations = $this->cells[$i]->deviations($term);
        $followed = $deviations < self::REACHED ? $this->cells[$i]->followed($term) : -\INF;
        // What many readings would gain by a little each, no factors can give to all of them.
        $gains = $followed > $free + self::GAINS;

        return [$free - $this->sound->each[$i], ($gains ? $followed : $free) - $this->sound->each[$i], $gains ? $deviations : 0.0];
    }

    /**
     * Readings that the cause changes so little that together they move no factor: with these where the house as surveyed has them.
     *
     * @param array<int, int>  $apart
     * @param array<int, Term> $changed
     *
     * @return array{array<int, float>, array<int, Term>} log-probability of each of them, and the others
     */
    private function slight(array $apart, array $changed): array
    {
        $each = $nats = [];
        foreach ($changed as $i => $term) {
            $each[$i] = $own = $this->there($i, $apart[$i], $term);
            // And as much with the factors free: another fit may suit the cause where the sound house strains.
            $nats[$i] = max(abs($own - $this->sound->each[$i]), abs($term->log - $this->terms[$i]->log));
        }
        $sum = array_sum($nats);
        if ($sum <= self::SLIGHT) {
            return [$each, []];
        }
        // The least of them, as long as they are little together.
        asort($nats);
        $rest = $changed;
        $sum = 0.0;
        foreach ($nats as $i => $own) {
            $sum += $own;
            if ($sum > self::SLIGHT_BESIDE) {
                break;
            }
            unset($rest[$i]);
        }

        return [array_diff_key($each, $rest), $rest];
    }

    private function there(int $i, int $place, Term $term): float
    {
        return $this->there[$i][$place] ??= $this->factorFit->log($i, $term, $this->theta);
    }

    /**
     * @param array<int, int> $apart
     *
     * @return array<int, Term>
     */
    private function changed(array $apart): array
    {
        $changed = [];
        foreach ($apart as $i => $place) {
            $changed[$i] = $this->known[$i][$place] ??= $this->term($i, $place);
        }

        return $changed;
    }

    /**
     * @param array<int, int>  $apart
     * @param array<int, Term> $changed
     *
     * @return array<int, Term> as straight lines where the factors are beside the sound house
     */
    private function straight(array $apart, array $changed): array
    {
        $straight = [];
        foreach ($changed as $i => $term) {
            $straight[$i] = $this->straight[$i][$apart[$i]] ??= $term->straight($this->theta);
        }

        return $straight;
    }

    private function term(int $i, int $place): Term
    {
        $rows = $this->evidence[$i]->table()->rows;
        $log = $this->glances[$i][$place];
        if ($this->cells[$i]->isPlain || ShownKind::Nothing === $rows->kind($place)) {
            return Term::plain($log);
        }
        $sigma = $rows->sigmas[$place];
        $moves = $rows->moves($place, $this->columns[$i] ??= $rows->columns($this->factors), Term::STILL);
        if (isset($this->again[$i])) {
            [$sigma, $shared] = Repeated::shared($rows->row($place)->shown, $sigma, $this->evidence[$i]->display);
            if ($shared > Term::STILL) {
                $moves[$this->factors[$this->again[$i]]] = $shared;
                ksort($moves);
            }
        }

        return Term::of($rows->zs[$place], $sigma, $moves, $log, $this->evidence[$i], $this->cells[$i], $this->factors);
    }
}
