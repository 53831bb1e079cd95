<?php

declare(strict_types=1);

namespace YellowProbe\Installation;

/**
 * A house document drawn up fast: a board, its ways in physical order, and on each way a ring, a radial or lights with
 * typical cable and assumed lengths, to be refined where the fault is.
 */
final class HouseDraft
{
    private readonly DraftSheet $sheet;

    /** @var array{line: string, neutral: string} what the next way is fed from: terminals of the device before it */
    private array $feed;

    private int $ways = 0;

    /** @var array<string, array{line: string, neutral: string, earth: string}> where each circuit starts */
    private array $starts = [];

    private readonly bool $isSplit;

    /** @param array<string, mixed> $service attributes of the supply, at least "system"; "split" has two legs */
    public function __construct(string $name, array $service, private readonly int $waysAtMost = 12, string $boardRoom = 'Hall', string $ruleSet = 'A', float $mainAmperes = 100.0)
    {
        $this->isSplit = 'split' === ($service['system'] ?? '');
        $this->sheet = new DraftSheet($name, $ruleSet);
        $this->sheet->place('origin', 'origin', 'Supply', $boardRoom);
        $this->sheet->place('board', 'board', 'Consumer unit', $boardRoom);
        $this->sheet->part('service', 'origin', ['kind' => 'service', 'name' => 'Supply head'] + $service);
        $this->sheet->part('main', 'board', ['name' => 'Main switch', 'ratedAmperes' => $mainAmperes, 'position' => 0, 'kind' => $this->isSplit ? 'two-pole-breaker' : 'main-switch']);
        $this->sheet->part('met', 'board', ['kind' => 'bar', 'name' => 'Earth bar', 'role' => 'E', 'terminals' => 2 * $waysAtMost + 2]);
        $this->sheet->wire('earthing', 'E', 'service.E', 'met.t1', 0.003);
        $this->feed = ['line' => 'main.Lout', 'neutral' => 'main.Nout'];
        if ($this->isSplit) {
            $this->legs();
        } else {
            $this->sheet->wire('tail-l', 'L', 'service.L', 'main.Lin', 0.003);
            $this->sheet->wire('tail-n', 'N', 'service.N', 'main.Nin', 0.003);
        }
    }

    /** Two legs through the main breaker to a bar each, and the neutral bar, bonded to the earth bar here and only here. */
    private function legs(): void
    {
        foreach ([1, 2] as $leg) {
            $this->sheet->part("leg$leg", 'board', ['kind' => 'bar', 'name' => "Leg $leg", 'role' => "L$leg", 'terminals' => $this->waysAtMost + 2]);
            $this->sheet->wire("tail-l$leg", "L$leg", "service.L$leg", "main.in$leg", 0.003);
            $this->sheet->wire("leg-$leg", "L$leg", "main.out$leg", "leg$leg.t1", 0.0005);
        }
        $bar = 'main-nbar';
        $last = 2 * $this->waysAtMost + 2;
        $this->sheet->part($bar, 'board', ['kind' => 'bar', 'name' => 'Neutral bar', 'role' => 'N', 'terminals' => $last]);
        $this->sheet->wire('tail-n', 'N', 'service.N', "$bar.t".($last - 1), 0.003);
        $this->sheet->wire('bond', 'E', "$bar.t$last", 'met.t'.$last, 0.001);
        $this->feed = ['line' => '', 'neutral' => $bar];
    }

    /** What feeds the line of a way: the device of its group, or in a panel the leg of its row. */
    private function line(int $way): string
    {
        return $this->isSplit ? 'leg'.self::leg($way).'.t'.($way + 1) : $this->feed['line'];
    }

    /** Rows of two ways take the legs in turn. */
    private static function leg(int $way): int
    {
        return 1 + intdiv($way - 1, 2) % 2;
    }

