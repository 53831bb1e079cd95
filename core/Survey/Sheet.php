<?php

declare(strict_types=1);

namespace YellowProbe\Survey;

use YellowProbe\Installation\Attributes;
use YellowProbe\Installation\HouseError;

/** A board as somebody reads it off in a few minutes: supply, groups of ways and the ways in their physical order. */
final readonly class Sheet
{
    private const MOST_WAYS = 42;
    private const MOST_GROUPS = 4;

    /**
     * @param list<string>                                                    $evidence of the earthing, ticked
     * @param string|null                                                     $system   chosen by the person; null to go by the evidence
     * @param non-empty-list<array{name: string, milliamps: float, type: string, jumperMm2: float}> $groups residual device of each group, 0 mA for none; the wire that feeds it, 0 where it was not read off
     * @param non-empty-list<Way>                                             $ways     in physical order
     */
    private function __construct(public string $ruleSet, public string $room, public float $mainAmperes, public array $evidence, public ?string $system, public array $groups, public array $ways)
    {
    }

    /**
     * @param array<array-key, mixed> $raw
     *
     * @throws HouseError saying where and what would make it right
     */
    public static function read(array $raw): self
    {
        $data = new Attributes($raw, '');
        $ruleSet = $data->string('ruleSet');
        if (!\in_array($ruleSet, ['A', 'B', 'C'], true)) {
            throw new HouseError('/ruleSet', 'Expected A, B or C.');
        }
        $groups = [];
        foreach ($data->map('groups') as $at => $group) {
            $jumper = $group->number('jumperMm2', 0.0);
            if (0.0 !== $jumper && !isset(Jumpers::CARRIES[(string) $jumper])) {
                throw new HouseError("/groups/$at/jumperMm2", 'Expected '.implode(', ', array_keys(Jumpers::CARRIES)).' mm², or 0 where a bar feeds it or it was not read off.');
            }
            $groups[] = ['name' => trim($group->string('name', '')), 'milliamps' => $group->number('milliamps', 0.0), 'type' => $group->string('type', 'A'), 'jumperMm2' => $jumper];
        }
        $ways = array_values(array_map(Way::read(...), $data->map('ways')));
        if ([] === $groups || \count($groups) > self::MOST_GROUPS) {
            throw new HouseError('/groups', \sprintf('Give 1 to %d groups; one without a residual device has 0 mA.', self::MOST_GROUPS));
        }
        if ([] === $ways || \count($ways) > self::MOST_WAYS) {
            throw new HouseError('/ways', \sprintf('Give 1 to %d ways.', self::MOST_WAYS));
        }
        $last = 0;
        foreach ($ways as $at => $way) {
            if ($way->group < $last || $way->group >= \count($groups)) {
                throw new HouseError("/ways/$at/group", 'The ways of a group stand together, in the order of the groups.');
            }
            $last = $way->group;
        }
        $system = $data->string('system', '');

        return new self($ruleSet, trim($data->string('room', 'Hall')), $data->positive('mainAmperes', 100.0), $data->strings('evidence'), '' === $system ? null : $system, $groups, $ways);
    }
}
