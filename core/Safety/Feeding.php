<?php

declare(strict_types=1);

namespace YellowProbe\Safety;

use YellowProbe\Diagnosis\Liveness;
use YellowProbe\Diagnosis\Ranking;
use YellowProbe\Installation\House;
use YellowProbe\Installation\Part;
use YellowProbe\Installation\Protection;
use YellowProbe\Installation\State;
use YellowProbe\Procedure\States;
use YellowProbe\Words\Message;

/** What may be feeding a voltage that was found where none should be: by the survey, and by the causes that still fit. */
final class Feeding
{
    /**
     * @param list<string> $terminals where it was found
     *
     * @return list<Message> the plainest first
     */
    public static function of(House $house, string $place, array $terminals, State $state, Ranking $ranking): array
    {
        $feeding = [];
        $closed = [];
        foreach (self::circuitsAt($house, $place) as $circuit) {
            $devices = Protection::devices($house, $circuit);
            if ([] !== $devices && [] === array_filter($devices, static fn (Part $device): bool => 'off' === $state->position($device->id, 'on'))) {
                $closed[] = $house->circuits[$circuit]->name;
            }
        }
        foreach ($closed as $circuit) {
            $feeding[] = new Message('feeding.closed', ['circuit' => $circuit]);
        }
        foreach ($house->partsOfKind('source') as $source) {
            if ('off' !== $state->position($source->id, 'on')) {
                $feeding[] = new Message('feeding.source', ['part' => $source->name]);
            }
        }
        foreach (Liveness::causing($house, $state, $ranking, $terminals) as $standing) {
            $feeding[] = new Message('feeding.cause', ['cause' => $standing->hypothesis->words()]);
        }
        $others = array_values(array_filter(Levers::supplied($house, $state), static fn (string $circuit): bool => !\in_array($house->circuits[$circuit]->name, $closed, true)));
        if ([] !== $others) {
            $feeding[] = new Message('feeding.others', ['circuits' => implode(', ', array_map(static fn (string $circuit): string => $house->circuits[$circuit]->name, $others))]);
        }
        $mains = array_filter(States::mains($house), static fn (Part $main): bool => 'off' !== $state->position($main->id, 'on'));
        $feeding[] = new Message([] === $mains ? 'feeding.unknown' : 'feeding.main', ['part' => implode(', ', array_map(static fn (Part $main): string => $main->name, $mains))]);

        return $feeding;
    }

    /** @return list<string> */
    private static function circuitsAt(House $house, string $place): array
    {
        $circuits = [];
        foreach ($house->parts as $part) {
            $circuit = $part->place === $place ? $house->circuitOfPart($part->id) : null;
            if (null !== $circuit && 'board' !== $house->places[$place]->kind) {
                $circuits[$circuit] = $circuit;
            }
        }

        return array_values($circuits);
    }
}
