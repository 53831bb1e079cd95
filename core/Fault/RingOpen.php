<?php

declare(strict_types=1);

namespace YellowProbe\Fault;

use YellowProbe\Installation\House;
use YellowProbe\Installation\Ring;

/** One or all conductors of a segment of a ring are broken: every point still works. */
final readonly class RingOpen extends NamedFault
{
    public function __construct()
    {
        parent::__construct('ring-open', 'Ring broken');
    }

    private const MIXES = ['L' => ['L'], 'N' => ['N'], 'E' => ['E'], 'all' => ['L', 'N', 'E']];
    private const WORDS = ['L' => 'line', 'N' => 'neutral', 'E' => 'cpc', 'all' => 'all conductors'];

    public function sites(House $house): array
    {
        $sites = [];
        foreach (Ring::all($house) as $ring) {
            foreach ($ring->cables as $at => $cable) {
                $from = $house->parts[$ring->points[$at - 1] ?? '']->name ?? 'the board';
                $to = $house->parts[$ring->points[$at] ?? '']->name ?? 'the board';
                $places = array_map(static fn (string $part): string => $house->parts[$part]->place, array_values(array_filter([$ring->points[$at - 1] ?? null, $ring->points[$at] ?? null], is_string(...))));
                foreach (self::MIXES as $mix => $keys) {
                    $joints = array_values(array_filter(array_map(static fn (string $key): ?string => Ring::joint($house, $cable, $key, $ring->points[$at] ?? null), $keys), is_string(...)));
                    if (\count($joints) === \count($keys)) {
                        $sites[] = new FaultSite("$cable:$mix", $joints, $places, self::WORDS[$mix]." between $from and $to");
                    }
                }
            }
        }

        return $sites;
    }

    public function change(House $house, FaultSite $site, float $ohms): Change
    {
        return (new Change())->and(...array_map(static fn (string $joint): Change => OpenConductor::opened($house, $joint), $site->things));
    }
}
