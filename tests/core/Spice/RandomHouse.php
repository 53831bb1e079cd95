<?php

declare(strict_types=1);

namespace YellowProbe\Tests\Spice;

use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;
use YellowProbe\Installation\HouseDraft;

/** Houses by seed: three earthing systems, split boards and RCBOs, rings, radials, lights, spurs, loads, old insulation. */
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
                $draft->lights("c$at", $points, $this->one([25.0, 40.0, 60.0]), $this->one(['filament', 'filament', 'led']));
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
                        $draft->appliance("c$at-load$p", "Load $at.$p", "$point[0].front", ['watts' => $this->one([60.0, 800.0, 2300.0]), 'filterNanofarads' => $this->one([0.0, 4.7, 22.0])] + ($this->chance(30) ? ['leakMegohms' => $this->between(0.05, 5.0)] : []), $this->one(['on', 'off']));
                    }
                }
            }
        }
        $document = $draft->document();
        // Old insulation: with new cable the simulator itself would lose the digits beside contacts.
        \assert(\is_array($document['cables']));
        foreach ($document['cables'] as $id => $cable) {
            \assert(\is_array($cable));
            $document['cables'][$id] = isset($cable['circuit']) ? ['insulationMegohmKm' => $this->between(0.5, 20.0)] + $cable : $cable;
        }

        return $document;
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
