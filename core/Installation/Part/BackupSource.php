<?php

declare(strict_types=1);

namespace YellowProbe\Installation\Part;

use YellowProbe\Installation\Access;
use YellowProbe\Installation\HouseError;
use YellowProbe\Installation\Part;
use YellowProbe\Installation\Role;
use YellowProbe\Network\Complex;

/**
 * A source of the house's own: generator, battery inverter. "link" says when it joins neutral to earth itself: always,
 * islanded (only while the "changeover" it belongs to stands at 2) or never.
 */
final class BackupSource implements PartKind
{
    private const LINK_OHMS = 0.005;

    public function slug(): string
    {
        return 'source';
    }

    public function terminals(Part $part): array
    {
        return ['L' => [Role::Line, Access::CoverOff], 'N' => [Role::Neutral, Access::CoverOff], 'E' => [Role::Earth, Access::CoverOff]];
    }

    public function build(Part $part, PartContext $context): void
    {
        $a = $part->attributes;
        if ($context->isClosed($part)) {
            $volts = $context->excitation->isMains() ? $a->positive('volts', $context->supply->nominalVolts) : 0.0;
            $context->network->source($part->element('line'), $part->terminal('N'), $part->terminal('L'), new Complex($volts), $a->positive('lineOhms', 0.5));
        }
        $changeover = $a->string('changeover', '');
        $joined = match ($a->string('link', 'islanded')) {
            'always' => true,
            'never' => false,
            'islanded' => '' !== $changeover && '2' === $context->state->position($changeover, 'on'),
            default => throw new HouseError("/parts/$part->id/link", 'Expected always, islanded or never.'),
        };
        if ($joined) {
            $context->contact($part, 'link', 'N', 'E', self::LINK_OHMS);
        }
    }
}