    /** A breaker with nothing on it yet. */
    public function spare(float $amperes, string $curve = 'B'): self
    {
        $n = ++$this->ways;
        $this->sheet->part("way$n", 'board', ['kind' => 'breaker', 'name' => "Way $n, spare", 'ratedAmperes' => $amperes, 'position' => $n] + ('' === $curve ? [] : ['curve' => $curve]));
        $this->sheet->wire("way$n-feed", $this->isSplit ? 'L'.self::leg($n) : 'L', $this->line($n), "way$n.in", 0.0003);

        return $this;
    }

    /** A way without a device. */
    public function blank(): self
    {
        ++$this->ways;

        return $this;
    }

    /**
     * A load between the legs of a panel, on a breaker of two poles that takes this way and the next of its column.
     *
     * @param array<string, mixed> $attributes
     * @param array<string, mixed> $cable
     */
    public function betweenLegs(string $circuit, string $name, float $amperes, string $id, string $room, float $metres, array $attributes, array $cable): self
    {
        $n = ++$this->ways;
        $way = "way$n";
        $this->sheet->part($way, 'board', ['kind' => 'two-pole-breaker', 'name' => "Way $n", 'ratedAmperes' => $amperes, 'position' => $n]);
        foreach ([1, 2] as $leg) {
            $this->sheet->wire("$way-feed$leg", "L$leg", "leg$leg.t".($n + 1), "$way.in$leg", 0.0003);
        }
        $this->sheet->circuit($circuit, ['name' => $name, 'way' => $way, 'claim' => 'dedicated', 'position' => $n]);
        // The watts of a part are at the volts of one leg; between two it draws four times as many.
        $attributes['watts'] = 0.25 * (is_numeric($attributes['watts'] ?? null) ? (float) $attributes['watts'] : 0.0);
        $this->sheet->point($id, $name, $room, ['kind' => 'appliance'] + $attributes);
        $this->sheet->cable("$circuit-r1", $circuit, $metres, $cable, ['B' => ["$way.out1", "$id.L"], 'R' => ["$way.out2", "$id.N"], 'E' => ['met.t'.($n + 1), "$id.E"]], ['B' => 'L1', 'R' => 'L2']);

        $this->sheet->load($id, 'off');

        return $this;
    }

    /** The ways that follow sit behind this residual device and have a neutral bar of their own. */
    public function residualDevice(string $id, string $name, float $milliamps = 30.0, string $type = 'A'): self
    {
        $this->sheet->part($id, 'board', ['kind' => 'residual-device', 'name' => $name, 'ratedMilliamps' => $milliamps, 'type' => $type, 'position' => $this->ways + 0.5]);
        $this->sheet->wire("$id-l", 'L', 'main.Lout', "$id.Lin", 0.0005);
        $this->sheet->wire("$id-n", 'N', 'main.Nout', "$id.Nin", 0.0005);
        $this->group($id, "$id.Lout", "$id.Nout", "Neutral bar, $name");

        return $this;
    }

    /** The ways that follow are fed from the main switch; a neutral bar for all of them. */
    public function direct(): self
    {
        $this->group('main', 'main.Lout', 'main.Nout', 'Neutral bar');

        return $this;
    }

    /** A single-pole breaker and the circuit behind it. */
    public function way(string $circuit, string $name, string $claim, float $amperes, string $curve = 'B'): self
    {
        $n = ++$this->ways;
        $id = "way$n";
        $this->sheet->part($id, 'board', ['kind' => 'breaker', 'name' => "Way $n", 'ratedAmperes' => $amperes, 'position' => $n] + ('' === $curve ? [] : ['curve' => $curve]));
        $this->sheet->wire("$id-feed", $this->isSplit ? 'L'.self::leg($n) : 'L', $this->line($n), "$id.in", 0.0003);
        $this->start($circuit, $name, $claim, $id, "$id.out", $this->feed['neutral'].".t$n", $n);

        return $this;
    }

