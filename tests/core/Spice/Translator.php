<?php

declare(strict_types=1);

namespace YellowProbe\Tests\Spice;

/**
 * From a house document to a netlist by another way than the core's: every core end is a node of its own behind its
 * joint, clamps are ammeters, faults are wired in where they are. It reads the JSON and knows no class of the core.
 *
 * @phpstan-type Doc array{parts: array<string, array<string, mixed>>, cables: array<string, array<string, mixed>>}
 * @phpstan-type State array{positions: array<string, string>, lifted: list<string>, links: list<array{string, string}>, loads: array<string, string>}
 * @phpstan-type Hidden array{kind: string, things: list<string>, ohms: float}
 * @phpstan-type Drive array{hertz: float, on: bool, small: bool}
 */
final class Translator
{
    private const MILLIOHMS = ['1' => 18.10, '1.5' => 12.10, '2.5' => 7.41, '4' => 4.61, '6' => 3.08, '16' => 1.15];
    private const GAUGE = ['14' => 8.29, '12' => 5.21];
    private const BREAKER = [6 => 0.05, 10 => 0.018, 16 => 0.009, 20 => 0.007, 32 => 0.0035, 40 => 0.0025];
    private const PICOFARADS = ['flat' => [100.0, 50.0], 'multiwire' => [100.0, 50.0], 'flex' => [120.0, 120.0], 'armoured' => [250.0, 120.0], 'conduit' => [30.0, 30.0], 'steel-conduit' => [100.0, 50.0]];

    public readonly Netlist $netlist;

    /** @var list<array{string, string, float, float}> what conducts from some volts on: nodes, volts, ohms beyond */
    public array $thresholds = [];

    /** @var array<string, string> "cable/core@end" => the node of that core end */
    private array $ends = [];

    /** @var array<string, string> "cable/core@end" or "device/pole" => the vector of its ammeter */
    private array $ammeters = [];

    private readonly Wrong $wrong;
    private readonly float $nominal;
    private readonly bool $direct;

    /**
     * @param Doc          $house
     * @param State        $state
     * @param Hidden|null  $fault
     * @param Drive        $drive   frequency, whether the supply is on, whether the test current is small
     * @param list<string> $clamped "cable/core@end" or "device/pole" to put an ammeter at
     */
    public function __construct(private readonly array $house, private readonly array $state, ?array $fault, private readonly array $drive, private readonly array $clamped = [])
    {
        $this->netlist = new Netlist();
        $this->wrong = new Wrong($house, $fault['kind'] ?? '', $fault['things'] ?? [], $fault['ohms'] ?? 0.0);
        $this->direct = !$drive['on'] && 0.0 === $drive['hertz'];
        $split = [] !== array_filter($house['parts'], static fn (array $part): bool => 'split' === ($part['system'] ?? ''));
        $this->nominal = $split ? 120.0 : 230.0;
        foreach ($this->house['parts'] as $id => $part) {
            $this->part($id, $part);
        }
        foreach ($this->house['cables'] as $id => $cable) {
            $this->cable($id, $cable);
        }
        foreach ($this->state['links'] as [$a, $b]) {
            $this->netlist->resistor($this->touch($a), $this->touch($b), 0.001);
        }
        foreach (array_keys($this->state['loads'], 'heater', true) as $outlet) {
            $this->netlist->resistor("$outlet-L", "$outlet-N", $this->nominal ** 2 / 2000.0);
        }
        foreach ($this->wrong->resistors as [$a, $b, $ohms]) {
            $this->netlist->resistor($this->landed($a), $this->landed($b), max($ohms, 1e-6));
        }
        foreach ($this->drive['hertz'] > 0.0 ? $this->wrong->capacitors : [] as [$a, $b, $farads]) {
            $this->netlist->capacitor($a, $b, $farads);
        }
        foreach ($this->wrong->sources as $at => [$a, $b, $volts, $ohms]) {
            $this->netlist->source($a, "*wrong$at", $drive['on'] ? $volts : 0.0);
            $this->netlist->resistor("*wrong$at", $b, $ohms);
        }
    }

