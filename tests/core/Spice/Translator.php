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
 */
final class Translator
{
    private const MILLIOHMS = ['1' => 18.10, '1.5' => 12.10, '2.5' => 7.41, '4' => 4.61, '6' => 3.08];
    private const BREAKER = [6 => 0.05, 10 => 0.018, 16 => 0.009, 20 => 0.007, 32 => 0.0035];

    public readonly Netlist $netlist;

    /** @var array<string, string> "cable/core@end" => the node of that core end */
    private array $ends = [];

    /** @var array<string, string> "cable/core@end" => the vector of its ammeter */
    private array $ammeters = [];

    /**
     * @param Doc         $house
     * @param State       $state
     * @param Hidden|null $fault
     * @param list<string> $clamped "cable/core@end" to put an ammeter at
     */
    public function __construct(private readonly array $house, private readonly array $state, private readonly ?array $fault, private readonly bool $mains, private readonly array $clamped = [])
    {
        $this->netlist = new Netlist();
        foreach ($this->house['parts'] as $id => $part) {
            $this->part($id, $part);
        }
        foreach ($this->house['cables'] as $id => $cable) {
            $this->cable($id, $cable);
        }
        foreach ($this->state['links'] as [$a, $b]) {
            $this->netlist->resistor($a, $b, 0.001);
        }
        if (null !== $this->fault) {
            [$kind, $things] = [$this->fault['kind'], $this->fault['things']];
            $contact = ['neutral-earth-fault' => ['N', 'E'], 'line-earth-leak' => ['L', 'E'], 'line-neutral-fault' => ['L', 'N']][$kind] ?? null;
            if (null !== $contact) {
                $this->netlist->resistor("$things[0].$contact[0]", "$things[0].$contact[1]", max($this->fault['ohms'], 1e-6));
            } elseif ('joined-neutrals' === $kind) {
                $this->netlist->resistor($things[0], $things[1], $this->fault['ohms']);
            }
        }
    }

    /** The node that a lead on a terminal, or on the loose end of a lifted joint, touches. */
    public function touch(string $terminal): string
    {
        return $this->ends[$terminal] ?? $terminal;
    }

    public function ammeter(string $end): ?string
    {
        return $this->ammeters[$end] ?? null;
    }

    /** @param array<string, mixed> $part */
    private function part(string $id, array $part): void
    {
        $n = $this->netlist;
        $closed = 'off' !== ($this->state['positions'][$id] ?? 'on');
        switch ($part['kind']) {
            case 'service':
                $this->service($id, $part);
                break;
            case 'main-switch':
                $this->poles($id, $closed, $closed, 0.0004);
                break;
            case 'residual-device':
                $this->poles($id, $closed, $closed, 0.001);
                break;
            case 'rcbo':
                $this->poles($id, $closed, $closed || false === ($part['switchesNeutral'] ?? true), self::BREAKER[(int) self::number($part, 'ratedAmperes', 16)] + 0.003);
                break;
            case 'breaker':
                if ($closed) {
                    $n->resistor("$id.in", "$id.out", self::BREAKER[(int) self::number($part, 'ratedAmperes', 16)]);
                }
                break;
            case 'bar':
                for ($t = 1; $t < self::number($part, 'terminals', 1); ++$t) {
                    $n->resistor("$id.t$t", "$id.t".($t + 1), 0.00005);
                }
                break;
            case 'socket':
                $exchanged = $id === ($this->fault['things'][0] ?? '') ? [
                    'line-neutral-reversed' => ['L' => 'N', 'N' => 'L'], 'neutral-earth-swapped' => ['N' => 'E', 'E' => 'N'], 'line-earth-swapped' => ['L' => 'E', 'E' => 'L'],
                ][$this->fault['kind'] ?? ''] ?? [] : [];
                foreach (['L', 'N', 'E'] as $front) {
                    $worn = 'accessory-contact' === ($this->fault['kind'] ?? '') && "$id/front-$front" === ($this->fault['things'][0] ?? '') ? $this->fault['ohms'] ?? 0.0 : 0.0;
                    $n->resistor("$id.".($exchanged[$front] ?? $front), "$id.front-$front", 0.01 + $worn);
                }
                break;
            case 'switch':
                $at = $this->state['positions'][$id] ?? 'on';
                if (2 === ($part['ways'] ?? 1)) {
                    $n->resistor("$id.COM", '2' === $at ? "$id.L2" : "$id.L1", 0.005);
                } elseif ('on' === $at) {
                    $n->resistor("$id.COM", "$id.L1", 0.005);
                }
                break;
            case 'light':
                $borrowed = 'borrowed-neutral' === ($this->fault['kind'] ?? '') && $id === ($this->fault['things'][0] ?? '');
                $n->resistor("$id.SL", "$id.lamp-L", 0.005);
                $n->resistor($borrowed ? ($this->fault['things'][1] ?? '') : "$id.N", "$id.lamp-N", 0.005);
                if ('on' === ($this->state['loads'][$id] ?? 'on') && ($this->mains || 'filament' === ($part['lamp'] ?? 'filament'))) {
                    $n->resistor("$id.lamp-L", "$id.lamp-N", 52900.0 / self::number($part, 'watts', 60) / ($this->mains ? 1.0 : 14.0));
                }
                break;
            case 'appliance':
                $this->appliance($id, $part);
                break;
            default:
                throw new \LogicException("This translator does not know what $id is.");
        }
    }