    /** An RCBO and the circuit behind it: line and neutral both start from the device. */
    public function rcboWay(string $circuit, string $name, string $claim, float $amperes, string $curve = 'B', bool $switchesNeutral = true, float $milliamps = 30.0): self
    {
        $n = ++$this->ways;
        $id = "way$n";
        $this->sheet->part($id, 'board', ['kind' => 'rcbo', 'name' => "Way $n", 'ratedAmperes' => $amperes, 'ratedMilliamps' => $milliamps, 'switchesNeutral' => $switchesNeutral, 'position' => $n] + ('' === $curve ? [] : ['curve' => $curve, 'type' => 'A']));
        $this->sheet->wire("$id-feed", $this->isSplit ? 'L'.self::leg($n) : 'L', $this->line($n), "$id.Lin", 0.0003);
        $this->sheet->wire("$id-lead", 'N', $this->feed['neutral'].".t$n", "$id.Nin", 0.002);
        $this->start($circuit, $name, $claim, $id, "$id.Lout", "$id.Nout", $n);

        return $this;
    }

    /**
     * Sockets joined in a row; a ring closes back to the board.
     *
     * @param list<array{string, string, string, float}> $points    id, name, room, metres of cable before it
     * @param float|null                                 $backMetres from the last point to the board, for a ring
     * @param array<string, mixed>                       $cable      attributes of every run
     */
    public function sockets(string $circuit, array $points, ?float $backMetres = null, array $cable = ['mm2' => 2.5, 'cpcMm2' => 1.5]): self
    {
        $from = $this->starts[$circuit];
        foreach ($points as $at => [$id, $name, $room, $metres]) {
            $this->sheet->point($id, $name, $room, ['kind' => 'socket', 'position' => $at]);
            $this->sheet->run("$circuit-r".($at + 1), $circuit, $metres, $cable, $from, $from = self::hub($id));
        }
        if (null !== $backMetres) {
            $this->sheet->run("$circuit-r".(\count($points) + 1), $circuit, $backMetres, $cable, $from, $this->starts[$circuit]);
        }

        return $this;
    }

    /**
     * A further socket hung on a point.
     *
     * @param array<string, mixed> $cable
     */
    public function spur(string $circuit, string $from, string $id, string $name, string $room, float $metres, array $cable = ['mm2' => 2.5, 'cpcMm2' => 1.5]): self
    {
        $this->sheet->point($id, $name, $room, ['kind' => 'socket']);
        $this->sheet->run("$circuit-s-$id", $circuit, $metres, $cable, self::hub($from), self::hub($id));

        return $this;
    }

    /**
     * Lights in a loop, each with a switch on a switch drop; off when the house rests.
     *
     * @param list<array{string, string, string, float, float}> $points id, name, room, metres before it, metres of its drop
     * @param array<string, mixed>                              $cable
     */
    public function lights(string $circuit, array $points, float $watts = 40.0, string $lamp = 'filament', array $cable = ['mm2' => 1.5, 'cpcMm2' => 1.0]): self
    {
        $from = $this->starts[$circuit];
        foreach ($points as $at => [$id, $name, $room, $metres, $drop]) {
            $switch = "$id-sw";
            $this->sheet->point($id, $name, $room, ['kind' => 'light', 'lamp' => $lamp, 'watts' => $watts, 'switchedBy' => [$switch => 'on'], 'position' => $at]);
            $this->sheet->point($switch, "$name switch", $room, ['kind' => 'switch']);
            $this->sheet->run("$circuit-r".($at + 1), $circuit, $metres, $cable, $from, $from = self::hub($id));
            $this->sheet->cable("$id-drop", $circuit, $drop, $cable, ['L' => ["$id.L", "$switch.COM"], 'SL' => ["$id.SL", "$switch.L1"], 'E' => ["$id.E", "$switch.E"]]);
            $this->sheet->position($switch, 'off');
        }

        return $this;
    }

