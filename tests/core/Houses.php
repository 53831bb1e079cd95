<?php

declare(strict_types=1);

namespace YellowProbe\Tests;

use YellowProbe\Diagnosis\Rates;
use YellowProbe\Installation\Attributes;
use YellowProbe\Installation\House;
use YellowProbe\Installation\HouseDraft;
use YellowProbe\Tests\Spice\RandomHouse;

/** Small houses whose figures can be worked by hand: no joint resistance, 15 m runs, service 0.06 Ω. */
final class Houses
{
    /** @var list<House> */
    private static array $varied = [];

    /** Two circuits of one 15 m run of 2.5/1.5 mm² each behind one residual device of 2 mΩ per pole; tails 3 mΩ. */
    public static function twoCircuits(string $system = 'TN-C-S', float $filterNanofarads = 0.0): House
    {
        $draft = (new HouseDraft('Two circuits', ['electrodeOhms' => 80.0] + self::supply($system), 2))
            ->residualDevice('rcd', 'Device')
            ->way('one', 'One', 'radial', 16)
            ->way('two', 'Two', 'radial', 16)
            ->sockets('one', [['s1', 'Socket one', 'Room', 15.0]])
            ->sockets('two', [['s2', 'Socket two', 'Room', 15.0]])
            ->appliance('load1', 'Load one', 's1.front', ['watts' => 2300, 'filterNanofarads' => $filterNanofarads], 'off')
            ->appliance('load2', 'Load two', 's2.front', ['watts' => 2300], 'off');

        return self::bare($draft->document());
    }

    /** A ring of four points with legs of 10 m, three lights on another way, and a stair light on two switches. */
    public static function ringAndLights(): House
    {
        return (new HouseDraft('Ring and lights', ['system' => 'TN-C-S', 'lineOhms' => 0.08, 'neutralOhms' => 0.08, 'outsideVolts' => 1.5, 'bondingOhms' => 10.0], 4))
            ->residualDevice('rcd-a', 'Device A')
            ->way('ring', 'Ring', 'ring', 32)
            ->way('low', 'Lights below', 'lighting', 6)
            ->residualDevice('rcd-b', 'Device B')
            ->way('up', 'Lights above', 'lighting', 6)
            ->sockets('ring', [['a', 'Point a', 'Kitchen', 10.0], ['b', 'Point b', 'Kitchen', 10.0], ['c', 'Point c', 'Hall', 10.0], ['d', 'Point d', 'Hall', 10.0]], 10.0)
            ->spur('ring', 'b', 'spur', 'Spur', 'Porch', 5.0)
            ->lights('low', [['l1', 'Hall light', 'Hall', 6.0, 4.0], ['l2', 'Kitchen light', 'Kitchen', 6.0, 4.0]])
            ->twoWayLight('low', 'l1', 'stair', 'Stair light', 'Landing', 5.0, ['foot', 'Foot switch', 'Hall'], ['head', 'Head switch', 'Landing'])
            ->lights('up', [['u1', 'Landing light', 'Landing', 9.0, 4.0], ['u2', 'Bedroom light', 'Bedroom', 6.0, 4.0]])
            ->appliance('kettle', 'Kettle', 'b.front', ['watts' => 2300], 'off')
            ->appliance('fridge', 'Fridge', 'a.front', ['watts' => 100, 'filterNanofarads' => 10])
            ->house();
    }

    /** The worked house with a radial of two cores, as old work has it, and a load at its end. */
    public static function withoutCpc(float $watts): House
    {
        $document = self::with(self::worked(), 'fridge', ['watts' => $watts, 'filterNanofarads' => 0])->document;
        \assert(\is_array($document['cables']));
        foreach (['rad-r1', 'rad-r2'] as $id) {
            $cable = $document['cables'][$id];
            \assert(\is_array($cable) && \is_array($cable['cores']));
            unset($cable['cores']['E'], $cable['cpcMm2']);
            $document['cables'][$id] = $cable;
        }

        return House::fromDocument($document);
    }

