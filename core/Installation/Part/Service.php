<?php

declare(strict_types=1);

namespace YellowProbe\Installation\Part;

use YellowProbe\Installation\Access;
use YellowProbe\Installation\HouseError;
use YellowProbe\Installation\HouseNetwork;
use YellowProbe\Installation\Part;
use YellowProbe\Installation\Role;
use YellowProbe\Network\Complex;

/**
 * The supply up to the head: transformer, service conductors, earthing arrangement, and what other customers do to it.
 *
 * The star point stands on its own electrode. Other customers' neutral current is a voltage along the shared neutral:
 * in TN-C-S it lifts neutral and earth together above the ground, in TN-S and TT it stands between N and E.
 */
final class Service implements PartKind
{
    public function slug(): string
    {
        return 'service';
    }

    public function terminals(Part $part): array
    {
        $neutral = [Role::Neutral, Access::CoverOff];
        $earth = [Role::Earth, Access::CoverOff];
        if ('split' === $part->attributes->string('system')) {
            return ['L1' => [Role::Leg1, Access::CoverOff], 'L2' => [Role::Leg2, Access::CoverOff], 'N' => $neutral, 'E' => $earth];
        }

        return ['L' => [Role::Line, Access::CoverOff], 'N' => $neutral, 'E' => $earth];
    }

    public function build(Part $part, PartContext $context): void
    {
        $a = $part->attributes;
        $supply = $context->factors->times('supply');
        $network = $context->network;
        $system = $a->string('system');
        if ('split' === $system) {
            throw new HouseError("/parts/$part->id/system", 'A split supply can be surveyed and stored, but its readings cannot be computed yet.');
        }
        $on = $context->excitation->isMains() ? 1.0 : 0.0;
        $volts = $on * $a->positive('volts', 230.0) * $context->factors->times('volts');
        $outside = $on * $a->number('outsideVolts', 2.0) * $context->factors->times('outside');
        $star = $part->element('star');
        $network->source($part->element('line'), $star, $part->terminal('L'), new Complex($volts), $a->positive('lineOhms', 0.06) * $supply);
        $network->source($part->element('neutral'), $star, $part->terminal('N'), new Complex($outside), $a->positive('neutralOhms', 0.06) * $supply);
        $network->resistor($part->element('star-electrode'), $star, HouseNetwork::GROUND, $a->positive('starElectrodeOhms', 1.0));
        match ($system) {
            'TN-C-S' => $network->resistor($part->element('link'), $part->terminal('N'), $part->terminal('E'), $a->positive('linkOhms', 0.001)),
            'TN-S' => $network->resistor($part->element('protective'), $star, $part->terminal('E'), $a->positive('protectiveOhms', 0.3) * $supply),
            'TT' => $network->resistor($part->element('electrode'), $part->terminal('E'), HouseNetwork::GROUND, $a->positive('electrodeOhms', 80.0) * $supply),
            default => throw new HouseError("/parts/$part->id/system", 'Expected TN-C-S, TN-S, TT or split.'),
        };
        if ($a->has('bondingOhms')) {
            $network->resistor($part->element('bonding'), $part->terminal('E'), HouseNetwork::GROUND, $a->positive('bondingOhms'));
        }
    }
}
