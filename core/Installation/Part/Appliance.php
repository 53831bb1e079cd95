<?php

declare(strict_types=1);

namespace YellowProbe\Installation\Part;

use YellowProbe\Installation\Access;
use YellowProbe\Installation\HouseError;
use YellowProbe\Installation\Part;
use YellowProbe\Installation\Role;

/**
 * A load with terminals L, N, E: plugged into an outlet ("pluggedInto": "part.outlet") or wired by a cable.
 *
 * "watts" when on; "filterNanofarads" from each pole to earth; "leakMegohms" line to earth. Off leaves filters and
 * leaks of the line side connected; out takes it off the circuit, in all poles.
 */
final class Appliance implements PartKind
{
    private const PLUG_OHMS = 0.01;

    public function slug(): string
    {
        return 'appliance';
    }

    public function terminals(Part $part): array
    {
        return ['L' => [Role::Line, Access::CoverOff], 'N' => [Role::Neutral, Access::CoverOff], 'E' => [Role::Earth, Access::CoverOff]];
    }

    public function build(Part $part, PartContext $context): void
    {
        $load = $context->state->load($part->id);
        $plug = $part->attributes->string('pluggedInto', '');
        if ('out' === $load) {
            return;
        }
        if ('' !== $plug) {
            foreach (['L', 'N', 'E'] as $key) {
                $contact = "$plug-$key";
                if (!$context->house->hasTerminal($contact)) {
                    throw new HouseError("/parts/$part->id/pluggedInto", \sprintf('There is no outlet "%s"; write "socket.outlet", such as "s3.front".', $plug));
                }
                $context->network->resistor($part->element("plug-$key"), $contact, $part->terminal($key), self::PLUG_OHMS);
            }
        }
        $a = $part->attributes;
        $leakage = $context->factors->times('leakage');
        $susceptance = $context->excitation->susceptance($a->positive('filterNanofarads', 0.0) * 1e-9 * $leakage);
        $leak = $a->has('leakMegohms') ? $leakage / ($a->positive('leakMegohms') * 1e6) : 0.0;
        $context->network->admittance($part->element('filter-L'), $part->terminal('L'), $part->terminal('E'), $leak, $susceptance);
        $context->network->admittance($part->element('filter-N'), $part->terminal('N'), $part->terminal('E'), 0.0, $susceptance);
        $watts = $a->positive('watts', 0.0) * $context->factors->times('load');
        if ('on' === $load && $watts > 0.0) {
            $context->contact($part, 'load', 'L', 'N', 230.0 ** 2 / $watts);
        }
    }
}
