<?php

declare(strict_types=1);

namespace YellowProbe\Diagnosis;

use YellowProbe\Instrument\Bench;
use YellowProbe\Instrument\Shown;
use YellowProbe\Instrument\ShownKind;

/**
 * How the sound house's reading bends: one deviation of a factor up and one down move it by unlike amounts, and two factors together
 * by another amount than each. Where that is the lesser part, as with volts of which one share grows, it tells what two and three
 * deviations do; where leaks nearly cancel it tells nothing, and is noise to the ranking.
 */
final class Curvature
{
    /** Share of the move up to which a bend says what farther deviations do, and what it leaves unsaid then. */
    private const GENTLE = 0.5;
    private const UNSAID = 0.2;

    /** Of a reading's own deviation: up to which a bend is as good as straight, and a move too slight to bend. */
    private const STRAIGHT = 0.1;
    private const SLIGHT = 0.5;

    /**
     * @param Row                                   $sound   the house as surveyed
     * @param array<string, Bench>                  $shifted by factor, one deviation up
     * @param array<string, float>                  $spreads
     * @param \Closure(array<string, float>): Shown $read    what is shown with some factors off by so much, solved anew
     *
     * @return array{list<array{string, string, float}>, float} two factors, or one twice, and the second difference of the place on the display; deviation of the noise
     */
    public static function of(Display $display, Row $sound, Bench $base, array $shifted, array $spreads, \Closure $read): array
    {
        if (!$display->isLine() || ShownKind::Nothing === $sound->shown->kind) {
            return [[], 0.0];
        }
        $bends = $moves = [];
        $square = 0.0;
        foreach ($shifted as $factor => $bench) {
            $up = $bench->read();
            // What moves the reading by little bends it by less, but for leaks that cancel: those the first order knows as well.
            $isSlight = ShownKind::Nothing !== $up->kind && abs($display->z($up->value) - $sound->z) < self::SLIGHT * $sound->sigma;
            [$up, $down] = $isSlight ? [$base->leaning($factor, $spreads[$factor]) ?? $up, $base->leaning($factor, -$spreads[$factor])] : [$up, null];
            $down ??= $read([$factor => -$spreads[$factor]]);
            if (ShownKind::Nothing === $up->kind || ShownKind::Nothing === $down->kind) {
                continue;
            }
            $bend = $display->z($up->value) + $display->z($down->value) - 2.0 * $sound->z;
            $isGentle = !$isSlight && abs($bend) < self::GENTLE * 0.5 * abs($display->z($up->value) - $display->z($down->value));
            if ($isGentle) {
                $moves[$factor] = $display->z($up->value) - $sound->z;
                if (abs($bend) > self::STRAIGHT * $sound->sigma) {
                    $bends[] = [$factor, $factor, $bend];
                }
            }
            $square += (($isGentle ? self::UNSAID : 1.0) * 0.5 * $bend) ** 2;
        }

        return [[...$bends, ...self::joint($display, $sound, $moves, $spreads, $read)], sqrt($square)];
    }

    /**
     * Where one share of the volts grows, the others lose of theirs.
     *
     * @param array<string, float>                  $moves
     * @param array<string, float>                  $spreads
     * @param \Closure(array<string, float>): Shown $read
     *
     * @return list<array{string, string, float}>
     */
    private static function joint(Display $display, Row $sound, array $moves, array $spreads, \Closure $read): array
    {
        $bends = [];
        foreach (array_keys($moves) as $at => $one) {
            foreach (\array_slice(array_keys($moves), $at + 1) as $other) {
                if (abs($moves[$one] * $moves[$other]) <= self::STRAIGHT * $sound->sigma) {
                    continue;
                }
                $both = $read([$one => $spreads[$one], $other => $spreads[$other]]);
                $bend = $display->z($both->value) - $sound->z - $moves[$one] - $moves[$other];
                if (ShownKind::Nothing !== $both->kind && abs($bend) > self::STRAIGHT * $sound->sigma) {
                    $bends[] = [$one, $other, $bend];
                }
            }
        }

        return $bends;
    }
}
