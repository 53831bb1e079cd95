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
 * The supply head, everything upstream of the tails: source with its impedances, the earthing of the system, and what
 * other customers put on the neutral ("outsideVolts").
 *
 * Systems: TN-C-S (neutral and earth joined here), TN-S (a protective conductor back to the star point), TT (an
 * electrode: "electrodeOhms", or a part of the kind electrode), split (two legs, 180° or "legDegrees" apart, around a
 * neutral that the panel bonds to earth; E is the grounding electrode's conductor).
 */
final class Service implements PartKind
{
    public function slug(): string
    {
        return 'service';
    }

    public function terminals(Part $part): array
    {
        $lines = 'split' === $part->attributes->string('system') ? ['L1' => Role::Leg1, 'L2' => Role::Leg2] : ['L' => Role::Line];

        return array_map(static fn (Role $role): array => [$role, Access::CoverOff], $lines + ['N' => Role::Neutral, 'E' => Role::Earth]);
    }

    public function build(Part $part, PartContext $context): void
    {
        $a = $part->attributes;
        $supply = $context->factors->times('supply');
        $network = $context->network;
        $on = $context->excitation->isMains() ? 1.0 : 0.0;
        $volts = $on * $a->positive('volts', $context->supply->nominalVolts) * $context->factors->times('volts');
        $outside = $on * $a->number('outsideVolts', 2.0) * $context->factors->times('outside');
        $star = $part->element('star');
        $lineOhms = $a->positive('lineOhms', 0.06) * $supply;
        if ('split' === $a->string('system')) {
            $angle = deg2rad($a->number('legDegrees', 180.0));
            $network->source($part->element('line'), $star, $part->terminal('L1'), new Complex($volts), $lineOhms);
            $network->source($part->element('line-2'), $star, $part->terminal('L2'), new Complex($volts * cos($angle), $volts * sin($angle)), $lineOhms);
        } else {
            $network->source($part->element('line'), $star, $part->terminal('L'), new Complex($volts), $lineOhms);
        }
        $network->source($part->element('neutral'), $star, $part->terminal('N'), new Complex($outside), $a->positive('neutralOhms', 0.06) * $supply);
        $network->resistor($part->element('star-electrode'), $star, HouseNetwork::GROUND, $a->positive('starElectrodeOhms', 1.0));
        $this->earthing($part, $context, $supply);
        if ($a->has('bondingOhms')) {
            $network->resistor($part->element('bonding'), $part->terminal('E'), HouseNetwork::GROUND, $a->positive('bondingOhms'));
        }
    }

    private function earthing(Part $part, PartContext $context, float $supply): void
    {
        $a = $part->attributes;
        $network = $context->network;
        switch ($a->string('system')) {
            case 'TN-C-S':
                $network->resistor($part->element('link'), $part->terminal('N'), $part->terminal('E'), $a->positive('linkOhms', 0.001));
                break;
            case 'TN-S':
                $network->resistor($part->element('protective'), $part->element('star'), $part->terminal('E'), $a->positive('protectiveOhms', 0.3) * $supply);
                break;
            case 'TT':
                if ($a->has('electrodeOhms') || [] === $context->house->partsOfKind('electrode')) {
                    $network->resistor($part->element('electrode'), $part->terminal('E'), HouseNetwork::GROUND, $a->positive('electrodeOhms', 80.0) * $supply);
                }
                break;
            case 'split':
                // The bond of neutral and earth is a wire of the panel.
                $network->resistor($part->element('electrode'), $part->terminal('E'), HouseNetwork::GROUND, $a->positive('electrodeOhms', 25.0));
                break;
            default:
                throw new HouseError("/parts/$part->id/system", 'Expected TN-C-S, TN-S, TT or split.');
        }
    }
}
