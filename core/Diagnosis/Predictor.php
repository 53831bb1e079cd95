<?php

declare(strict_types=1);

namespace YellowProbe\Diagnosis;

use YellowProbe\Fault\Change;
use YellowProbe\Fault\FaultNature;
use YellowProbe\Installation\Factors;
use YellowProbe\Installation\House;
use YellowProbe\Instrument\Bench;
use YellowProbe\Instrument\ComplaintTrial;
use YellowProbe\Instrument\DeviceWatch;
use YellowProbe\Instrument\Measurement;
use YellowProbe\Instrument\Shown;
use YellowProbe\Instrument\ShownKind;
use YellowProbe\Instrument\Unit;

/** Computes what a measurement would show under every hypothesis, with its movement under every factor that matters to it. */
final class Predictor
{
    /** Raised whenever a prediction may change, so that stored tables are not mixed. */
    public const VERSION = '42';

    /** Spreads of what one reading shows (volts on a lamp) within which a cause's row is the sound house's, or moves as it does. */
    private const SAME = 1e-3;
    private const NEAR = 0.05;

    /** How little of the sound house's bends a cause's row has to have lost to be probed for its own. */
    private const FAR = 0.1;

    /** Causes from which on one more elimination is worth it. */
    private const MANY = 40;

    /** @param list<Hypothesis> $hypotheses */
    public static function table(House $house, Measurement $measurement, array $hypotheses): PredictionTable
    {
        return self::compute($house, $measurement, $hypotheses, false);
    }

    /**
     * The same, with every cause moving with the factors as the sound house does, and straight: enough to weigh tests
     * against each other, at a fraction of the cost.
     *
     * @param list<Hypothesis> $hypotheses
     */
    public static function sketch(House $house, Measurement $measurement, array $hypotheses): PredictionTable
    {
        return self::compute($house, $measurement, $hypotheses, true);
    }

    /** @param list<Hypothesis> $hypotheses */
    private static function compute(House $house, Measurement $measurement, array $hypotheses, bool $sketched): PredictionTable
    {
        if ($measurement->instrument instanceof ComplaintTrial) {
            return self::tried($hypotheses);
        }
        $display = new Display($measurement->instrument);
        $base = new Bench($house, $measurement->state, $measurement->instrument, $measurement->connection);
        $spreads = Dependence::spreads($house, $measurement);
        if ($sketched || \count($hypotheses) >= self::MANY) {
            $base->prepare();
        }
        $shifted = $bends = [];
        $read = ($measurement->instrument instanceof DeviceWatch ? new Wavering($house, $measurement->instrument, $base) : $base)->read(...);
        [$spreads, $bent] = Dependence::telling($display, self::placed($display, $base->read(), [], 0.0), $base, $spreads, $measurement->circuits($house));
        $probe = null;
        if ($sketched) {
            $sound = self::placed($display, $read(), self::leaning($display, $base, $spreads), 0.0);
        } else {
            foreach ($spreads as $factor => $spread) {
                $shifted[$factor] = $base->off(new Factors([$factor => $spread]));
                if (\count($hypotheses) >= self::MANY) {
                    // Asked only of what the tester notices.
                    $shifted[$factor]->prepare(false);
                }
            }
            $probe = Probe::of($house, $base, \count($hypotheses) >= self::MANY);
            [$bends, $curved] = Curvature::of($display, self::placed($display, $base->read(), [], 0.0), $base, $shifted, $spreads, static fn (array $logs): Shown => $base->off(new Factors($logs))->read());
            $bent = hypot($bent, $curved);
            $sound = self::row($display, $read(), $shifted, null, $bent);
        }
        /** @var \SplObjectStorage<Change, Row> $known */
        $known = new \SplObjectStorage();
        $changes = Changes::in($house);
        $row = static fn (?Change $change, ?Row $between = null): Row => null === $change ? $sound : $known[$change] ??= self::faulted($display, $read($change), $shifted, $change, $sound, $sketched, $bent, $probe, $between);
        $rows = [];
        foreach ($hypotheses as $hypothesis) {
            if (Hypothesis::ELSE === $hypothesis->id || isset($rows[$hypothesis->stem])) {
                continue;
            }
            $list = $changes->of($hypothesis);
            if ([] === $list) {
                continue;
            }
            // A fault is noticed most at one end of its severities.
            $isUnnoticed = [] === $hypothesis->both && $base->isBlindTo($list[0]) && $base->isBlindTo($list[\count($list) - 1]);
            $rows[$hypothesis->stem] = match (true) {
                [] !== $hypothesis->both => array_map($row, $list),
                $isUnnoticed => array_fill(0, \count($list), $sound),
                default => Steps::rows($list, $row),
            };
            if ($display->isLine()) {
                $rows[$hypothesis->stem] = Between::rows($rows[$hypothesis->stem], array_map(static fn (Hypothesis $fault): int => $fault->severities(), [] === $hypothesis->both ? [$hypothesis] : $hypothesis->both), $sound);
            }
        }

        return PredictionTable::of($rows, self::tails([...array_keys($sound->moves), ...array_keys($spreads), ...Between::FACTORS], $spreads), $bends);
    }

