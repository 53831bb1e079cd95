<?php

declare(strict_types=1);

namespace YellowProbe\Installation;

/** The devices that a circuit passes through on its way from the supply, read off the wires of the boards. */
final class Protection
{
    /** Terminals that lead towards the supply, by kind of device: line and neutral. */
    private const UPSTREAM = [
        'breaker' => ['in'], 'two-pole-breaker' => ['in1', 'in2'], 'rcbo' => ['Lin'], 'residual-device' => ['Lin'], 'main-switch' => ['Lin'],
        'residual-outlet' => ['line-L'], 'changeover' => ['mainL'],
    ];
    private const RESIDUAL = ['rcbo', 'residual-device', 'residual-outlet'];

    /** The residual device nearest to a circuit. */
    public static function residualDevice(House $house, string $circuit): ?Part
    {
        return self::residualDevices($house, $circuit)[0] ?? null;
    }

    /** @return list<Part> from the circuit towards the supply */
    public static function residualDevices(House $house, string $circuit): array
    {
        return array_values(array_filter(self::devices($house, $circuit), self::isResidual(...)));
    }

    /** @return list<string> a circuit, those that are fed through its device, as an outbuilding's board is, and those that it is fed through */
    public static function inLine(House $house, string $circuit): array
    {
        return array_values(array_filter(BoardEnds::circuits($house), static fn (string $other): bool => $other === $circuit || self::isFed($house, $other, $circuit) || self::isFed($house, $circuit, $other)));
    }

    /** Whether a circuit is fed through the device of another. */
    public static function isFed(House $house, string $fed, string $by): bool
    {
        return \in_array($house->circuits[$by]->way, array_map(static fn (Part $device): string => $device->id, self::devices($house, $fed)), true);
    }

    /** @return list<string> devices between one and the supply */
    public static function before(House $house, string $device): array
    {
        foreach (BoardEnds::circuits($house) as $circuit) {
            $line = array_map(static fn (Part $part): string => $part->id, self::devices($house, $circuit));
            $at = array_search($device, $line, true);
            if (false !== $at) {
                return \array_slice($line, $at + 1);
            }
        }

        return [];
    }

    public static function isResidual(Part $part): bool
    {
        return \in_array($part->kind, self::RESIDUAL, true);
    }

    /** @return list<Part> every device from the circuit's own towards the supply */
    public static function devices(House $house, string $circuit): array
    {
        $found = [];
        $from = [$house->parts[$house->circuits[$circuit]->way]];
        while ([] !== $from) {
            $part = array_shift($from);
            if (isset($found[$part->id])) {
                continue;
            }
            $found[$part->id] = $part;
            foreach (self::UPSTREAM[$part->kind] ?? [] as $key) {
                array_push($from, ...self::behind($house, $part->terminal($key)));
            }
        }

        return array_values(array_filter($found, static fn (Part $part): bool => isset(self::UPSTREAM[$part->kind])));
    }

    /** @return list<Part> devices at the other end of what lands on a terminal; a bar passes on to what feeds it */
    private static function behind(House $house, string $terminal): array
    {
        $parts = [];
        foreach ($house->wiring->landedOn($terminal) as [$core, $end]) {
            $other = $core->ends[2 - $end];
            if (null === $other) {
                continue;
            }
            $part = $house->partOf($other);
            $key = $house->terminals[$other]->key;
            if ('bar' === $part->kind) {
                foreach (array_keys($house->terminals) as $id) {
                    if (str_starts_with($id, "$part->id.") && $id !== $other) {
                        foreach ($house->wiring->landedOn($id) as [$feed, $at]) {
                            $source = $feed->ends[2 - $at];
                            if (null !== $source && str_starts_with($house->terminals[$source]->key, 'out')) {
                                $parts[] = $house->partOf($source);
                            }
                        }
                    }
                }
            } elseif (!\in_array($key, self::UPSTREAM[$part->kind] ?? [], true)) {
                $parts[] = $part;
            }
        }

        return $parts;
    }
}
