<?php

declare(strict_types=1);

namespace YellowProbe\Diagnosis;

use YellowProbe\Installation\Attributes;
use YellowProbe\Installation\Role;

/**
 * What a fault of one kind has to be for somebody to complain as they did: from, or up to, how many ohms it is noticed whenever it
 * is there, and how much less often on conductors that carry nothing of what is noticed.
 *
 * Beyond the limit it takes a load or a leak as many times larger than common beside it, and those are rare by the square.
 */
final readonly class Noticed
{
    private const RARER = 2;

    /** @param non-empty-list<array{float, float, float, array<string, float>, float}> $parts share, from and up to how many Ω, factor by role and on a circuit without a light */
    private function __construct(private array $parts)
    {
    }

    /** Whatever it is like, as at an inspection. */
    public static function always(): self
    {
        return new self([[1.0, 0.0, \INF, [], 1.0]]);
    }

    /** @param Attributes $asks "fromOhms", "upToOhms", "conductors": factor by role, "withoutLights": factor on circuits that light nothing; none of them has to be there */
    public static function of(Attributes $asks): self
    {
        return new self([[1.0, $asks->positive('fromOhms', 0.0), $asks->has('upToOhms') ? $asks->positive('upToOhms') : \INF, $asks->object('conductors')->positives(), $asks->positive('withoutLights', 1.0)]]);
    }

    /**
     * Of several complaints each by its share.
     *
     * @param non-empty-list<array{float, self}> $each weight, above 0
     */
    public static function mixed(array $each): self
    {
        $sum = array_sum(array_column($each, 0));
        $parts = [];
        foreach ($each as [$weight, $noticed]) {
            foreach ($noticed->parts as [$share, $from, $upTo, $conductors, $withoutLights]) {
                $parts[] = [$share * $weight / $sum, $from, $upTo, $conductors, $withoutLights];
            }
        }

        return new self($parts);
    }

    /**
     * How often a fault of this kind, once complained of, is of each severity.
     *
     * @param non-empty-list<float> $ohms
     *
     * @return non-empty-list<float> summing to 1
     */
    public function shares(array $ohms): array
    {
        $shares = array_map(static fn (): float => 0.0, $ohms);
        foreach ($this->parts as [$share, $from, $upTo]) {
            $weights = array_map(static fn (float $one): float => min(1.0, $from > 0.0 ? $one / $from : 1.0, $one > 0.0 ? $upTo / $one : 1.0) ** self::RARER, $ohms);
            $sum = array_sum($weights);
            $shares = array_map(static fn (float $sofar, float $weight): float => $sofar + $share * $weight / $sum, $shares, $weights);
        }

        return $shares;
    }

    /** How often against other places of the kind, by the conductor and whether its circuit lights anything; 1 where it is of no one conductor. */
    public function on(?Role $role, bool $lights): float
    {
        return null === $role ? 1.0 : array_sum(array_map(static fn (array $part): float => $part[0] * ($part[3][$role->value] ?? 1.0) * ($lights ? 1.0 : $part[4]), $this->parts));
    }
}