    /** @param array<string, mixed> $house */
    public static function mainsHertz(array $house): float
    {
        return str_contains((string) json_encode($house), '"split"') ? 60.0 : 50.0;
    }

    /** The node that a lead on a terminal, or on the loose end of a lifted joint, touches. */
    public function touch(string $terminal): string
    {
        return $this->ends[$terminal] ?? $terminal;
    }

    /** Where a core end is: on its terminal, or loose while it is lifted. */
    private function landed(string $end): string
    {
        if (!isset($this->ends[$end]) || \in_array($end, $this->state['lifted'], true)) {
            return $this->touch($end);
        }
        [$cable, $core, $at] = explode('/', strtr($end, '@', '/'));
        $cores = $this->house['cables'][$cable]['cores'];
        \assert(\is_array($cores) && \is_array($cores[$core]) && \is_array($cores[$core]['ends']));
        $terminal = $cores[$core]['ends'][(int) $at - 1];
        \assert(\is_string($terminal));

        return $terminal;
    }

    public function ammeter(string $end): ?string
    {
        return $this->ammeters[$end] ?? null;
    }

    /** @param array<string, mixed> $part */
    private function part(string $id, array $part): void
    {
        $at = $this->state['positions'][$id] ?? 'on';
        $closed = 'on' === $at || '1' === $at;
        $breaker = self::BREAKER[(int) self::number($part, 'ratedAmperes', 16)] ?? 0.005;
        $core = $this->drive['small'] && $closed;
        switch ($part['kind']) {
            case 'service':
                $this->service($id, $part);
                break;
            case 'electrode':
                $this->element("$id/ground", "$id.E", '@ground', self::number($part, 'ohms', 73));
                break;
            case 'metalwork':
                if (isset($part['groundOhms'])) {
                    $this->element("$id/ground", "$id.E", '@ground', self::number($part, 'groundOhms', 0));
                }
                break;
            case 'main-switch':
                $this->poles($id, $closed, $closed, 0.0004, 0.0);
                break;
            case 'residual-device':
                $this->poles($id, $closed, $closed, 0.001, $core ? 0.05 : 0.0);
                break;
            case 'rcbo':
                $this->poles($id, $closed, $closed || false === ($part['switchesNeutral'] ?? true), $breaker + 0.003, $core ? 0.25 : 0.0);
                break;
            case 'breaker':
                $closed && $this->element("$id/L", "$id.in", "$id.out", $breaker);
                break;
            case 'two-pole-breaker':
                foreach ($closed ? [1, 2] : [] as $leg) {
                    $this->element("$id/L$leg", "$id.in$leg", "$id.out$leg", $breaker);
                }
                break;
            case 'changeover':
                foreach ('off' === $at ? [] : ['L', 'N'] as $pole) {
                    $this->element("$id/x$pole", "$id.".('2' === $at ? 'other' : 'main').$pole, "$id.out$pole", 0.001);
                }
                break;
            case 'source':
                if ($closed) {
                    $this->netlist->source("$id.N", "$id*in", $this->drive['on'] ? self::number($part, 'volts', $this->nominal) : 0.0);
                    $this->netlist->resistor("$id*in", "$id.L", self::number($part, 'lineOhms', 0.5));
                }
                $link = $part['link'] ?? 'islanded';
                $other = \is_string($part['changeover'] ?? null) ? $part['changeover'] : '';
                if ('always' === $link || ('islanded' === $link && '2' === ($this->state['positions'][$other] ?? 'on'))) {
                    $this->element("$id/link", "$id.N", "$id.E", 0.005);
                }
                break;
            case 'bar':
                for ($t = 1; $t < self::number($part, 'terminals', 1); ++$t) {
                    $this->netlist->resistor("$id.t$t", "$id.t".($t + 1), 0.00005);
                }
                break;
            case 'socket':
                $outlets = array_filter(\is_array($part['outlets'] ?? null) ? $part['outlets'] : [], is_string(...));
                foreach ([] === $outlets ? ['front'] : $outlets as $outlet) {
                    foreach (['L', 'N', 'E'] as $pole) {
                        $this->element("$id/$outlet-$pole", "$id.$pole", "$id.$outlet-$pole", 0.01);
                    }
                }
                break;
            case 'residual-outlet':
                foreach (['L', 'N'] as $pole) {
                    $closed && $this->element("$id/$pole", "$id.line-$pole", "$id.load-$pole", 0.005);
                    $this->element("$id/front-$pole", "$id.load-$pole", "$id.front-$pole", 0.01);
                }
                $this->element("$id/front-E", "$id.E", "$id.front-E", 0.01);
                break;
            case 'split-outlet':
                true === ($part['lineTab'] ?? false) && $this->element("$id/tab-L", "$id.upper-L", "$id.lower-L", 0.001);
                true === ($part['neutralTab'] ?? true) && $this->element("$id/tab-N", "$id.upper-N", "$id.lower-N", 0.001);
                foreach (['top' => 'upper', 'bottom' => 'lower'] as $face => $half) {
                    $this->element("$id/$face-L", "$id.$half-L", "$id.$face-L", 0.01);
                    $this->element("$id/$face-N", "$id.$half-N", "$id.$face-N", 0.01);
                    $this->element("$id/$face-E", "$id.E", "$id.$face-E", 0.01);
                }
                break;
            case 'switch':
                if (2 === ($part['ways'] ?? 1)) {
                    $this->netlist->resistor("$id.COM", '2' === $at ? "$id.L2" : "$id.L1", 0.005);
                } elseif ('on' === $at) {
                    $this->netlist->resistor("$id.COM", "$id.L1", 0.005);
                }
                break;
            case 'intermediate-switch':
                $this->netlist->resistor("$id.A1", '2' === $at ? "$id.B2" : "$id.B1", 0.005);
                $this->netlist->resistor("$id.A2", '2' === $at ? "$id.B1" : "$id.B2", 0.005);
                break;
            case 'light':
                $this->light($id, $part);
                break;
            case 'appliance':
                $this->appliance($id, $part);
                break;
            case 'surge-device':
                foreach ('on' === ($this->state['loads'][$id] ?? 'on') && $this->direct ? ['L', 'N'] : [] as $pole) {
                    $this->thresholds[] = ["$id.$pole", "$id.E", 430.0, 20e3];
                }
                break;
            case 'junction':
                break;
            default:
                throw new \LogicException("This translator does not know what $id is.");
        }
    }

