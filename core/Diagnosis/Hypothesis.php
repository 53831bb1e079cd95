<?php

declare(strict_types=1);

namespace YellowProbe\Diagnosis;

use YellowProbe\Fault\Change;
use YellowProbe\Fault\Condition;
use YellowProbe\Fault\Fault;
use YellowProbe\Fault\FaultKind;
use YellowProbe\Fault\FaultNature;
use YellowProbe\Fault\FaultSite;
use YellowProbe\Installation\House;

/**
 * One cause that may fit: a kind of fault at a site, its severities summed inside; the same coming and going; two such
 * faults together; or the house as surveyed.
 */
final readonly class Hypothesis
{
    /** Nothing wrong now. */
    public const SOUND = 'sound';

    /** A cause that is not in the catalogue or not in the survey. */
    public const ELSE = 'something-else';

    /** What the id of a fault that comes and goes ends in. */
    private const AT_TIMES = '|at-times';

    private const APPLIANCE = 'appliance ';

    /** What stands before the severities that count, in the stem of a pair. */
    private const SEVERITIES = '#';

    /** What has to be repaired: alike for the forms of one fault, whatever the survey got wrong beside it. */
    public string $repair;

    /** What is done about it: an appliance is mended or replaced as a whole, whatever has failed inside it. */
    public string $remedy;

    /**
     * @param string                   $stem of several forms of one fault; what they show while they are there is the same
     * @param array{self, self}|array{} $both       the two faults of a pair
     * @param list<int>                 $severities of its kind that count; all when empty
     * @param bool                      $isRepaired it was the cause, perhaps, and is no longer there
     * @param float                     $second     of the house as surveyed: how often two faults are there, over the product of their rates
     * @param list<float>               $logs       of how often it is of each severity of its kind; alike when empty
     */
    private function __construct(public string $id, public string $stem, public ?FaultKind $kind, public ?FaultSite $site, public float $prior, public bool $intermittent = false, public array $both = [], public array $severities = [], public bool $isRepaired = false, public float $second = Pairs::SECOND, private array $logs = [])
    {
        $this->repair = match (true) {
            [] !== $both => implode('&', array_diff(array_map(static fn (self $one): string => $one->repair, $both), [self::SOUND])) ?: self::SOUND,
            $isRepaired || FaultNature::Survey === $kind?->nature() => self::SOUND,
            default => $stem,
        };
        $this->remedy = match (true) {
            [] !== $both => implode('&', array_unique(array_diff(array_map(static fn (self $one): string => $one->remedy, $both), [self::SOUND]))) ?: self::SOUND,
            null !== $site?->appliance && self::SOUND !== $this->repair => self::APPLIANCE.$site->appliance,
            default => $this->repair,
        };
    }

    public static function sound(float $prior, float $second = Pairs::SECOND): self
    {
        return new self(self::SOUND, self::SOUND, null, null, $prior, second: $second);
    }

    public static function somethingElse(float $prior): self
    {
        return new self(self::ELSE, self::ELSE, null, null, $prior);
    }

    /** @param list<float> $logs of how often it is of each severity of its kind, which sums to 1; alike when empty */
    public static function fault(FaultKind $kind, FaultSite $site, float $prior, array $logs = []): self
    {
        $id = $kind->slug().'|'.$site->id;

        return new self($id, $id, $kind, $site, $prior, logs: $logs);
    }

    /**
     * The same fault, there at some times and not at others.
     *
     * @param list<float> $logs
     */
    public static function intermittent(FaultKind $kind, FaultSite $site, float $prior, array $logs = []): self
    {
        $stem = $kind->slug().'|'.$site->id;

        return new self($stem.self::AT_TIMES, $stem, $kind, $site, $prior, true, logs: $logs);
    }

    /** Two faults that are there together; the one whose id comes first leads, whatever the order. */
    public static function pair(self $one, self $other, float $prior): self
    {
        [$one, $other] = $one->id < $other->id ? [$one, $other] : [$other, $one];
        $left = array_values(array_filter([$one, $other], static fn (self $half): bool => !$half->isRepaired));
        $site = 1 === \count($left) ? $left[0]->site : new FaultSite(
            $one->site?->id.'&'.$other->site?->id,
            [],
            array_values(array_unique([...$one->site->places ?? [], ...$other->site->places ?? []])),
            $one->site?->words.', and '.lcfirst($other->words()),
        );

        return new self("$one->id&$other->id", self::narrow($one).'&'.self::narrow($other), $left[0]->kind ?? $one->kind, $site, $prior, false, [$one, $other]);
    }

    /** Other severities of the same pair show other rows: what is kept of it must not be mixed. */
    private static function narrow(self $half): string
    {
        return $half->id.([] === $half->severities ? '' : self::SEVERITIES.implode(',', $half->severities));
    }

    /**
     * The repairs that a cause of this id or stem asks for, one for each of its faults.
     *
     * @return list<string>
     */
    public static function repairsOf(string $id): array
    {
        return array_map(static function (string $one): string {
            $one = explode(self::SEVERITIES, $one)[0];

            return str_ends_with($one, self::AT_TIMES) ? substr($one, 0, -\strlen(self::AT_TIMES)) : $one;
        }, explode('&', $id));
    }

    /**
     * The same cause after some repairs: what it was before is still what the earlier readings are held against.
     *
     * @param list<string> $repaired
     */
    public function after(array $repaired): self
    {
        if ([] === $repaired) {
            return $this;
        }

        return [] === $this->both
            ? new self($this->id, $this->stem, $this->kind, $this->site, $this->prior, $this->intermittent, [], $this->severities, \in_array($this->stem, $repaired, true), $this->second, $this->logs)
            : self::pair($this->both[0]->after($repaired), $this->both[1]->after($repaired), $this->prior);
    }

    /**
     * The same fault with some of its severities only, for a pair: which they are shows already when it is alone.
     *
     * @param list<int> $severities
     */
    public function narrowed(array $severities): self
    {
        return new self($this->id, $this->stem, $this->kind, $this->site, $this->prior, $this->intermittent, $this->both, $severities, $this->isRepaired, logs: $this->logs);
    }

    /** The same with one of its severities and so many steps on either side. */
    public function around(int $severity, int $steps): self
    {
        return $this->narrowed(range(max(0, $severity - $steps), min(\count($this->ohms()) - 1, $severity + $steps)));
    }

    /** Whether all that it asks for has been repaired. */
    public function isMended(): bool
    {
        return self::SOUND === $this->repair && ($this->isRepaired || [] !== array_filter($this->both, static fn (self $one): bool => $one->isRepaired));
    }

    /** Causes of the same title are one suspect while nothing tells their places apart. */
    public function title(): string
    {
        if ([] === $this->both) {
            return null === $this->kind ? $this->words() : $this->kind->words().($this->isRepaired ? ', repaired' : '');
        }
        $faults = array_values(array_filter($this->both, static fn (self $one): bool => self::SOUND !== $one->repair));

        return ucfirst(implode(' and ', array_map(static fn (self $one): string => lcfirst($one->title()), [] === $faults ? $this->both : $faults)));
    }

    public function words(): string
    {
        return match (true) {
            self::SOUND === $this->id => 'Nothing wrong now',
            self::ELSE === $this->id => 'Something not in the list',
            default => $this->kind?->words().' '.$this->site?->words.($this->intermittent ? ', at times' : '').($this->isRepaired ? ', repaired' : ''),
        };
    }

    /** @return list<Condition> what brings it out, where it comes and goes */
    public function conditions(): array
    {
        return $this->intermittent ? $this->kind?->conditions() ?? [] : [];
    }

    /**
     * What it changes while it is there.
     *
     * @return list<Change|null> one for each severity; null changes nothing
     */
    public function changes(House $house): array
    {
        if ([] !== $this->both) {
            return self::together($house, ...$this->both);
        }
        if (null === $this->kind || null === $this->site) {
            return [null];
        }
        $changes = [];
        foreach ($this->ohms() as $ohms) {
            $changes[] = (new Fault($this->kind, $this->site, $ohms))->change($house);
        }

        return $changes;
    }

    /** @return list<self> itself, or the two faults of a pair with all their severities */
    public function singles(): array
    {
        return [] === $this->both ? [$this] : array_map(static fn (self $half): self => $half->narrowed([]), $this->both);
    }

    /** @return non-empty-list<float> the severities that count, in Ω; 0 where the kind has none */
    public function ohms(): array
    {
        $all = $this->kind?->severities() ?? [0.0];

        return [] === $this->severities ? $all : array_map(static fn (int $at): float => $all[$at], $this->severities);
    }

    /** How many severities count: of a pair, every one of the one fault with every one of the other. */
    public function severities(): int
    {
        return [] === $this->both ? \count($this->ohms()) : $this->both[0]->severities() * $this->both[1]->severities();
    }

    /**
     * Log of how often it is of each severity that counts: of all of them the shares sum to 1, and for some of them only stand as they
     * do among all. Of a pair, every one of the one fault with every one of the other.
     *
     * @return non-empty-list<float>
     */
    public function logs(): array
    {
        if ([] !== $this->both) {
            [$ones, $others] = [$this->both[0]->logs(), $this->both[1]->logs()];

            return array_merge(...array_map(static fn (float $one): array => array_map(static fn (float $other): float => $one + $other, $others), $ones));
        }
        if ([] === $this->severities && [] !== $this->logs) {
            return $this->logs;
        }
        $ohms = $this->ohms();
        $alike = -log(\count($ohms));
        $gained = $alike + log(max(1, \count($this->logs)));

        return array_map(fn (int $at): float => [] === $this->logs ? $alike : $this->logs[$at] + $gained, [] === $this->severities ? array_keys($ohms) : $this->severities);
    }

    /** @return list<Change|null> every severity of the one with every severity of the other */
    private static function together(House $house, self $one, self $other): array
    {
        $changes = [];
        foreach ($one->changes($house) as $first) {
            foreach ($other->changes($house) as $second) {
                $changes[] = null === $first || null === $second ? $first ?? $second : $first->and($second);
            }
        }

        return $changes;
    }
}
