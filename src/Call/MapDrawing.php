<?php

declare(strict_types=1);

namespace App\Call;

use App\Api\View\MapView;
use App\Api\View\StopView;
use App\Api\View\WayView;

/**
 * The line map on paper: every circuit open, one below the other. Plain lines, boxes and text and nothing else, so that any
 * program draws it alike; conductors are told apart by their place and their dashes, not by colour alone.
 */
final class MapDrawing
{
    private const WIDTH_BOARD = 190;
    private const COLUMN = 92;
    private const ROW = 62;
    private const BOX = 28;
    private const MARGIN = 12;
    /** Offset of a conductor from the middle of its line. */
    private const OFFSETS = ['L' => -7, 'N' => 0, 'E' => 7];
    private const DASHES = ['L' => '', 'N' => '9 2', 'E' => '3 3'];

    /** @return string an SVG document; lengths in px at 96 an inch */
    public static function of(MapView $map): string
    {
        $body = '';
        $top = self::MARGIN + 28;
        $width = 0;
        $group = null;
        foreach ($map->ways as $way) {
            if (null !== $way->group && $way->group !== $way->device && $way->group !== $group) {
                $body .= self::text(self::MARGIN, $top + 12, $way->groupName, 13, true);
                $top += 22;
            }
            $group = $way->group;
            $rows = 1 + max([0, ...array_map(static fn (StopView $stop): int => $stop->row, $way->stops)]);
            $columns = 1 + max([0, ...array_map(static fn (StopView $stop): int => $stop->column, $way->stops)]);
            $width = max($width, self::x($columns) + self::MARGIN);
            $body .= self::way($way, $top + 36, (array) $map->colours);
            $top += 22 + $rows * self::ROW + ($way->ring ? 14 : 0);
        }
        $title = self::text(self::MARGIN, self::MARGIN + 12, "$map->name · $map->supply", 15, true);
        $height = $top + self::MARGIN;

        return \sprintf('<?xml version="1.0" encoding="UTF-8"?>'."\n".'<svg xmlns="http://www.w3.org/2000/svg" width="%1$d" height="%2$d" viewBox="0 0 %1$d %2$d" font-family="sans-serif"><rect width="%1$d" height="%2$d" fill="#fff"/>%3$s%4$s</svg>', $width, $height, $title, $body);
    }

    /** @param array<array-key, mixed> $colours of the conductors */
    private static function way(WayView $way, int $y, array $colours): string
    {
        $at = [];
        foreach ($way->stops as $stop) {
            $at[$stop->part] = [self::x($stop->column), $y + $stop->row * self::ROW];
        }
        $edge = [self::MARGIN + self::WIDTH_BOARD, $y];
        $drawn = '';
        foreach (self::OFFSETS as $role => $offset) {
            $colour = \is_string($colours[$role] ?? null) ? $colours[$role] : '#000';
            foreach ($way->stops as $stop) {
                $drawn .= self::line(null === $stop->after ? $edge : $at[$stop->after] ?? $edge, $at[$stop->part], $offset, $colour, $role, ($stop->after ?? '').'>'.$stop->part);
            }
            foreach ($way->returns as $return) {
                if (isset($at[$return->from ?? ''])) {
                    $drawn .= self::back($at[$return->from], null === $return->to ? $edge : $at[$return->to] ?? $edge, $offset, $colour, $role, $return->from.'>'.($return->to ?? ''));
                }
            }
        }
        $drawn .= \sprintf('<rect x="%d" y="%d" width="%d" height="44" fill="#fff" stroke="#000" data-circuit="%s"/>', self::MARGIN, $y - 22, self::WIDTH_BOARD, self::escaped($way->circuit));
        $drawn .= self::text(self::MARGIN + 8, $y - 4, self::short($way->name, 24), 13, true).self::text(self::MARGIN + 8, $y + 14, $way->rating.' · '.($way->on ? 'I' : 'O'), 12, false);
        foreach ($way->stops as $stop) {
            [$x, $middle] = $at[$stop->part];
            $drawn .= \sprintf('<rect x="%d" y="%d" width="%d" height="%d" rx="%d" fill="#fff" stroke="#000" data-part="%s"/>', $x - self::BOX / 2, $middle - 16, self::BOX, 32, 'light' === $stop->kind ? 14 : 3, self::escaped($stop->part));
            $drawn .= \sprintf('<text x="%d" y="%d" font-size="11" text-anchor="middle">%s</text>', $x, 0 === $stop->row ? $middle - 22 : $middle + 28, self::escaped(self::short($stop->name, 15)));
        }

        return $drawn;
    }

    /**
     * @param array{int, int} $from
     * @param array{int, int} $to
     */
    private static function line(array $from, array $to, int $offset, string $colour, string $role, string $cable): string
    {
        // A branch leaves from under its stop.
        $path = $from[1] === $to[1] ? \sprintf('M%d %dH%d', $from[0], $from[1] + $offset, $to[0]) : \sprintf('M%d %dV%dH%d', $from[0] + $offset, $from[1], $to[1] + $offset, $to[0]);

        return self::path($path, $colour, $role, $cable);
    }

    /**
     * @param array{int, int} $from
     * @param array{int, int} $to
     */
    private static function back(array $from, array $to, int $offset, string $colour, string $role, string $cable): string
    {
        return self::path(\sprintf('M%d %dH%dV%dH%d%s', $from[0], $from[1] + $offset, $from[0] + 30 - $offset, $from[1] + 28 + intdiv($offset, 2), $to[0], $to[1] === $from[1] && $to[0] > self::MARGIN + self::WIDTH_BOARD ? \sprintf('V%d', $to[1]) : ''), $colour, $role, $cable);
    }

    private static function path(string $path, string $colour, string $role, string $cable): string
    {
        return \sprintf('<path d="%s" fill="none" stroke="%s" stroke-width="2"%s data-cable="%s" data-role="%s"/>', $path, self::escaped($colour), '' === self::DASHES[$role] ? '' : \sprintf(' stroke-dasharray="%s"', self::DASHES[$role]), self::escaped($cable), $role);
    }

    private static function x(int $column): int
    {
        return self::MARGIN + self::WIDTH_BOARD + 56 + $column * self::COLUMN;
    }

    private static function text(int $x, int $y, string $text, int $size, bool $bold): string
    {
        return \sprintf('<text x="%d" y="%d" font-size="%d"%s>%s</text>', $x, $y, $size, $bold ? ' font-weight="bold"' : '', self::escaped($text));
    }

    private static function short(string $text, int $most): string
    {
        return mb_strlen($text) <= $most ? $text : rtrim(mb_substr($text, 0, $most - 1)).'…';
    }

    private static function escaped(string $text): string
    {
        return htmlspecialchars($text, \ENT_XML1 | \ENT_QUOTES);
    }
}
