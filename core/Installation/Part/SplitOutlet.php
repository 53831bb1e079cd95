<?php

declare(strict_types=1);

namespace YellowProbe\Installation\Part;

use YellowProbe\Installation\Access;
use YellowProbe\Installation\Part;
use YellowProbe\Installation\Role;

/**
 * A double outlet whose halves can be fed apart: screws upper- and lower-, faces top- and bottom-. The tab that joins
 * the halves is normally gone on the line side ("lineTab": false) and kept on the neutral side ("neutralTab": true).
 */
final class SplitOutlet implements PartKind
{
    private const TAB_OHMS = 0.001;
    private const CONTACT_OHMS = 0.01;
    private const HALVES = ['top' => 'upper', 'bottom' => 'lower'];

    public function slug(): string
    {
        return 'split-outlet';
    }

    public function terminals(Part $part): array
    {
        $terminals = ['E' => [Role::Earth, Access::CoverOff]];
        foreach (self::HALVES as $face => $half) {
            $terminals["$half-L"] = [Role::Line, Access::CoverOff];
            $terminals["$half-N"] = [Role::Neutral, Access::CoverOff];
            foreach (['L' => Role::Line, 'N' => Role::Neutral, 'E' => Role::Earth] as $pole => $role) {
                $terminals["$face-$pole"] = [$role, Access::Front];
            }
        }

        return $terminals;
    }

    public function build(Part $part, PartContext $context): void
    {
        foreach (['L' => $part->attributes->flag('lineTab', false), 'N' => $part->attributes->flag('neutralTab', true)] as $pole => $tab) {
            if ($tab) {
                $context->contact($part, "tab-$pole", "upper-$pole", "lower-$pole", self::TAB_OHMS);
            }
        }
        foreach (self::HALVES as $face => $half) {
            foreach (['L', 'N'] as $pole) {
                $context->contact($part, "$face-$pole", "$half-$pole", "$face-$pole", self::CONTACT_OHMS);
            }
            $context->contact($part, "$face-E", 'E', "$face-E", self::CONTACT_OHMS);
        }
    }
}
