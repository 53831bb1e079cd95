<?php

declare(strict_types=1);

namespace YellowProbe\Diagnosis;

use YellowProbe\Installation\House;
use YellowProbe\Installation\State;
use YellowProbe\Instrument\Bench;
use YellowProbe\Instrument\Connection;
use YellowProbe\Instrument\Instrument;
use YellowProbe\Instrument\ReadingFormat;

/** With one lead of a tester held where it is: what this house should read for the other lead anywhere else. */
final class Reach
{
    /**
     * @return array<string, string> terminal => what the display should show there; terminals that the tester cannot be on are left out
     *
     * @throws \InvalidArgumentException for a tester that has not two leads
     */
    public static function of(House $house, State $state, Instrument $instrument, string $held): array
    {
        if (2 !== \count($instrument->leads())) {
            throw new \InvalidArgumentException("{$instrument->words()} has not two leads.");
        }
        $shown = [];
        $bench = null;
        foreach ($house->terminals as $terminal) {
            if ($terminal->id !== $held && self::counts($house, $terminal->id)) {
                // Held last, it is the datum of every one of these readings: the house is eliminated once.
                $there = Connection::leads($terminal->id, $held);
                $bench = $bench?->moved($there) ?? new Bench($house, $state, $instrument, $there);
                $shown[$terminal->id] = ReadingFormat::shown($bench->read(), $instrument);
            }
        }

        return $shown;
    }

    /** Of a bar one screw stands for all. */
    private static function counts(House $house, string $terminal): bool
    {
        return 'bar' !== $house->partOf($terminal)->kind || str_ends_with($terminal, '.t1');
    }
}
