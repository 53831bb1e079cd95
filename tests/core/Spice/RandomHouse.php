<?php

declare(strict_types=1);

namespace YellowProbe\Tests\Spice;

use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;
use YellowProbe\Installation\HouseDraft;

/**
 * Houses by seed: four supplies, split boards, RCBOs, a panel, an outbuilding, rings, radials, lights, spurs, heaters,
 * motors, electronics, pipes, rods, a back-up source, cables of several kinds, old insulation.
 */
final class RandomHouse
{
    private Randomizer $random;

    public function __construct(int $seed)
    {
        $this->random = new Randomizer(new Xoshiro256StarStar($seed));
    }

    /** @return array<string, mixed> */
    public function document(): array
    {
        $document = match ($this->random->getInt(0, 4)) {
            0 => $this->shipped('panel-with-multiwire'),
            1 => $this->shipped('rod-and-outbuilding'),
            default => $this->withExtras($this->drafted()),
        };
        // Old insulation: with new cable the simulator itself would lose the digits beside contacts.
        \assert(\is_array($document['cables']));
        foreach ($document['cables'] as $id => $cable) {
            \assert(\is_array($cable));
            if (isset($cable['circuit'])) {
                $cable['insulationMegohmKm'] = $this->between(0.02, 0.4);
                $document['cables'][$id] = $cable + ($this->chance(30) ? ['temperatureCelsius' => $this->between(5.0, 40.0)] : []);
            }
        }

        return $document;
    }

    /** @return array<string, mixed> one of the houses that ship, with other lengths and some loads */
    private function shipped(string $name): array
    {
        /** @var array{parts: array<string, array<string, mixed>>, cables: array<string, array<string, mixed>>, rest: array<string, array<string, string>>} $document */
        $document = json_decode((string) file_get_contents(__DIR__."/../../../demo/houses/$name.json"), true, 64, \JSON_THROW_ON_ERROR);
        foreach ($document['cables'] as $id => $cable) {
            if (isset($cable['circuit'])) {
                $document['cables'][$id]['lengthMetres'] = $this->between(2.0, 25.0);
            }
        }
        $document['parts']['service'] = ['lineOhms' => $this->between(0.03, 0.3), 'neutralOhms' => $this->between(0.03, 0.3), 'outsideVolts' => $this->between(0.0, 4.0)] + $document['parts']['service'];
        foreach ('rod-and-outbuilding' === $name ? ['bench.left', 'bench.right'] : ['counter-l.upper', 'counter-r.lower', 'den.bottom', 'bath.front'] as $at => $outlet) {
            if ($this->chance(60)) {
                $document['parts']["load$at"] = ['place' => $document['parts'][explode('.', $outlet)[0]]['place'], 'kind' => 'appliance', 'name' => "Load $at", 'pluggedInto' => $outlet] + $this->load();
            }
        }
        $document['rest']['loads'] = ['surge' => 'out'];

        return $document;
    }

    /** @return array<string, mixed> */
    private function load(): array
    {
        return ['watts' => $this->one([60.0, 800.0, 2300.0]), 'filterNanofarads' => $this->one([0.0, 4.7, 22.0])]
            + $this->one([[], [], ['element' => true], ['electronic' => true], ['powerFactor' => 0.75, 'windingOhms' => 14.0]])
            + ($this->chance(30) ? ['leakMegohms' => $this->between(0.05, 5.0)] : []);
    }

