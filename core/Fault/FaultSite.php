<?php

declare(strict_types=1);

namespace YellowProbe\Fault;

use YellowProbe\Installation\Role;

/** Where a fault is: what of the house it touches, a sentence for a person, and how likely against other sites of its kind. */
final readonly class FaultSite
{
    /**
     * @param string       $id     stable and unique within the kind, made of ids of the house
     * @param list<string> $things ids the kind needs to make its change (parts, terminals, cores)
     * @param list<string> $places ids of the places concerned, for the map
     * @param string       $words  where, to be read after the kind's words: "at Hall socket"
     * @param Role|null    $role   of the one conductor that it is in; null where it is in none or between two
     * @param string|null  $circuit of that conductor
     * @param string|null  $appliance that it is inside, by its part: what is done about it is done to that
     */
    public function __construct(public string $id, public array $things, public array $places, public string $words, public float $weight = 1.0, public ?Role $role = null, public ?string $circuit = null, public ?string $appliance = null)
    {
    }
}
