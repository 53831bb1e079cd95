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

    /** The same as {@see HouseNetwork::build()}. */
    public static function network(House $house, State $state, Excitation $excitation, Factors $factors): Network
    {
        return self::kept($house, "whole {$excitation->key()} {$factors->key()} {$state->hash()}", static function () use ($house, $state, $excitation, $factors): Network {
            $single = $factors->single();
            $changed = null === $single ? null : self::network($house, $state, $excitation, new Factors())->renumbered(self::touched($house, $state, $excitation, ...$single));

            return $changed ?? HouseNetwork::build($house, $state, $excitation, $factors);
        });
    }

    /** The same as {@see HouseNetwork::touched()}. */
    public static function touched(House $house, State $state, Excitation $excitation, string $factor, float $log): Network
    {
        return self::kept($house, "touched {$excitation->key()} $factor $log {$state->hash()}", static fn (): Network => HouseNetwork::touched($house, $state, $excitation, $factor, $log));
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
