<?php

declare(strict_types=1);

namespace YellowProbe\Diagnosis;

/**
 * What the rows of causes come to, held against all that was read. Many causes show the same rows: each set of them, called by
 * its key, is fitted once.
 */
final class FittedRows
{
    /** Nats by which a guess may be too low for whoever is dismissed by it. */
    private const UNSURE = 1.0;

    /** The house as surveyed. */
    public readonly LikelihoodResult $sound;

    private readonly Likelihood $likelihood;

    private readonly Watchings $watchings;

    /** @var list<PredictionTable> by reading */
    private readonly array $tables;

    /** @var array<string, LikelihoodResult> fitted whole */
    private array $whole = [];

    /** @var array<string, LikelihoodResult> beside the sound house's fit */
    private array $near = [];

    /** @var array<string, float> nats above the sound house that they could come to at most, by a glance */
    private array $guesses = [];

    /** @var array<string, float> the same more closely */
    private array $hopes = [];

    /** @var array<string, LikelihoodResult> by what each reading says alone */
    private array $alone = [];

    /** @var array<string, list<array{string, array<int, int>}>> by stem and severity */
    private array $apart = [];

    /** @param list<Evidence> $evidence in the one order */
    public function __construct(array $evidence)
    {
        $this->tables = array_map(static fn (Evidence $piece): PredictionTable => $piece->table(), $evidence);
        $this->likelihood = new Likelihood($evidence);
        $this->watchings = new Watchings($evidence);
        $this->sound = $this->joined([], $this->likelihood->sound());
    }

    /**
     * The same readings with tables that know of more causes: what rows they had before is not fitted again.
     *
     * @param list<Evidence> $evidence with the rows so far at the places where they are
     */
    public function among(array $evidence): self
    {
        $rows = new self($evidence);
        $rows->whole = $this->whole;
        $rows->near = $this->near;
        $rows->guesses = $this->guesses;
        $rows->hopes = $this->hopes;

        return $rows;
    }

    /** @return list<array{string, array<int, int>}> by severity, the places of the rows that are not the sound house's, by place in the evidence, and a key of them */
    public function apart(Hypothesis $hypothesis): array
    {
        if (isset($this->apart[$hypothesis->stem])) {
            return $this->apart[$hypothesis->stem];
        }
        $apart = array_fill(0, $hypothesis->severities(), []);
        foreach ($this->tables as $at => $table) {
            foreach ($table->noticed($hypothesis) as $severity => $place) {
                if (PredictionTable::SOUND !== $place) {
                    $apart[$severity][$at] = $place;
                }
            }
        }
        $keyed = [];
        foreach ($apart as $places) {
            $keyed[] = [self::key($places), $places];
        }

        return $this->apart[$hypothesis->stem] = $keyed;
    }

    /** @param array<int, int> $apart */
    public static function key(array $apart): string
    {
        $key = '';
        foreach ($apart as $at => $place) {
            $key .= $at.':'.$place.',';
        }

        return $key;
    }

    /** @param array<int, int> $apart */
    public function whole(string $key, array $apart): LikelihoodResult
    {
        return $this->whole[$key] ??= $this->joined($apart, $this->likelihood->of($apart));
    }

    /**
     * @param array<int, int> $apart
     * @param float           $hopeless nats above the sound house up to which a glance will do
     */
    public function near(string $key, array $apart, float $hopeless): LikelihoodResult
    {
        if (!isset($this->near[$key]) && $this->guess($key, $apart) <= $hopeless - self::UNSURE) {
            return $this->glanced($key, $apart, $this->guess($key, $apart));
        }
        $hope = $this->hope($key, $apart);

        return $hope > $hopeless
            ? $this->near[$key] ??= $this->joined($apart, $this->likelihood->near($apart, $hope - $this->gained($apart)))
            : $this->glanced($key, $apart, $hope);
    }

    /**
     * @param array<int, int> $apart
     *
     * @return float nats above the sound house that they could come to at most, by a glance
     */
    public function guess(string $key, array $apart): float
    {
        return $this->guesses[$key] ??= $this->likelihood->guess($apart) + $this->gained($apart);
    }

    /**
     * @param array<int, int> $apart
     *
     * @return float the same more closely
     */
    private function hope(string $key, array $apart): float
    {
        return $this->hopes[$key] ??= $this->likelihood->hope($apart) + $this->gained($apart);
    }

    /** @param array<int, int> $apart */
    private function glanced(string $key, array $apart, float $hope): LikelihoodResult
    {
        return $this->alone[$key] ??= $this->joined($apart, $this->likelihood->glanced($apart, $hope - $this->gained($apart)));
    }

    /**
     * @param array<int, int> $apart
     *
     * @return float nats that the watchings of one device gain on the sound house's by being taken together
     */
    private function gained(array $apart): float
    {
        return $this->watchings->together($apart) - $this->watchings->together([]);
    }

    /**
     * The same with what several watchings of one device have in common.
     *
     * @param array<int, int> $apart
     */
    private function joined(array $apart, LikelihoodResult $result): LikelihoodResult
    {
        return $result->likelier($this->watchings->together($apart));
    }
}