    /** An element of a part: fed from elsewhere, worse, through an ammeter or not there at all, as what is wrong says. */
    private function element(string $name, string $a, string $b, float $ohms): void
    {
        if (isset($this->wrong->without[$name])) {
            return;
        }
        $a = $this->wrong->fed[$name] ?? $a;
        if (\in_array($name, $this->clamped, true)) {
            $this->ammeters[$name] = $this->netlist->ammeter($a, "$name*a");
            $a = "$name*a";
        }
        $this->netlist->resistor($a, $b, $ohms + ($this->wrong->more[$name] ?? 0.0));
    }

    /** @param array<string, mixed> $part */
    private function service(string $id, array $part): void
    {
        $n = $this->netlist;
        $on = $this->drive['on'] ? 1.0 : 0.0;
        $volts = $on * self::number($part, 'volts', $this->nominal);
        $line = self::number($part, 'lineOhms', 0.06);
        $split = 'split' === $part['system'];
        $n->source("$id*star", "$id*line", $volts);
        $n->resistor("$id*line", $this->wrong->fed["$id/line"] ?? ($split ? "$id.L1" : "$id.L"), $line);
        if ($split) {
            $n->source("$id*leg2", "$id*star", $volts);
            $n->resistor("$id*leg2", "$id.L2", $line);
        }
        if (!isset($this->wrong->without["$id/neutral"])) {
            $n->source("$id*star", "$id*street", $on * self::number($part, 'outsideVolts', 2));
            $n->resistor("$id*street", $this->wrong->fed["$id/neutral"] ?? "$id.N", self::number($part, 'neutralOhms', 0.06) + ($this->wrong->more["$id/neutral"] ?? 0.0));
        }
        $n->resistor("$id*star", '@ground', self::number($part, 'starElectrodeOhms', 1));
        $rods = [] !== array_filter($this->house['parts'], static fn (array $other): bool => 'electrode' === $other['kind']);
        match ($part['system']) {
            'TN-C-S' => $n->resistor("$id.N", "$id.E", self::number($part, 'linkOhms', 0.001)),
            'TN-S' => $n->resistor("$id*star", "$id.E", self::number($part, 'protectiveOhms', 0.3)),
            'split' => $n->resistor("$id.E", '@ground', self::number($part, 'electrodeOhms', 25)),
            default => $rods && !isset($part['electrodeOhms']) ? null : $this->element("$id/electrode", "$id.E", '@ground', self::number($part, 'electrodeOhms', 80)),
        };
        if (isset($part['bondingOhms'])) {
            $n->resistor("$id.E", '@ground', self::number($part, 'bondingOhms', 0));
        }
    }

