<?php

declare(strict_types=1);

namespace YellowProbe\Fault;

use YellowProbe\Installation\Core;
use YellowProbe\Installation\House;
use YellowProbe\Installation\Part;
use YellowProbe\Installation\Role;
use YellowProbe\Installation\Shunts;

/** A way's neutral landed on another group's bar: its whole load unbalances both devices. */
final readonly class NeutralWrongBar extends NamedFault
{
    public function __construct()
    {
        parent::__construct('neutral-wrong-bar', 'Neutral on the wrong bar');
    }

    public function severities(): array
    {
        return [0.0];
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
            [$core, $end] = $house->joint($joint) ?? throw new \LogicException('A neutral lands through a joint.');
            $without = [$core->element()];
            $with = [NewBranch::moved($core->element(), 1 === $end ? $site->things[0] : null, 2 === $end ? $site->things[0] : null)];
            // What the cable couples at this end goes with it.
            foreach (Shunts::of($house->cables[$core->cable], $core, $end) as [$shunt, $isFirst]) {
                $without[] = $shunt;
                $with[] = NewBranch::moved($shunt, $isFirst ? $site->things[0] : null, $isFirst ? null : $site->things[0]);
            }
            $change = $change->and(new Change($without, $with, $joint));
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