    /** Two rings of three points on RCBOs, and a fixed heater of 2.7 kW with an element beside a pipe. */
    public static function ringsAndHeater(): House
    {
        $draft = (new HouseDraft('Rings', self::supply('TN-S'), 3))->direct()->rcboWay('one', 'Ring one', 'ring', 32)->rcboWay('two', 'Ring two', 'ring', 32)->rcboWay('hot', 'Heater', 'radial', 16)
            ->sockets('one', [['a1', 'A1', 'Room', 10.0], ['a2', 'A2', 'Room', 10.0], ['a3', 'A3', 'Room', 10.0]], 10.0)
            ->sockets('two', [['b1', 'B1', 'Room', 10.0], ['b2', 'B2', 'Room', 10.0], ['b3', 'B3', 'Room', 10.0]], 10.0)
            ->fixed('hot', 'heater', 'Heater', 'Loft', 10.0, ['watts' => 2700, 'element' => true], ['mm2' => 2.5, 'cpcMm2' => 1.5]);

        return self::bare(self::piped($draft->document(), 7));
    }

    /** A generator on a changeover beside two circuits, its neutral bonded while the house is islanded. */
    public static function backedUp(): House
    {
        $document = self::twoCircuits()->document;
        \assert(\is_array($document['parts']) && \is_array($document['cables']));
        $wire = static fn (string $role, string $from, string $to): array => ['kind' => 'board-wire', 'ohms' => 0.003, 'jointOhms' => 0, 'cores' => [$role => ['ends' => [$from, $to]]]];
        $document['parts'] += ['over' => ['kind' => 'changeover', 'place' => 'board', 'name' => 'Changeover'], 'genset' => ['kind' => 'source', 'place' => 'board', 'name' => 'Generator', 'changeover' => 'over', 'link' => 'islanded']];
        $document['cables'] = ['tail-l' => $wire('L', 'service.L', 'over.mainL'), 'tail-n' => $wire('N', 'service.N', 'over.mainN'), 'over-l' => $wire('L', 'over.outL', 'main.Lin'), 'over-n' => $wire('N', 'over.outN', 'main.Nin'), 'gen-l' => $wire('L', 'genset.L', 'over.otherL'), 'gen-n' => $wire('N', 'genset.N', 'over.otherN'), 'gen-e' => $wire('E', 'met.t5', 'genset.E')] + $document['cables'];

        return House::fromDocument($document);
    }

    /** Two circuits with a surge device behind their residual device. */
    public static function surgeProtected(): House
    {
        $document = self::twoCircuits()->document;
        \assert(\is_array($document['parts']) && \is_array($document['cables']));
        $wire = static fn (string $role, string $from, string $to): array => ['kind' => 'board-wire', 'ohms' => 0.001, 'jointOhms' => 0, 'cores' => [$role => ['ends' => [$from, $to]]]];
        $document['parts']['surge'] = ['kind' => 'surge-device', 'place' => 'board', 'name' => 'Surge device'];
        $document['cables'] += ['surge-l' => $wire('L', 'rcd.Lout', 'surge.L'), 'surge-n' => $wire('N', 'rcd-nbar.t4', 'surge.N'), 'surge-e' => $wire('E', 'met.t5', 'surge.E')];

        return House::fromDocument($document);
    }

    public static function demo(string $name): House
    {
        /** @var array<string, mixed> $document */
        $document = json_decode((string) file_get_contents(__DIR__."/../../demo/houses/$name.json"), true, 64, \JSON_THROW_ON_ERROR);

        return House::fromDocument($document);
    }

    /** @param array<string, mixed> $attributes */
    public static function with(House $house, string $part, array $attributes): House
    {
        $document = $house->document;
        \assert(\is_array($document['parts']) && \is_array($document['parts'][$part]));
        $document['parts'][$part] = $attributes + $document['parts'][$part];

        return House::fromDocument($document);
    }

    /**
     * With a bonded pipe of 10 Ω to the ground.
     *
     * @param array<string, mixed> $document
     *
     * @return array<string, mixed>
     */
    private static function piped(array $document, int $terminal): array
    {
        \assert(\is_array($document['places']) && \is_array($document['parts']) && \is_array($document['cables']));
        $document['places'] += ['outside' => ['kind' => 'outside', 'name' => 'Outside']];
        $document['parts'] += ['water' => ['place' => 'outside', 'kind' => 'metalwork', 'name' => 'Water pipe', 'groundOhms' => 10]];
        $document['cables'] += ['bond' => ['kind' => 'conduit', 'mm2' => 10, 'cpcMm2' => 10, 'lengthMetres' => 12, 'cores' => ['E' => ['ends' => ["met.t$terminal", 'water.E']]]]];

        return $document;
    }

