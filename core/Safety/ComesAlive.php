<?php

declare(strict_types=1);

namespace YellowProbe\Safety;

use YellowProbe\Installation\Excitation;
use YellowProbe\Installation\House;
use YellowProbe\Installation\HouseNetwork;
use YellowProbe\Installation\Role;
use YellowProbe\Installation\State;
use YellowProbe\Installation\StateChange;
use YellowProbe\Installation\Supply;
use YellowProbe\Network\Network;

/**
 * Whether an act can bring a place that was proved dead back to life, read off the wiring as surveyed.
 *
 * Opening, unplugging, lifting and taking a link off never do. Closing, plugging in, refitting and linking do when a line of
 * a source then reaches what was closed: for a protective device or a main that ends every proof of the call, since what is
 * not on the survey (a borrowed neutral, a second feed) hangs on them; for anything else the proofs of the places it reaches.
 */
final class ComesAlive
{
    /** From here a source is one that can hurt: the neutral's own volts are none (handbook, section 3). */
    private const SOURCE_VOLTS = 50.0;

    /** A path: anything from a contact to a small load. Insulation and filters are thinner. */
    private const PATH_SIEMENS = 1e-5;

    /** Wire and joints, thick enough to hold what hangs on it near the star point. */
    private const TIED_SIEMENS = 1.0;

    /**
     * @param State  $before the state that the act was done in
     * @param string $place  the place that was proved dead
     */
    public static function by(House $house, State $before, StateChange $change, string $place): bool
    {
        if (!self::joins($before, $change)) {
            return false;
        }
        $after = $before->after($change);
        $live = self::reached($house, $after);
        $touched = self::terminals($house, $change);
        if ([] === array_intersect_key($live, array_fill_keys($touched, true))) {
            return false;
        }
        if ('set' === $change->operation && Levers::isLever($house, $change->subject)) {
            return true;
        }
        foreach ($house->terminals as $terminal) {
            if (isset($live[$terminal->id]) && $house->parts[$terminal->part]->place === $place) {
                return true;
            }
        }

        return false;
    }

    /** Whether it makes a path that was not there. */
    private static function joins(State $before, StateChange $change): bool
    {
        return match ($change->operation) {
            'set' => 'off' !== $change->value && $before->position($change->subject, 'on') !== $change->value,
            'load' => \in_array($change->value, ['on', State::HEATER], true) && $before->load($change->subject) !== $change->value,
            'refit' => $before->isLifted($change->subject),
            'link' => true,
            default => false,
        };
    }

    /** @return list<string> ends of what is closed, refitted or linked */
    private static function terminals(House $house, StateChange $change): array
    {
        if ('link' === $change->operation) {
            return [$change->subject, $change->value];
        }
        $joint = $house->joint($change->subject);
        if (null !== $joint) {
            return array_values(array_filter($joint[0]->ends, is_string(...)));
        }
        $part = explode('.', $change->subject)[0];

        return array_map(strval(...), array_keys(array_filter($house->terminals, static fn ($terminal): bool => $terminal->part === $part && Role::Earth !== $terminal->role)));
    }

    /** @return array<string, true> terminals and loose ends that a line of a source reaches */
    private static function reached(House $house, State $state): array
    {
        $network = HouseNetwork::build($house, $state, Excitation::mains(Supply::of($house)->hertz));
        $lines = $returns = [];
        foreach ($network->from as $branch => $from) {
            $admittance = $network->admittance($branch)->modulus();
            if ($admittance > 0.0 && $network->driven($branch)->modulus() / $admittance >= self::SOURCE_VOLTS) {
                $lines[] = $network->to[$branch];
                $returns[] = $from;
            }
        }
        // A line that is linked to earth for a test holds nothing near it: it trips, or it is live.
        $ofLine = array_fill_keys($lines, true);
        foreach ($house->terminals as $terminal) {
            if (!\in_array($terminal->role, [Role::Neutral, Role::Earth], true)) {
                $ofLine[$network->node($terminal->id)] = true;
            }
        }
        $tied = self::spread($network, [...$returns, $network->node(HouseNetwork::GROUND)], self::TIED_SIEMENS, $ofLine);
        $live = self::spread($network, $lines, self::PATH_SIEMENS, array_diff_key($tied, array_fill_keys($lines, true)));
        $names = [];
        foreach ($network->nodes as $name => $node) {
            if (isset($live[$node])) {
                $names[(string) $name] = true;
            }
        }

        return $names;
    }

    /**
     * @param list<int>        $from
     * @param array<int, true> $except nodes that are not passed
     *
     * @return array<int, true> nodes that branches of at least so many siemens lead to
     */
    private static function spread(Network $network, array $from, float $siemens, array $except): array
    {
        $found = array_fill_keys($from, true);
        $next = $from;
        while ([] !== $next) {
            $node = array_pop($next);
            foreach ($network->incident[$node] ?? [] as $branch) {
                $other = $network->from[$branch] === $node ? $network->to[$branch] : $network->from[$branch];
                if (!isset($found[$other]) && !isset($except[$other]) && $network->admittance($branch)->modulus() >= $siemens) {
                    $found[$other] = true;
                    $next[] = $other;
                }
            }
        }

        return $found;
    }
}