    /**
     * A pipe, a rod of its own, an intermediate switch, a circuit without cpc, a back-up source, a surge device, heaters.
     *
     * @param array<string, mixed> $document
     *
     * @return array<string, mixed>
     */
    private function withExtras(array $document): array
    {
        /** @var array{places: array<string, array<string, mixed>>, parts: array<string, array<string, mixed>>, cables: array<string, array<string, mixed>>, rest: array{positions: array<string, string>, loads: array<string, string>}} $document */
        $wire = static fn (string $role, string $from, string $to): array => ['kind' => 'board-wire', 'ohms' => 0.004, 'cores' => [$role => ['ends' => [$from, $to]]]];
        $document['places']['yard'] = ['kind' => 'metalwork', 'name' => 'Yard'];
        if ($this->chance(40)) {
            $document['parts']['pipe'] = ['kind' => 'metalwork', 'place' => 'yard', 'groundOhms' => $this->between(1.0, 50.0)];
            $document['cables']['bond'] = $wire('E', 'met.t13', 'pipe.E');
        }
        if ('TT' === $document['parts']['service']['system'] && $this->chance(50)) {
            unset($document['parts']['service']['electrodeOhms'], $document['cables']['earthing']);
            $document['parts']['rod'] = ['kind' => 'electrode', 'place' => 'yard', 'ohms' => $this->between(15.0, 300.0)];
            $document['cables']['rod-lead'] = $wire('E', 'met.t1', 'rod.E');
        }
        if ($this->chance(30)) {
            $document['parts']['mid'] = ['kind' => 'intermediate-switch', 'place' => 'p-foot'];
            $strappers = $document['cables']['stair-strappers'];
            $document['cables']['stair-strappers'] = ['cores' => ['L' => ['ends' => ['foot.L1', 'mid.A1']], 'SL' => ['ends' => ['foot.L2', 'mid.A2']], 'E' => ['ends' => ['foot.E', 'mid.E']]]] + $strappers;
            $document['cables']['stair-strappers-2'] = ['cores' => ['L' => ['ends' => ['mid.B1', 'head.L1']], 'SL' => ['ends' => ['mid.B2', 'head.L2']], 'E' => ['ends' => ['mid.E', 'head.E']]]] + $strappers;
            $document['rest']['positions']['mid'] = $this->one(['1', '2']);
        }
        if ($this->chance(35)) {
            $circuit = $this->one(['c2', 'c3']);
            foreach ($document['cables'] as $id => $cable) {
                if (($cable['circuit'] ?? '') === $circuit) {
                    \assert(\is_array($document['cables'][$id]['cores']));
                    unset($document['cables'][$id]['cores']['E'], $document['cables'][$id]['cpcMm2']);
                }
            }
        }
        if ($this->chance(25)) {
            $document['parts']['over'] = ['kind' => 'changeover', 'place' => 'board'];
            $document['parts']['genset'] = ['kind' => 'source', 'place' => 'yard', 'changeover' => 'over', 'link' => $this->one(['always', 'islanded', 'never'])];
            $document['cables']['tail-l'] = $wire('L', 'service.L', 'over.mainL');
            $document['cables']['tail-n'] = $wire('N', 'service.N', 'over.mainN');
            $document['cables'] += ['over-l' => $wire('L', 'over.outL', 'main.Lin'), 'over-n' => $wire('N', 'over.outN', 'main.Nin'), 'gen-l' => $wire('L', 'genset.L', 'over.otherL'), 'gen-n' => $wire('N', 'genset.N', 'over.otherN'), 'gen-e' => $wire('E', 'met.t14', 'genset.E')];
            $document['rest']['positions'] += $this->chance(40) ? ['over' => '2'] : ['genset' => 'off'];
        }
        if ($this->chance(30)) {
            $document['parts']['surge'] = ['kind' => 'surge-device', 'place' => 'board'];
            $document['cables'] += ['surge-l' => $wire('L', 'main.Lout', 'surge.L'), 'surge-n' => $wire('N', 'main.Nout', 'surge.N'), 'surge-e' => $wire('E', 'met.t12', 'surge.E')];
            $document['rest']['loads']['surge'] = $this->one(['on', 'out']);
        }
        foreach ($document['cables'] as $id => $cable) {
            if (isset($cable['circuit']) && $this->chance(25)) {
                $document['cables'][$id]['kind'] = $this->one(['flex', 'armoured', 'conduit', 'steel-conduit']);
            }
        }

        return $document;
    }