    /**
     * A light on two two-way switches joined by strappers: line at the first, switched line from the second.
     *
     * @param array{string, string, string} $first  id, name, room of the switch that the line comes to
     * @param array{string, string, string} $second id, name, room of the switch that the lamp is on
     * @param array<string, mixed>          $cable
     */
    public function twoWayLight(string $circuit, string $after, string $id, string $name, string $room, float $metres, array $first, array $second, float $watts = 40.0, array $cable = ['mm2' => 1.5, 'cpcMm2' => 1.0]): self
    {
        $this->sheet->point($id, $name, $room, ['kind' => 'light', 'lamp' => 'filament', 'watts' => $watts, 'switchedBy' => [$first[0] => '1', $second[0] => '1']]);
        foreach ([$first, $second] as [$switch, $switchName, $switchRoom]) {
            $this->sheet->point($switch, $switchName, $switchRoom, ['kind' => 'switch', 'ways' => 2]);
        }
        $this->sheet->run("$id-feed", $circuit, $metres, $cable, self::hub($after), self::hub($id));
        $this->sheet->cable("$id-drop", $circuit, 4.0, $cable, ['L' => ["$id.L", "$first[0].COM"], 'E' => ["$id.E", "$first[0].E"]]);
        $this->sheet->cable("$id-strappers", $circuit, 6.0, $cable, ['L' => ["$first[0].L1", "$second[0].L1"], 'SL' => ["$first[0].L2", "$second[0].L2"], 'E' => ["$first[0].E", "$second[0].E"]]);
        $this->sheet->cable("$id-switched", $circuit, 4.0, $cable, ['SL' => ["$second[0].COM", "$id.SL"], 'E' => ["$second[0].E", "$id.E"]]);
        $this->sheet->position($second[0], '2');
        $this->sheet->position($first[0], '1');

        return $this;
    }

    /**
     * Something plugged in ("socket.front") or wired by its own cable from the board.
     *
     * @param array<string, mixed> $attributes watts, filterNanofarads, leakMegohms
     */
    public function appliance(string $id, string $name, string $plug, array $attributes, string $rest = 'on'): self
    {
        $this->sheet->part($id, 'p-'.explode('.', $plug)[0], ['kind' => 'appliance', 'name' => $name, 'pluggedInto' => $plug] + $attributes);

        $this->sheet->load($id, $rest);

        return $this;
    }

    /**
     * @param array<string, mixed> $attributes
     * @param array<string, mixed> $cable
     */
    public function fixed(string $circuit, string $id, string $name, string $room, float $metres, array $attributes, array $cable, string $rest = 'on'): self
    {
        $this->sheet->point($id, $name, $room, ['kind' => 'appliance'] + $attributes);
        $this->sheet->run("$circuit-r1", $circuit, $metres, $cable, $this->starts[$circuit], self::hub($id));

        $this->sheet->load($id, $rest);

        return $this;
    }

    /** @return array<string, mixed> */
    public function document(): array
    {
        return $this->sheet->document();
    }

    public function house(): House
    {
        return House::fromDocument($this->document());
    }

    private function group(string $id, string $line, string $neutral, string $name): void
    {
        $bar = "$id-nbar";
        $this->sheet->part($bar, 'board', ['kind' => 'bar', 'name' => $name, 'role' => 'N', 'terminals' => 2 * $this->waysAtMost + 2]);
        $this->sheet->wire("$bar-link", 'N', $neutral, "$bar.t".(2 * $this->waysAtMost + 1), 0.001);
        $this->feed = ['line' => $line, 'neutral' => $bar];
    }

    private function start(string $circuit, string $name, string $claim, string $way, string $line, string $neutral, int $n): void
    {
        $this->sheet->circuit($circuit, ['name' => $name, 'way' => $way, 'claim' => $claim, 'position' => $n]);
        $this->starts[$circuit] = ['line' => $line, 'neutral' => $neutral, 'earth' => 'met.t'.($n + 1)];
    }

    /** @return array{line: string, neutral: string, earth: string} */
    private static function hub(string $id): array
    {
        return ['line' => "$id.L", 'neutral' => "$id.N", 'earth' => "$id.E"];
    }
}