    private function poles(string $id, bool $line, bool $neutral, float $ohms, float $core): void
    {
        $line && $this->element("$id/L", "$id.Lin", "$id.Lout", $ohms + $core);
        $neutral && $this->element("$id/N", "$id.Nin", "$id.Nout", $ohms);
    }

    /** @param array<string, mixed> $part */
    private function light(string $id, array $part): void
    {
        $this->element("$id/lamp-L", "$id.SL", "$id.lamp-L", 0.005);
        $this->element("$id/lamp-N", "$id.N", "$id.lamp-N", 0.005);
        if ('on' !== ($this->state['loads'][$id] ?? 'on')) {
            return;
        }
        $cold = ['filament' => 14.0, 'halogen' => 13.0][\is_string($part['lamp'] ?? null) ? $part['lamp'] : 'filament'] ?? null;
        $hot = $this->nominal ** 2 / self::number($part, 'watts', 60);
        if ($this->drive['on'] || null !== $cold) {
            $this->netlist->resistor("$id.lamp-L", "$id.lamp-N", $this->drive['on'] ? $hot : $hot / $cold);
        }
        if (null === $cold && $this->direct) {
            $this->thresholds[] = ["$id.lamp-L", "$id.lamp-N", 90.0, 200e3];
        }
    }

    /** @param array<string, mixed> $part */
    private function appliance(string $id, array $part): void
    {
        $load = $this->state['loads'][$id] ?? 'on';
        if ('out' === $load) {
            return;
        }
        $n = $this->netlist;
        $plug = \is_string($part['pluggedInto'] ?? null) ? $part['pluggedInto'] : null;
        foreach (null === $plug ? [] : ['L', 'N', 'E'] as $pole) {
            $this->element("$id/plug-$pole", "$plug-$pole", "$id.$pole", 0.01);
        }
        $filter = self::number($part, 'filterNanofarads', 0) * 1e-9;
        foreach ($filter > 0 && $this->drive['hertz'] > 0.0 ? ['L', 'N'] : [] as $pole) {
            $n->capacitor("$id.$pole", "$id.E", $filter);
        }
        if (isset($part['leakMegohms'])) {
            $n->resistor("$id.L", "$id.E", self::number($part, 'leakMegohms', 0) * 1e6);
        }
        $watts = self::number($part, 'watts', 0);
        $ohms = $watts > 0 ? self::number($part, 'ratedVolts', $this->nominal) ** 2 / $watts : 0.0;
        if ($watts > 0 && true === ($part['element'] ?? false)) {
            $this->element("$id/load-N", "$id.middle", "$id.N", $ohms / 2.0);
            'on' === $load && $this->element("$id/load", "$id.L", "$id.middle", $ohms / 2.0);
        } elseif ('on' === $load && $watts > 0) {
            if (!$this->drive['on'] && true === ($part['electronic'] ?? false)) {
                $this->direct && $this->thresholds[] = ["$id.L", "$id.N", 90.0, 100e3];
            } elseif (!$this->drive['on'] && isset($part['windingOhms'])) {
                $n->resistor("$id.L", "$id.N", self::number($part, 'windingOhms', 0));
            } else {
                $n->resistor("$id.L", "$id.N", $ohms);
                $factor = self::number($part, 'powerFactor', 1);
                if ($this->drive['on'] && $factor < 1.0) {
                    $n->inductor("$id.L", "$id.N", $ohms / (2.0 * \M_PI * $this->drive['hertz'] * tan(acos($factor))));
                }
            }
        }
    }

