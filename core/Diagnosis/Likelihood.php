<?php

declare(strict_types=1);

namespace YellowProbe\Diagnosis;

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

    /** Nats by which the readings of a cause may differ from the sound house's for the factors to stay where they are. */
    private const SLIGHT = 0.5;

    /** The same of the least changed beside others that move them. */
    private const SLIGHT_BESIDE = 0.1;

    /** @var list<Cell> by reading */
    private array $cells = [];

    /** @var list<ReadingFit> */
    private array $readings = [];

    /** @var array<string, int> factor => place in the system; those that join few readings first, so that the triangle stays thin */
    private readonly array $factors;

    /** @var list<Term> of the house as surveyed, by reading */
    private array $terms = [];

    private readonly LikelihoodResult $sound;

    /** @var list<float> nats by which each reading suits the house as surveyed better once what all readings say of the factors is known */
    private array $strains = [];

    /** @var array<int, float> nats that each blunder beside the sound house would gain if it stopped being that, by reading */
    private readonly array $regainable;

    /** Nats that the sound house pays for factors that are not as surveyed: a cause that needs them as they are pays nothing. */
    private readonly float $paid;

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
            $names += $cell->isNumber ? $piece->table()->factors : [];
        }
        $again = Repeated::factors($evidence);
        $names += array_fill_keys($again, 1.0);
        uksort($names, static fn (string $a, string $b): int => [1.0 === $names[$a], $a] <=> [1.0 === $names[$b], $b]);
        $this->factors = array_flip(array_keys($names));
        $this->factorFit = new FactorFit($this->cells, $this->factors, array_values($names));
        foreach ($evidence as $i => $piece) {
            $this->readings[] = $reading = new ReadingFit($piece, $this->cells[$i], $this->factors, $again[$i] ?? null);
            $this->terms[] = $reading->term(PredictionTable::SOUND);
        }
        [$this->sound, $this->theta] = $this->factorFit->of($this->terms);
        $this->paid = $this->factorFit->paid($this->theta);
        foreach ($this->terms as $i => $term) {
            $this->strains[] = max(0.0, $this->sound->each[$i] - $term->log);
            $this->readings[$i]->fitted($this->theta, $this->sound->each[$i]);
        }
        $this->fit = new SoundFit(array_map(fn (Term $term): Term => $term->straight($this->theta), $this->terms), $this->cells, $this->theta, $this->factorFit->triangle($this->terms, $this->theta), $this->sound);
        $regainable = [];
        foreach (array_keys($this->fit->blunders) as $i) {
            $regainable[$i] = max(0.0, $this->cells[$i]->followed($this->terms[$i]->sigma) - $this->sound->each[$i]);
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
        if ([] === $apart) {
            return $this->sound;
        }
        $terms = [];
        foreach ($apart as $i => $place) {
            $terms[$i] = $this->readings[$i]->term($place);
        }

        return $this->factorFit->of($terms + $this->terms, $this->theta, $apart)[0];
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
            $nats += $this->readings[$i]->glances[$place] - $this->sound->each[$i] + $this->strains[$i];
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
            $nats += $this->readings[$i]->glances[$place] - $this->sound->each[$i];
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
            $each[$i] = $this->readings[$i]->glances[$place];
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
        [$each, $rest] = $this->slight($apart);
        $log = $this->sound->log + array_sum($each) - array_sum(array_intersect_key($this->sound->each, $each));
        $most = null;
        if ([] !== $rest) {
            // Straight lines beside the sound house say little of a cause that the factors fit elsewhere, or that a blunder would then be none of.
            $most = $this->sound->log + ($hope ?? $this->hope($apart)) - array_sum(array_diff_key($this->regainable, $apart)) + array_sum(array_intersect_key($this->regainable, array_flip($this->fit->freed($rest))));
            [$gained, $moved] = $this->fit->with($rest);
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
            [$free, $moved, $deviations] = $this->readings[$i]->prospect($place);
            $nats += $free;
            $most += $moved;
            $farthest = max($farthest, $deviations);
        }

        return max($nats, $most - 0.5 * $farthest ** 2);
    }

    /**
     * Readings that the cause changes so little that together they move no factor: with these where the house as surveyed has them.
     *
     * @param array<int, int> $apart
     *
     * @return array{array<int, float>, array<int, Term>} log-probability of each of them, and the others as straight lines beside the sound house
     */
    private function slight(array $apart): array
    {
        $each = $nats = [];
        foreach ($apart as $i => $place) {
            $reading = $this->readings[$i];
            $each[$i] = $own = $reading->there($place);
            // And as much with the factors free: another fit may suit the cause where the sound house strains.
            $nats[$i] = max(abs($own - $this->sound->each[$i]), abs($reading->glances[$place] - $this->terms[$i]->log));
        }
        if (array_sum($nats) <= self::SLIGHT) {
            return [$each, []];
        }
        // The least of them, as long as they are little together.
        asort($nats);
        $sum = 0.0;
        foreach ($nats as $i => $own) {
            $sum += $own;
            if ($sum > self::SLIGHT_BESIDE) {
                break;
            }
            unset($apart[$i]);
        }
        $rest = [];
        foreach ($apart as $i => $place) {
            $rest[$i] = $this->readings[$i]->straight($place);
        }

        return [array_diff_key($each, $rest), $rest];
    }
}
