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
 * "watts" when on, with "powerFactor" for a motor and its winding's "windingOhms" to direct current; "electronic" is no
 * resistance to a tester of few volts; "element" is a heater in two halves, so that it can leak in its middle;
 * "filterNanofarads" from each pole to earth; "leakMegohms" line to earth. Off opens the line pole of the load and leaves
 * filters and leaks connected; out takes it off the circuit, in all poles.
 */
final class Appliance implements PartKind
{
    /** The middle of a heating element, no terminal but a node. */
    public const MIDDLE = 'middle';

    private const PLUG_OHMS = 0.01;
    private const ELECTRONIC_VOLTS = 90.0;
    private const ELECTRONIC_OHMS = 100e3;

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
        $a = $part->attributes;
        if ($a->flag('element', false)) {
            $context->network->node($part->terminal(self::MIDDLE));
        }
        $load = $context->state->load($part->id);
        if ('out' === $load) {
            return;
        }
        $this->plug($part, $context);
        $leakage = $context->factors->times('leakage');
        $susceptance = $context->excitation->susceptance($a->positive('filterNanofarads', 0.0) * 1e-9 * $leakage);
        $leak = $a->has('leakMegohms') ? $leakage / ($a->positive('leakMegohms') * 1e6) : 0.0;
        $context->network->admittance($part->element('filter-L'), $part->terminal('L'), $part->terminal('E'), $leak, $susceptance);
        $context->network->admittance($part->element('filter-N'), $part->terminal('N'), $part->terminal('E'), 0.0, $susceptance);
        $ohms = $context->loadOhms($part, $a->positive('watts', 0.0));
        if (null !== $ohms) {
            $this->load($part, $context, $ohms, 'on' === $load);
        }
    }

    private function plug(Part $part, PartContext $context): void
    {
        $plug = $part->attributes->string('pluggedInto', '');
        foreach ('' === $plug ? [] : ['L', 'N', 'E'] as $key) {
            $contact = "$plug-$key";
            if (!$context->house->hasTerminal($contact)) {
                throw new HouseError("/parts/$part->id/pluggedInto", \sprintf('There is no outlet "%s"; write "socket.outlet", such as "s3.front".', $plug));
            }
            $context->network->resistor($part->element("plug-$key"), $contact, $part->terminal($key), self::PLUG_OHMS);
        }
    }

    private function load(Part $part, PartContext $context, float $ohms, bool $on): void
    {
        $a = $part->attributes;
        if ($a->flag('element', false)) {
            // The switch is in the line: off, the element still hangs on the neutral.
            $context->contact($part, 'load-N', self::MIDDLE, 'N', $ohms / 2.0);
            if ($on) {
                $context->contact($part, 'load', 'L', self::MIDDLE, $ohms / 2.0);
            }

            return;
        }
        if (!$on) {
            return;
        }
        $mains = $context->excitation->isMains();
        if ($a->flag('electronic', false) && !$mains) {
            $context->threshold($part, 'L', 'N', self::ELECTRONIC_VOLTS, self::ELECTRONIC_OHMS);

            return;
        }
        if (!$mains && $a->has('windingOhms')) {
            $context->contact($part, 'load', 'L', 'N', $a->positive('windingOhms'));

            return;
        }
        // P/U² and, lagging behind it, the tangent of the phase angle times as much.
        $factor = max(0.1, min(1.0, $a->positive('powerFactor', 1.0)));
        $context->network->admittance($part->element('load'), $part->terminal('L'), $part->terminal('N'), 1.0 / $ohms, $mains ? -sqrt(1.0 / $factor ** 2 - 1.0) / $ohms : 0.0);
    }
}
