<?php

declare(strict_types=1);

namespace YellowProbe\Installation;

use YellowProbe\Network\Network;

/** Networks of a house built lately: many tests share a state, and what a factor touches in it. The oldest go first. */
final class LatelyBuilt
{
    private const MOST = 64;

    /** @var \WeakMap<House, array<string, Network>>|null */
    private static ?\WeakMap $kept = null;

    /**
     * The same as {@see HouseNetwork::build()}.
     *
     * @param list<string> $probed
     */
    public static function network(House $house, State $state, Excitation $excitation, Factors $factors, array $probed = []): Network
    {
        return self::kept($house, "whole {$excitation->key()} {$factors->key()} {$state->hash()}".implode(' ', $probed), static function () use ($house, $state, $excitation, $factors, $probed): Network {
            $single = $factors->single();
            $changed = null === $single ? null : self::network($house, $state, $excitation, new Factors(), $probed)->renumbered(self::touched($house, $state, $excitation, $single[0], $single[1], $probed));

            return $changed ?? HouseNetwork::build($house, $state, $excitation, $factors, $probed);
        });
    }

    /**
     * The same as {@see HouseNetwork::touched()}.
     *
     * @param list<string> $probed
     */
    public static function touched(House $house, State $state, Excitation $excitation, string $factor, float $log, array $probed = []): Network
    {
        return self::kept($house, "touched {$excitation->key()} $factor $log {$state->hash()}".implode(' ', $probed), static fn (): Network => HouseNetwork::touched($house, $state, $excitation, $factor, $log, $probed));
    }

    /** @param \Closure(): Network $build */
    private static function kept(House $house, string $key, \Closure $build): Network
    {
        $kept = self::$kept ??= new \WeakMap();
        $network = $kept[$house][$key] ?? $build(); // which may keep what it is built from
        $networks = $kept[$house] ?? [];
        // What was asked for last stands last.
        unset($networks[$key]);
        $networks[$key] = $network;
        if (\count($networks) > self::MOST) {
            array_shift($networks);
        }
        $kept[$house] = $networks;

        return $network;
    }
}