    /**
     * The complaint that is tried: every cause brings it back while it is there, what the survey got wrong does not.
     *
     * @param list<Hypothesis> $hypotheses
     */
    private static function tried(array $hypotheses): PredictionTable
    {
        $gone = new Row(ComplaintTrial::shown(false), 0.0, 1.0, []);
        $there = new Row(ComplaintTrial::shown(true), 0.0, 1.0, []);
        $rows = [Hypothesis::SOUND => [$gone]];
        foreach ($hypotheses as $hypothesis) {
            if (Hypothesis::ELSE !== $hypothesis->id) {
                $isCause = [] !== array_filter($hypothesis->singles(), static fn (Hypothesis $one): bool => null !== $one->kind && FaultNature::Survey !== $one->kind->nature());
                $rows[$hypothesis->stem] = array_fill(0, $hypothesis->severities(), $isCause ? $there : $gone);
            }
        }

        return PredictionTable::of($rows);
    }

    /** What the house as surveyed shows, with its spread. */
    public static function sound(House $house, Measurement $measurement): Row
    {
        return self::table($house, $measurement, [Hypothesis::sound(1.0)])->sound();
    }

    /**
     * @param list<string>         $factors
     * @param array<string, float> $spreads
     *
     * @return array<string, float>
     */
    private static function tails(array $factors, array $spreads): array
    {
        $tails = [];
        foreach ($factors as $factor) {
            $tails[$factor] = Factors::tail($factor, $spreads[$factor] ?? 1.0);
        }

        return $tails;
    }

    /**
     * Most causes leave most readings alone. Such a row is the sound house's own, so that tables stay small and the
     * ranking weighs it once; one that hardly moves the reading moves with the factors as the sound house does.
     *
     * @param array<string, Bench> $shifted
     * @param Row|null             $between of a step between two that move alike: how it moves
     */
    private static function faulted(Display $display, Shown $shown, array $shifted, Change $change, Row $sound, bool $sketched, float $bent, ?Probe $probe, ?Row $between): Row
    {
        if ($shown->kind === $sound->shown->kind && self::isAsNoisy($display, $shown, $sound->shown)) {
            $apart = Unit::Pattern === $display->instrument->unit()
                ? max([0.0, ...array_map(static fn (float $a, float $b): float => abs($a - $b), $shown->levels, $sound->shown->levels)])
                : abs(sinh($display->z($shown->value)) - sinh($sound->z)) / (cosh($sound->z) * $sound->sigma);
            if ($apart < self::SAME) {
                return $sound;
            }
            $sketched = $sketched || $apart < self::NEAR;
        }

        // A reading far from the sound one has little to do with what bends that: it is probed for what bends it by itself.
        $near = exp(-abs($display->z($shown->value) - $sound->z));
        if ($sketched) {
            return self::placed($display, $shown, $sound->moves, $near * $bent);
        }
        if (null !== $between && $shown->kind === $between->shown->kind) {
            return new Row($shown, $display->z($shown->value), $between->sigma, $between->moves);
        }
        $row = self::row($display, $shown, $shifted, $change, $near * $bent);
        if (null === $probe || 1.0 - $near < self::FAR || !self::isNumber($display, $shown)) {
            return $row;
        }

        return new Row($row->shown, $row->z, hypot($row->sigma, (1.0 - $near) * $probe->unsaid($display, $row, $change)), $row->moves);
    }

    /** A jaw around amps shows milliamps less surely than one around a conductor that the cause has opened, be they as many. */
    private static function isAsNoisy(Display $display, Shown $shown, Shown $sound): bool
    {
        if ($shown->through === $sound->through) {
            return true;
        }
        $noise = static fn (Shown $one): float => $display->instrument->accuracy()->repeatability($display->instrument->scale(), $one);

        return abs($noise($shown) - $noise($sound)) <= self::NEAR * $noise($sound);
    }

    /** @param array<string, Bench> $shifted */
    private static function row(Display $display, Shown $shown, array $shifted, ?Change $change, float $bent): Row
    {
        $z = $display->z($shown->value);
        $moves = self::gain($display, $shown);
        foreach (self::isNumber($display, $shown) ? $shifted : [] as $factor => $bench) {
            $other = $bench->read($change);
            if (ShownKind::Nothing !== $other->kind) {
                $moves[$factor] = $display->z($other->value) - $z;
            }
        }

        return self::placed($display, $shown, $moves, $bent);
    }

    /** @return array<string, float> how the tester's own error moves what it shows */
    private static function gain(Display $display, Shown $shown): array
    {
        return ['gain:'.$display->instrument->slug() => $display->instrument->accuracy()->gainSpread() * $display->slope($shown->value)];
    }

    /**
     * How the factors move the sound house's reading: to first order, and where that is not to be had worked out.
     *
     * @param array<string, float> $spreads
     *
     * @return array<string, float>
     */
    private static function leaning(Display $display, Bench $base, array $spreads): array
    {
        $sound = $base->read();
        $moves = self::gain($display, $sound);
        foreach (self::isNumber($display, $sound) ? $spreads : [] as $factor => $spread) {
            $other = $base->leaning($factor, $spread) ?? $base->off(new Factors([$factor => $spread]))->read();
            if (ShownKind::Nothing !== $other->kind) {
                $moves[$factor] = $display->z($other->value) - $display->z($sound->value);
            }
        }

        return $moves;
    }

    /** @param array<string, float> $moves */
    private static function placed(Display $display, Shown $shown, array $moves, float $bent): Row
    {
        if (!self::isNumber($display, $shown)) {
            return new Row($shown, 0.0, 1.0, []);
        }

        return new Row($shown, $display->z($shown->value), max(hypot($display->noise($shown), $bent), Row::LEAST), $moves);
    }

    private static function isNumber(Display $display, Shown $shown): bool
    {
        return Unit::Pattern !== $display->instrument->unit() && ShownKind::Nothing !== $shown->kind;
    }
}
