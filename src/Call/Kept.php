<?php

declare(strict_types=1);

namespace App\Call;

use Psr\Cache\CacheItemPoolInterface;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Contracts\Cache\CacheInterface;
use YellowProbe\Diagnosis\Hypothesis;
use YellowProbe\Diagnosis\PredictionTable;
use YellowProbe\Diagnosis\Predictor;
use YellowProbe\Fault\FaultCatalogue;
use YellowProbe\Installation\House;
use YellowProbe\Instrument\Measurement;

/** What was computed once and is kept between requests; prediction tables do not depend on what was read. */
final readonly class Kept
{
    public function __construct(#[Autowire(service: 'cache.predictions')] private CacheInterface&CacheItemPoolInterface $pool)
    {
    }

    /**
     * @template T
     *
     * @param array<array-key, mixed> $on   what it depends on beside the house and the version of the computation
     * @param \Closure(): T           $make one request works it out, others that ask meanwhile wait for it
     *
     * @return T
     */
    public function get(string $what, House $house, array $on, \Closure $make): mixed
    {
        return $this->pool->get(self::key($what, $house, $on), static fn (): mixed => $make());
    }

    /**
     * @param array<array-key, mixed> $on
     *
     * @return mixed null when it is not kept
     */
    public function find(string $what, House $house, array $on): mixed
    {
        return $this->pool->getItem(self::key($what, $house, $on))->get();
    }

    /** @param array<array-key, mixed> $on */
    public function keep(string $what, House $house, array $on, mixed $value): void
    {
        $this->pool->save($this->pool->getItem(self::key($what, $house, $on))->set($value));
    }

    /** @param \Closure(): list<Hypothesis> $hypotheses */
    public function table(House $house, Measurement $measurement, \Closure $hypotheses): PredictionTable
    {
        return $this->get('table', $house, [$measurement->hash()], static fn (): PredictionTable => Predictor::table($house, $measurement, $hypotheses()));
    }

    /**
     * What a test would show under some causes, sketched; those worked out before are kept, cause by cause.
     *
     * @param non-empty-list<Hypothesis> $hypotheses
     */
    public function sketch(House $house, Measurement $measurement, array $hypotheses): PredictionTable
    {
        $on = [$measurement->hash()];
        $kept = $this->find('sketch', $house, $on);
        $kept = $kept instanceof PredictionTable ? $kept : PredictionTable::of([]);
        $missing = array_values(array_filter($hypotheses, static fn (Hypothesis $hypothesis): bool => Hypothesis::ELSE !== $hypothesis->id && !$kept->has($hypothesis)));
        if ([] !== $missing) {
            $kept = Predictor::sketch($house, $measurement, [Hypothesis::sound(1.0), ...$missing])->with($kept);
            $this->keep('sketch', $house, $on, $kept);
        }

        return $kept;
    }

    /** @param array<array-key, mixed> $on */
    private static function key(string $what, House $house, array $on): string
    {
        return hash('xxh128', serialize([$what, $house->document, FaultCatalogue::VERSION, Predictor::VERSION, $on]));
    }
}
