<?php

declare(strict_types=1);

namespace App\Call;

use App\Job\Pulse;
use Psr\Cache\CacheItemPoolInterface;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\Lock\LockFactory;
use YellowProbe\Diagnosis\Hypothesis;
use YellowProbe\Diagnosis\PredictionTable;
use YellowProbe\Diagnosis\Predictor;
use YellowProbe\Diagnosis\Row;
use YellowProbe\Fault\FaultCatalogue;
use YellowProbe\Installation\House;
use YellowProbe\Instrument\Measurement;

/** What was computed once and is kept between requests; prediction tables do not depend on what was read. */
final readonly class Kept
{
    /** @var \WeakMap<House, string> hash of what a house is: thousands of keys begin with it */
    private \WeakMap $houses;

    /** Locks of one name; each is a file, so there must not be one for every key. */
    private const LOCKS = 64;

    /** About what a table or a ranking takes where nothing else is done: who has waited so long works it out too. */
    private const PATIENCE_SECONDS = 0.5;
    private const LOOK_MICROSECONDS = 10_000;

    public function __construct(#[Autowire(service: 'cache.predictions')] private CacheItemPoolInterface $pool, private LockFactory $locks, private Pulse $pulse)
    {
        $this->houses = new \WeakMap();
    }

    /**
     * @template T
     *
     * @param string                  $what rankings are locked first, then tables
     * @param array<array-key, mixed> $on   what it depends on beside the house and the version of the computation
     * @param \Closure(): T           $make one request works it out, others that ask meanwhile wait for it, but not for long: a worker
     *                                     that comes after them must not hold them up
     *
     * @return T
     */
    public function get(string $what, House $house, array $on, \Closure $make): mixed
    {
        $key = $this->key($what, $house, $on);
        $item = $this->pool->getItem($key);
        if (!$item->isHit()) {
            // Locks of one name are taken inside those of another in one order only, so nobody waits in a circle.
            $lock = $this->locks->createLock($what.' '.crc32($key) % self::LOCKS);
            $until = microtime(true) + self::PATIENCE_SECONDS;
            do {
                $isMine = $lock->acquire();
                $item = $this->pool->getItem($key);
                $isOver = $isMine || $item->isHit() || microtime(true) > $until;
                $isOver || usleep(self::LOOK_MICROSECONDS);
            } while (!$isOver);
            try {
                if (!$item->isHit()) {
                    $this->pool->save($item->set($make()));
                }
            } finally {
                $isMine && $lock->release();
            }
        }
        /** @var T */
        $value = $item->get();

        return $value;
    }

    /**
     * @param array<array-key, mixed> $on
     *
     * @return mixed null when it is not kept
     */
    public function find(string $what, House $house, array $on): mixed
    {
        return $this->pool->getItem($this->key($what, $house, $on))->get();
    }

    /** @param array<array-key, mixed> $on */
    public function keep(string $what, House $house, array $on, mixed $value): void
    {
        $this->pool->save($this->pool->getItem($this->key($what, $house, $on))->set($value));
    }

    /** What the house as surveyed shows: asked for when the leads are on, and again when the reading is judged. */
    public function sound(House $house, Measurement $measurement): Row
    {
        return $this->get('sound', $house, [$measurement->hash()], static fn (): Row => Predictor::sound($house, $measurement));
    }

    /** @param \Closure(): list<Hypothesis> $hypotheses */
    public function table(House $house, Measurement $measurement, \Closure $hypotheses): PredictionTable
    {
        $this->pulse->beat();

        return $this->get('table', $house, [$measurement->hash()], static fn (): PredictionTable => Predictor::table($house, $measurement, $hypotheses()));
    }

    /** Whether that is worked out already. */
    public function hasTable(House $house, Measurement $measurement): bool
    {
        return $this->has('table', $house, [$measurement->hash()]);
    }

    /** @param array<array-key, mixed> $on */
    public function has(string $what, House $house, array $on): bool
    {
        return $this->pool->hasItem($this->key($what, $house, $on));
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
        $this->pulse->beat();
        if ([] !== $missing) {
            $kept = Predictor::sketch($house, $measurement, [Hypothesis::sound(1.0), ...$missing])->with($kept);
            $this->keep('sketch', $house, $on, $kept);
        }

        return $kept;
    }

    /** @param array<array-key, mixed> $on */
    private function key(string $what, House $house, array $on): string
    {
        $this->houses[$house] ??= hash('xxh128', serialize([$house->document, FaultCatalogue::VERSION, Predictor::VERSION]));

        return hash('xxh128', serialize([$what, $this->houses[$house], $on]));
    }
}