    /** @param array<string, mixed> $cable */
    private function cable(string $id, array $cable): void
    {
        $n = $this->netlist;
        $metres = isset($cable['lengthMetres']) ? (\is_array($cable['lengthMetres']) ? self::number($cable['lengthMetres'], 'value', 0) : self::number($cable, 'lengthMetres', 0)) : 0.0;
        \assert(\is_array($cable['cores']));
        $kinds = [];
        $earths = [];
        foreach ($cable['cores'] as $key => $core) {
            \assert(\is_array($core) && \is_array($core['ends']));
            $earths[(string) $key] = 'E' === ($core['role'] ?? $key);
            foreach ([1, 2] as $end) {
                $this->ends["$id/$key@$end"] = "$id/$key@$end*";
            }
            if (isset($this->wrong->without["$id/$key"])) {
                continue;
            }
            $kinds[] = (string) $key;
            $n->resistor("$id/$key@1*", "$id/$key@2*", max($this->coreOhms($cable, $earths[(string) $key], $metres), 1e-9));
            foreach ([1, 2] as $end) {
                $terminal = $core['ends'][$end - 1];
                if (\is_string($terminal)) {
                    $this->joint("$id/$key@$end", $terminal);
                }
            }
        }
        [$toEarth, $across] = self::PICOFARADS[\is_string($cable['kind'] ?? null) ? $cable['kind'] : 'flat'] ?? [0.0, 0.0];
        foreach ($kinds as $i => $a) {
            foreach (\array_slice($kinds, $i + 1) as $b) {
                foreach ($metres > 0 ? [1, 2] : [] as $end) {
                    $n->resistor("$id/$a@$end*", "$id/$b@$end*", 2.0 * self::number($cable, 'insulationMegohmKm', 10000) * 1e9 / $metres);
                    if ($this->drive['hertz'] > 0.0) {
                        $n->capacitor("$id/$a@$end*", "$id/$b@$end*", 0.5e-12 * $metres * ($earths[$a] || $earths[$b] ? $toEarth : $across));
                    }
                }
            }
        }
    }

    /** @param array<string, mixed> $cable */
    private function coreOhms(array $cable, bool $earth, float $metres): float
    {
        if (isset($cable['ohms'])) {
            return self::number($cable, 'ohms', 0);
        }
        $milliohms = isset($cable['awg']) ? self::GAUGE[(string) self::number($cable, 'awg', 0)] : self::MILLIOHMS[(string) self::number($cable, $earth && isset($cable['cpcMm2']) ? 'cpcMm2' : 'mm2', 0)];

        return $milliohms / 1000.0 * $metres * (1.0 + 0.004 * (self::number($cable, 'temperatureCelsius', 20) - 20.0));
    }

    /** A core end on its terminal: not when it is lifted or open, with more ohms when it is bad, through an ammeter when clamped. */
    private function joint(string $joint, string $terminal): void
    {
        if (\in_array($joint, $this->state['lifted'], true) || isset($this->wrong->open[$joint])) {
            return;
        }
        $terminal = $this->wrong->landed[$joint] ?? $terminal;
        if (\in_array($joint, $this->clamped, true)) {
            $this->ammeters[$joint] = $this->netlist->ammeter($terminal, "$joint*a");
            $terminal = "$joint*a";
        }
        $volts = str_ends_with($joint, '@1') ? $this->wrong->driven[substr($joint, 0, -2)] ?? 0.0 : 0.0;
        if (0.0 !== $volts) {
            $this->netlist->source($terminal, "$joint*e", $this->drive['on'] ? $volts : 0.0);
            $terminal = "$joint*e";
        }
        $this->netlist->resistor($terminal, "$joint*", 0.002 + ($this->wrong->more[$joint] ?? 0.0));
    }

    /** @param array<array-key, mixed> $of */
    private static function number(array $of, string $key, float $default): float
    {
        $value = $of[$key] ?? $default;
        if (\is_array($value)) {
            $value = $value['value'] ?? $default;
        }

        return is_numeric($value) ? (float) $value : $default;
    }
}