    /** @param array<string, mixed> $part */
    private function service(string $id, array $part): void
    {
        $n = $this->netlist;
        $n->source("$id*star", "$id*line", self::number($part, 'volts', 230));
        $n->resistor("$id*line", "$id.L", self::number($part, 'lineOhms', 0.06));
        $n->source("$id*star", "$id*street", self::number($part, 'outsideVolts', 2));
        $n->resistor("$id*street", "$id.N", self::number($part, 'neutralOhms', 0.06));
        $n->resistor("$id*star", '@ground', self::number($part, 'starElectrodeOhms', 1));
        match ($part['system']) {
            'TN-C-S' => $n->resistor("$id.N", "$id.E", self::number($part, 'linkOhms', 0.001)),
            'TN-S' => $n->resistor("$id*star", "$id.E", self::number($part, 'protectiveOhms', 0.3)),
            default => $n->resistor("$id.E", '@ground', self::number($part, 'electrodeOhms', 80)),
        };
        if (isset($part['bondingOhms'])) {
            $n->resistor("$id.E", '@ground', self::number($part, 'bondingOhms', 0));
        }
    }

    private function poles(string $id, bool $line, bool $neutral, float $ohms): void
    {
        if ($line) {
            $this->netlist->resistor("$id.Lin", "$id.Lout", $ohms);
        }
        if ($neutral) {
            $this->netlist->resistor("$id.Nin", "$id.Nout", $ohms);
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
            $n->resistor("$plug-$pole", "$id.$pole", 0.01);
        }
        $filter = self::number($part, 'filterNanofarads', 0) * 1e-9;
        foreach ($filter > 0 && $this->mains ? ['L', 'N'] : [] as $pole) {
            $n->capacitor("$id.$pole", "$id.E", $filter);
        }
        if (isset($part['leakMegohms'])) {
            $n->resistor("$id.L", "$id.E", self::number($part, 'leakMegohms', 0) * 1e6);
        }
        if ('on' === $load && self::number($part, 'watts', 0) > 0) {
            $n->resistor("$id.L", "$id.N", 52900.0 / self::number($part, 'watts', 0));
        }
    }

    /** @param array<string, mixed> $cable */
    private function cable(string $id, array $cable): void
    {
        $n = $this->netlist;
        $metres = isset($cable['lengthMetres']) ? (\is_array($cable['lengthMetres']) ? self::number($cable['lengthMetres'], 'value', 0) : self::number($cable, 'lengthMetres', 0)) : 0.0;
        \assert(\is_array($cable['cores']));
        $kinds = [];
        foreach ($cable['cores'] as $key => $core) {
            \assert(\is_array($core) && \is_array($core['ends']));
            $kinds[] = (string) $key;
            $area = 'E' === $key && isset($cable['cpcMm2']) ? 'cpcMm2' : 'mm2';
            $ohms = isset($cable['ohms']) ? self::number($cable, 'ohms', 0) : self::MILLIOHMS[(string) self::number($cable, $area, 0)] / 1000.0 * $metres;
            $n->resistor("$id/$key@1*", "$id/$key@2*", max($ohms, 1e-9));
            foreach ([1, 2] as $end) {
                $this->ends["$id/$key@$end"] = "$id/$key@$end*";
                $terminal = $core['ends'][$end - 1];
                if (\is_string($terminal)) {
                    $this->joint("$id/$key@$end", $terminal);
                }
            }
        }
        foreach ($kinds as $i => $a) {
            foreach (\array_slice($kinds, $i + 1) as $b) {
                foreach ($metres > 0 ? [1, 2] : [] as $end) {
                    $n->resistor("$id/$a@$end*", "$id/$b@$end*", 2.0 * self::number($cable, 'insulationMegohmKm', 10000) * 1e9 / $metres);
                    if ($this->mains) {
                        $n->capacitor("$id/$a@$end*", "$id/$b@$end*", 0.5e-12 * $metres * ('E' === $a || 'E' === $b ? 100.0 : 50.0));
                    }
                }
            }
        }
    }

    /** A core end on its terminal: not when it is lifted or open, with more ohms when it is bad, through an ammeter when clamped. */
    private function joint(string $joint, string $terminal): void
    {
        $hit = $joint === ($this->fault['things'][1] ?? '') && 'neutral-wrong-bar' !== ($this->fault['kind'] ?? '');
        if ('neutral-wrong-bar' === ($this->fault['kind'] ?? '') && \in_array($joint, \array_slice($this->fault['things'] ?? [], 1), true)) {
            $terminal = $this->fault['things'][0] ?? '';
        }
        if (\in_array($joint, $this->state['lifted'], true) || ($hit && str_starts_with($this->fault['kind'] ?? '', 'open-'))) {
            return;
        }
        $ohms = 0.002 + ($hit && 'high-resistance-joint' === ($this->fault['kind'] ?? '') ? $this->fault['ohms'] ?? 0.0 : 0.0);
        if (\in_array($joint, $this->clamped, true)) {
            $this->ammeters[$joint] = $this->netlist->ammeter($terminal, "$joint*a");
            $terminal = "$joint*a";
        }
        $this->netlist->resistor($terminal, "$joint*", $ohms);
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
