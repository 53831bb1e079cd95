<?php

declare(strict_types=1);

namespace YellowProbe\Safety;

use YellowProbe\Diagnosis\Hypothesis;
use YellowProbe\Diagnosis\Ranking;
use YellowProbe\Diagnosis\Story;
use YellowProbe\Fault\FaultSite;
use YellowProbe\Installation\House;
use YellowProbe\Installation\Part;
use YellowProbe\Installation\State;
use YellowProbe\Procedure\States;

/**
 * What cannot wait for a diagnosis: what was seen, felt or has become likely that hurts people or burns, with what takes it away.
 * It is said before any test. Probability times harm decides: each kind of danger has the share of belief from which it counts,
 * lower where more is at stake; below that the caution stands at the act only.
 */
final readonly class ImmediateDanger
{
    public const HEAT = 'heat';
    public const WATER = 'water';
    public const PIERCED = 'pierced';
    public const METAL = 'metal';
    public const SUPPLY_NEUTRAL = 'supply-neutral';
    public const RETURN = 'return';
    public const SHORT = 'short';
    public const UNPROTECTED = 'unprotected';

    /** Seen or smelt, at the place it was found at. */
    private const FOUND = ['scorched' => self::HEAT, 'burning-smell' => self::HEAT, 'buzzing' => self::HEAT, 'water' => self::WATER, 'crushed' => self::PIERCED];

    /** The symptom of metal that gives a shock. */
    private const TINGLE = 'tingle';

    /**
     * Causes that are a danger to people by themselves, and from which share of belief. A neutral lost before the house burns what
     * is plugged in and makes every case live: one in four is too much. A wire in the wrong place that makes metal the return
     * hurts whoever touches it, at one in five; a residual device that is stuck protects nobody, and hurts nobody by itself. A short only gets
     * worse by another push of the lever.
     */
    private const LIKELY = [
        self::SUPPLY_NEUTRAL => [0.25, ['supply-neutral-open', 'lost-supply-neutral', 'lost-pen', 'head-crossed', 'supply-polarity-reversed']],
        self::METAL => [0.25, ['earthing-conductor-open']],
        self::RETURN => [0.2, ['neutral-earth-swapped', 'line-earth-swapped', 'bootleg-earth', 'reversed-bootleg']],
        self::SHORT => [0.2, ['line-neutral-fault', 'pinched-lead', 'buried-cable-damaged']],
        self::UNPROTECTED => [0.5, ['rcd-stuck']],
    ];

    /** Of those what only a device that has opened by itself makes urgent. */
    private const OPENED = [self::SHORT];

    /**
     * @param string     $kind          one of the constants
     * @param list<Part> $devices       to be opened now; none where nothing of the house takes it away
     * @param bool       $isDistributor whether the distributor is called as well
     * @param string     $place         where it is, by its id; empty where it is everywhere
     */
    private function __construct(public string $kind, public array $devices, public bool $isDistributor, public string $place)
    {
    }

    /** @return list<self> those that are not taken away yet, what was seen first */
    public static function of(House $house, Ranking $ranking, Story $story, State $now): array
    {
        $all = [];
        $mended = self::mended($ranking);
        foreach ($story->findings as [$finding, $place]) {
            // Nobody knows where: then it is no matter of one circuit.
            $at = isset($house->places[$place]) ? $place : '';
            if (isset(self::FOUND[$finding]) && !\in_array($at, $mended, true)) {
                $all[] = new self(self::FOUND[$finding], self::devicesAt($house, [$at]), false, $at);
            }
        }
        if (\in_array(self::TINGLE, $story->symptoms, true) && [] === $mended) {
            $devices = self::devicesAt($house, $story->where);
            // In more than one room, or nobody knows where: then it is no matter of one circuit.
            $all[] = new self(self::METAL, 1 === \count($devices) ? $devices : States::mains($house), false, $story->where[0] ?? '');
        }
        foreach (self::LIKELY as $kind => [$share, $slugs]) {
            if (\in_array($kind, self::OPENED, true) && [] === $story->tripped) {
                continue;
            }
            [$sum, $site] = self::likely($ranking, $slugs);
            if ($sum >= $share && null !== $site) {
                $all[] = self::ofCause($house, $kind, $site);
            }
        }
        $open = [];
        foreach ($all as $danger) {
            $left = array_values(array_filter($danger->devices, static fn (Part $device): bool => 'off' !== $now->position($device->id, 'on')));
            $isMainOff = [] !== States::mains($house) && [] === array_filter(States::mains($house), static fn (Part $main): bool => 'off' !== $now->position($main->id, 'on'));
            if (self::UNPROTECTED === $danger->kind || ([] !== $left && !$isMainOff)) {
                $open[$danger->kind.implode(' ', array_map(static fn (Part $device): string => $device->id, $left))] ??= new self($danger->kind, $left, $danger->isDistributor, $danger->place);
            }
        }

        return array_values($open);
    }

    /** @return list<string> places at which something was repaired: what was seen or felt there before is no danger of now */
    private static function mended(Ranking $ranking): array
    {
        $places = [];
        foreach ($ranking->standings as $standing) {
            foreach ([] === $standing->hypothesis->both ? [$standing->hypothesis] : $standing->hypothesis->both as $one) {
                array_push($places, ...($one->isRepaired ? $one->site->places ?? [] : []));
            }
        }

        return array_values(array_unique($places));
    }

    private static function ofCause(House $house, string $kind, FaultSite $site): self
    {
        return match ($kind) {
            self::SUPPLY_NEUTRAL => new self($kind, States::mains($house), true, ''),
            self::METAL => new self($kind, States::mains($house), false, ''),
            self::UNPROTECTED => new self($kind, [], false, $site->places[0] ?? ''),
            default => new self($kind, self::devicesAt($house, $site->places), false, $site->places[0] ?? ''),
        };
    }

    /**
     * @param list<string> $slugs
     *
     * @return array{float, FaultSite|null} how likely it is any of these, and the likeliest site
     */
    private static function likely(Ranking $ranking, array $slugs): array
    {
        $sum = 0.0;
        $site = null;
        foreach ($ranking->standings as $standing) {
            foreach ([] === $standing->hypothesis->both ? [$standing->hypothesis] : $standing->hypothesis->both as $one) {
                if (self::is($one, $slugs)) {
                    $sum += $standing->probability;
                    $site ??= $one->site;
                    break;
                }
            }
        }

        return [$sum, $site];
    }

    /** @param list<string> $slugs */
    private static function is(Hypothesis $one, array $slugs): bool
    {
        return null !== $one->kind && !$one->isRepaired && \in_array($one->kind->slug(), $slugs, true);
    }

    /**
     * @param list<string> $places
     *
     * @return list<Part> the devices of the circuits there; the main switch for a board, or where no circuit is known
     */
    private static function devicesAt(House $house, array $places): array
    {
        $circuits = array_unique(array_merge(...array_map($house->circuitsAt(...), $places)));
        $devices = array_map(static fn (string $circuit): Part => $house->parts[$house->circuits[$circuit]->way], $circuits);

        return [] === $devices ? States::mains($house) : array_values($devices);
    }
}
