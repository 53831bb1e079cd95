<?php

declare(strict_types=1);

namespace YellowProbe\Diagnosis;

use YellowProbe\Fault\ResolvedChange;
use YellowProbe\Installation\Excitation;
use YellowProbe\Installation\House;
use YellowProbe\Installation\HouseNetwork;
use YellowProbe\Installation\State;
use YellowProbe\Installation\Supply;
use YellowProbe\Network\Elimination;
use YellowProbe\Network\Network;

/**
 * What a state is expected to leave live: by the survey, and under any cause that still has some weight.
 *
 * It never says that anything is dead: only a proof by a person at the place does.
 */
final class Liveness
{
    public const LIVE = 'expected-live';
    public const MAY_BE_LIVE = 'may-be-live';
    public const EXPECTED_DEAD = 'expected-dead';

    /** A terminal counts as live from here to the mass of earth. */
    private const LIVE_VOLTS = 50.0;

    /** A cause with at least this probability can make something live. */
    private const WEIGHT = 0.01;

    private const MOST_CAUSES = 12;

    /** @return array<string, string> terminal (or loose end of a lifted joint) => one of the three */
    public static function of(House $house, State $state, Ranking $ranking): array
    {
        $mains = Excitation::mains(Supply::of($house)->hertz);
        $network = HouseNetwork::build($house, $state, $mains);
        $live = [];
        foreach (self::liveNodes($network) as $name => $isLive) {
            $live[$name] = $isLive ? self::LIVE : self::EXPECTED_DEAD;
        }
        foreach (self::causes($ranking) as $standing) {
            $hypothesis = $standing->hypothesis;
            // A fault that is quiet just now can make things live the next moment.
            $changes = $hypothesis->changes($house);
            $change = $changes[$standing->likeliestSeverity()] ?? $changes[0] ?? null;
            foreach (null === $change ? [] : self::liveNodes(ResolvedChange::of($network, $change, $mains)->network()) as $name => $isLive) {
                if ($isLive && self::EXPECTED_DEAD === $live[$name]) {
                    $live[$name] = self::MAY_BE_LIVE;
                }
            }
        }

        return $live;
    }

    /**
     * The causes that make any of these terminals live in a state, the likeliest first.
     *
     * @param list<string> $terminals
     *
     * @return list<Standing>
     */
    public static function causing(House $house, State $state, Ranking $ranking, array $terminals): array
    {
        $mains = Excitation::mains(Supply::of($house)->hertz);
        $network = HouseNetwork::build($house, $state, $mains);
        $causing = [];
        foreach (self::causes($ranking) as $standing) {
            $changes = $standing->hypothesis->changes($house);
            $change = $changes[$standing->likeliestSeverity()] ?? $changes[0] ?? null;
            $live = null === $change ? [] : self::liveNodes(ResolvedChange::of($network, $change, $mains)->network());
            if ([] !== array_filter($terminals, static fn (string $terminal): bool => $live[$terminal] ?? false)) {
                $causing[] = $standing;
            }
        }

        return $causing;
    }

    /**
     * The likeliest form of each cause that has some weight, all its forms taken together: split in two it is as dangerous.
     *
     * @return list<Standing>
     */
    private static function causes(Ranking $ranking): array
    {
        $weights = $forms = [];
        foreach ($ranking->standings as $standing) {
            $stem = $standing->hypothesis->stem;
            if (null !== $standing->hypothesis->kind) {
                $weights[$stem] = ($weights[$stem] ?? 0.0) + $standing->probability;
                $forms[$stem] ??= $standing;
            }
        }
        arsort($weights);
        $heavy = array_filter($weights, static fn (float $weight): bool => $weight >= self::WEIGHT);

        return array_map(static fn (int|string $stem): Standing => $forms[$stem], \array_slice(array_keys($heavy), 0, self::MOST_CAUSES));
    }

    /** @return array<string, bool> */
    private static function liveNodes(Network $network): array
    {
        $solution = Elimination::of($network, $network->node(HouseNetwork::GROUND))->solve();
        $live = [];
        foreach (array_keys($network->nodes) as $name) {
            if (!str_starts_with((string) $name, '@')) {
                $volts = $solution->volts((string) $name);
                $live[(string) $name] = null !== $volts && $volts->modulus() > self::LIVE_VOLTS;
            }
        }

        return $live;
    }
}
