<?php

declare(strict_types=1);

namespace YellowProbe\Fault;

use YellowProbe\Installation\Core;
use YellowProbe\Installation\House;
use YellowProbe\Installation\Part;
use YellowProbe\Installation\Role;

/** A way's neutral landed on another group's bar: its whole load unbalances both devices. */
final readonly class NeutralWrongBar extends NamedFault
{
    public function __construct()
    {
        parent::__construct('neutral-wrong-bar', 'Neutral on the wrong bar');
    }

    public function sites(House $house): array
    {
        $bars = array_values(array_filter($house->partsOfKind('bar'), static fn (Part $bar): bool => Role::Neutral->value === $bar->attributes->string('role')));
        $sites = [];
        $circuits = $house->circuits;
        ksort($circuits);
        foreach ($circuits as $circuit) {
            $landings = self::landings($house, $circuit->id);
            $own = [] === $landings ? null : $house->partOf((string) $landings[0][0]->ends[$landings[0][1] - 1])->id;
            foreach (null === $own ? [] : $bars as $bar) {
                if ($bar->id !== $own) {
                    $joints = array_map(static fn (array $landing): string => $landing[0]->joint($landing[1]), $landings);
                    $sites[] = new FaultSite("$circuit->id~$bar->id", [$bar->terminal('t1'), ...$joints], [$bar->place], "of $circuit->name, on $bar->name");
                }
            }
        }

        return $sites;
    }

    public function change(House $house, FaultSite $site, float $ohms): Change
    {
        $change = new Change();
        foreach (\array_slice($site->things, 1) as $joint) {
            $change = $change->and(Relanding::of($house, $joint, $site->things[0]));
        }

        return $change;
    }

    /** @return list<array{Core, 1|2}> the neutral cores of a circuit that land on a bar */
    private static function landings(House $house, string $circuit): array
    {
        $landings = [];
        $cables = $house->cables;
        ksort($cables);
        foreach ($cables as $cable) {
            foreach ($cable->circuit === $circuit ? $cable->cores : [] as $core) {
                foreach (Role::Neutral === $core->role ? [1, 2] : [] as $end) {
                    $terminal = $core->ends[$end - 1];
                    if (null !== $terminal && 'bar' === $house->partOf($terminal)->kind) {
                        $landings[] = [$core, $end];
                    }
                }
            }
        }

        return $landings;
    }
}
