<?php

declare(strict_types=1);

namespace YellowProbe\Installation\Part;

use YellowProbe\Installation\Access;
use YellowProbe\Installation\Part;
use YellowProbe\Installation\Role;

/**
 * A socket: terminals L, N, E behind the plate, and the contacts a plug meets, front-L, front-N, front-E.
 *
 * A double socket names its outlets ("outlets": ["left", "right"]), each with contacts left-L … of its own.
 */
final class Socket implements PartKind
{
    private const CONTACT_OHMS = 0.01;

    private const POLES = ['L' => Role::Line, 'N' => Role::Neutral, 'E' => Role::Earth];

    public function slug(): string
    {
        return 'socket';
    }

    public function terminals(Part $part): array
    {
        $terminals = [];
        foreach (self::POLES as $key => $role) {
            $terminals[$key] = [$role, Access::CoverOff];
        }
        foreach (self::outlets($part) as $outlet) {
            foreach (self::POLES as $key => $role) {
                $terminals["$outlet-$key"] = [$role, Access::Front];
            }
        }

        return $terminals;
    }

    public function build(Part $part, PartContext $context): void
    {
        foreach (self::outlets($part) as $outlet) {
            foreach (array_keys(self::POLES) as $key) {
                $context->contact($part, "$outlet-$key", $key, "$outlet-$key", $part->attributes->positive('contactOhms', self::CONTACT_OHMS));
            }
        }
    }

    /** @return list<string> */
    public static function outlets(Part $part): array
    {
        $outlets = $part->attributes->strings('outlets');

        return [] === $outlets ? ['front'] : $outlets;
    }
}
