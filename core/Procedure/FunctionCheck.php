<?php

declare(strict_types=1);

namespace YellowProbe\Procedure;

use YellowProbe\Installation\House;
use YellowProbe\Installation\Part;
use YellowProbe\Installation\State;
use YellowProbe\Installation\StateChange;
use YellowProbe\Instrument\Connection;

/** Each light in every position of its switches that ought to light it, and in one that ought not. */
final readonly class FunctionCheck extends EnteredTest
{
    private const MINUTES = 0.3;

    public function __construct()
    {
        parent::__construct('function-check');
    }

    public function plans(House $house): array
    {
        $plans = [];
        foreach ($house->partsOfKind('light') as $light) {
            foreach (self::positions($house, $light) as $which => [$words, $changes]) {
                $plans[] = $this->plan("$light->id:$which", "Look at $light->name, $words", State::resting($house)->after(...$changes), 'lamp', Connection::leads($light->terminal('lamp-L'), $light->terminal('lamp-N')), self::MINUTES);
            }
        }

        return $plans;
    }

    /** @return array<string, array{string, list<StateChange>}> */
    private static function positions(House $house, Part $light): array
    {
        $on = States::lightOn($light);
        if ([] === $on) {
            return [];
        }
        $positions = ['on' => ['switched on', $on], 'off' => ['switched off', [...$on, States::lightOff($light)]]];
        $twoWay = array_filter($on, static fn (StateChange $change): bool => \in_array($change->value, ['1', '2'], true) && 'switch' === ($house->parts[$change->subject]->kind ?? ''));
        if (2 === \count($twoWay)) {
            // Both switches of a pair over: lit again, by the other strapper.
            $over = array_map(static fn (StateChange $change): StateChange => new StateChange('set', $change->subject, '1' === $change->value ? '2' : '1'), array_values($twoWay));
            $positions['over'] = ['both its switches over', [...$on, ...$over]];
        }

        return $positions;
    }
}