    /** @return list<House> houses of every kind: the one above, and twenty-four by seed */
    public static function varied(): array
    {
        if ([] === self::$varied) {
            self::$varied = [self::ringAndLights(), ...array_map(static fn (int $seed): House => House::fromDocument((new RandomHouse($seed))->document()), range(1, 24))];
        }

        return self::$varied;
    }

    public static function rates(): Rates
    {
        /** @var array<string, mixed> $raw */
        $raw = json_decode((string) file_get_contents(__DIR__.'/../../config/prior-rates.json'), true, 16, \JSON_THROW_ON_ERROR);

        return new Rates(new Attributes($raw, ''));
    }

    /**
     * A ring of 67.5 m (r1 = rn = 0.5002 Ω, r2 = 0.8168 Ω) with points at its quarters and a spur of 8 m in the middle, a
     * radial of 15 and 10 m with a filter of 10 + 10 nF at its end, a light, a bonded pipe of 10 Ω to the ground; in TT a
     * rod of 73 Ω. Otherwise as above.
     */
    public static function worked(string $system = 'TN-C-S'): House
    {
        $draft = (new HouseDraft('Worked', self::supply($system), 3))
            ->residualDevice('rcd', 'Device')
            ->way('ring', 'Ring', 'ring', 32)
            ->way('rad', 'Radial', 'radial', 16)
            ->way('low', 'Lights', 'lighting', 6)
            ->sockets('ring', [['a', 'Point a', 'Room', 16.875], ['b', 'Point b', 'Room', 16.875], ['c', 'Point c', 'Room', 16.875]], 16.875)
            ->spur('ring', 'b', 'spur', 'Spur', 'Room', 8.0)
            ->sockets('rad', [['s1', 'Socket one', 'Room', 15.0], ['s2', 'Socket two', 'Room', 10.0]])
            ->lights('low', [['light', 'Light', 'Room', 10.0, 4.0]])
            ->appliance('fridge', 'Fridge', 's2.front', ['filterNanofarads' => 10]);
        $document = $draft->document();
        $document = self::piped($document, 7);
        \assert(\is_array($document['parts']) && \is_array($document['cables']));
        if ('TT' === $system) {
            $document['parts'] += ['rod' => ['place' => 'outside', 'kind' => 'electrode', 'name' => 'Rod', 'ohms' => 73]];
            $document['cables']['earthing'] = ['kind' => 'board-wire', 'ohms' => 0.003, 'cores' => ['E' => ['ends' => ['met.t1', 'rod.E']]]];
        }

        return self::bare($document);
    }

    /** @return array<string, mixed> */
    private static function supply(string $system): array
    {
        return ['system' => $system, 'lineOhms' => 0.06, 'neutralOhms' => 0.06, 'outsideVolts' => 0.0, 'protectiveOhms' => 0.3, 'starElectrodeOhms' => 'TT' === $system ? 2.0 : 1.0, 'linkOhms' => 1e-6];
    }

    /**
     * A house without the resistance of joints, contacts and board wires, its devices at 2 mΩ a pole: tails, cable,
     * breakers and loads are left.
     *
     * @param array<string, mixed> $document
     */
    public static function bare(array $document): House
    {
        /** @var array<string, array<string, mixed>> $cables */
        $cables = $document['cables'];
        foreach ($cables as $id => $cable) {
            $cables[$id]['jointOhms'] = 0;
            if ('board-wire' === $cable['kind'] && !str_starts_with($id, 'tail')) {
                $cables[$id]['ohms'] = 1e-6;
            }
        }
        $document['cables'] = $cables;
        /** @var array<string, array<string, mixed>> $parts */
        $parts = $document['parts'];
        foreach ($parts as $id => $part) {
            $parts[$id] += match ($part['kind']) {
                'residual-device' => ['poleOhms' => 0.002],
                'main-switch' => ['poleOhms' => 1e-6],
                'socket' => ['contactOhms' => 1e-6],
                default => [],
            };
        }
        $document['parts'] = $parts;

        return House::fromDocument($document);
    }
}