    /** @return array<string, mixed> */
    private function drafted(): array
    {
        $system = $this->one(['TN-C-S', 'TN-S', 'TT']);
        $service = ['system' => $system, 'lineOhms' => $this->between(0.03, 0.3), 'neutralOhms' => $this->between(0.03, 0.3), 'outsideVolts' => $this->between(0.0, 4.0), 'protectiveOhms' => $this->between(0.1, 0.6), 'electrodeOhms' => $this->between(15, 300), 'starElectrodeOhms' => $this->between(0.5, 10)];
        if ($this->chance(50)) {
            $service['bondingOhms'] = $this->between(0.5, 60);
        }
        $draft = new HouseDraft('Random', $service, 6);
        $rcbo = $this->chance(30);
        $rcbo ? $draft->direct() : $draft->residualDevice('rcd-a', 'Device A');
        $kinds = ['lighting', $this->one(['ring', 'radial']), 'lighting', $this->one(['ring', 'radial'])];
        foreach ($kinds as $at => $kind) {
            if (2 === $at && !$rcbo) {
                $draft->residualDevice('rcd-b', 'Device B');
            }
            $amperes = 'lighting' === $kind ? 6.0 : ('ring' === $kind ? 32.0 : 20.0);
            $rcbo ? $draft->rcboWay("c$at", "Circuit $at", $kind, $amperes, 'B', $this->chance(50)) : $draft->way("c$at", "Circuit $at", $kind, $amperes);
        }
        foreach ($kinds as $at => $kind) {
            $points = [];
            for ($p = 0, $count = $this->random->getInt(2, 5); $p < $count; ++$p) {
                $points[] = ["c$at-p$p", "Point $at.$p", $this->one(['Kitchen', 'Hall', 'Room', 'Landing']), $this->between(1.0, 14.0), $this->between(2.0, 6.0)];
            }
            if ('lighting' === $kind) {
                $draft->lights("c$at", $points, $this->one([25.0, 40.0, 60.0]), $this->one(['filament', 'filament', 'halogen', 'led']));
                if (0 === $at) {
                    $draft->twoWayLight('c0', 'c0-p0', 'stair', 'Stair', 'Landing', $this->between(2.0, 9.0), ['foot', 'Foot', 'Hall'], ['head', 'Head', 'Landing']);
                }
            } else {
                $draft->sockets("c$at", array_map(static fn (array $point): array => [$point[0], $point[1], $point[2], $point[3]], $points), 'ring' === $kind ? $this->between(2.0, 15.0) : null);
                if ($this->chance(50)) {
                    $draft->spur("c$at", "c$at-p0", "c$at-spur", "Spur $at", 'Room', $this->between(2.0, 8.0));
                }
                foreach ($points as $p => $point) {
                    if ($this->chance(50)) {
                        $draft->appliance("c$at-load$p", "Load $at.$p", "$point[0].front", $this->load(), $this->one(['on', 'off']));
                    }
                }
            }
        }
        if ($this->chance(50)) {
            $rcbo ? $draft->rcboWay('c4', 'Circuit 4', 'radial', 16.0) : $draft->way('c4', 'Circuit 4', 'radial', 16.0);
            $draft->fixed('c4', 'heater', 'Heater', 'Loft', $this->between(3.0, 18.0), ['watts' => 2700, 'element' => true], ['mm2' => 2.5, 'cpcMm2' => 1.5], $this->one(['on', 'off']));
        }

        return $draft->document();
    }

    /**
     * @template T
     *
     * @param non-empty-list<T> $list
     *
     * @return T
     */
    public function one(array $list): mixed
    {
        return $list[$this->random->getInt(0, \count($list) - 1)];
    }

    public function chance(int $percent): bool
    {
        return $this->random->getInt(1, 100) <= $percent;
    }

    private function between(float $low, float $high): float
    {
        return round($low + ($high - $low) * $this->random->getInt(0, 10000) / 10000.0, 4);
    }
}
