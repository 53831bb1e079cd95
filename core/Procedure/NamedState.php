<?php

declare(strict_types=1);

namespace YellowProbe\Procedure;

use YellowProbe\Installation\BoardEnds;
use YellowProbe\Installation\House;
use YellowProbe\Installation\Part;
use YellowProbe\Installation\Part\Outlets;
use YellowProbe\Installation\State;
use YellowProbe\Installation\StateChange;
use YellowProbe\Instrument\Measurement;
use YellowProbe\Words\Message;

/**
 * What of the state belongs to the name of a test: how it differs from the house at rest, gathered where a whole group
 * differs alike. A tester for dead conductors implies what is off before them.
 */
final class NamedState
{
    /** @return list<Message> empty for a house at rest */
    public static function of(House $house, Measurement $measurement): array
    {
        $changes = State::resting($house)->changesTo($measurement->state);
        $mains = array_map(static fn (Part $main): string => $main->id, States::mains($house));
        $isDead = $measurement->instrument->deadOnly();
        $circuits = $measurement->circuits($house);
        $named = $links = $lifted = $off = $switched = $loads = [];
        foreach ($changes as $change) {
            switch ($change->operation) {
                case 'link':
                    $links[] = new Message('state.link', ['a' => TestName::end($house, $change->subject), 'b' => TestName::end($house, $change->value)]);
                    break;
                case 'lift':
                    // An end that a lead is on is named with it already.
                    if (!\in_array($change->subject, $measurement->connection->terminals, true)) {
                        $lifted[] = $change->subject;
                    }
                    break;
                case 'load':
                    $loads[$change->value][] = $change->subject;
                    break;
                case 'set':
                    $kind = $house->parts[$change->subject]->kind ?? '';
                    match (true) {
                        \in_array($change->subject, $mains, true) => $named[] = $change,
                        \in_array($kind, ['switch', 'intermediate-switch'], true) => $switched[] = $change,
                        default => $off[] = $change,
                    };
                    break;
            }
        }
        $messages = [];
        foreach ($isDead ? [] : [...$named, ...$off] as $change) {
            $messages[] = new Message('off' === $change->value ? 'state.off' : 'state.set', ['part' => $house->parts[$change->subject]->name, 'position' => $change->value]);
        }
        foreach ($isDead ? $off : [] as $change) {
            if (!\in_array($change->subject, array_map(static fn (string $circuit): string => $house->circuits[$circuit]->way, $circuits), true)) {
                $messages[] = new Message('off' === $change->value ? 'state.off' : 'state.set', ['part' => $house->parts[$change->subject]->name, 'position' => $change->value]);
            }
        }

        return [...$messages, ...$links, ...self::lifted($house, $lifted), ...self::loads($house, $loads), ...self::switches($house, $switched, $circuits)];
    }

    /**
     * @param list<string> $joints
     *
     * @return list<Message>
     */
    private static function lifted(House $house, array $joints): array
    {
        $messages = [];
        foreach (States::circuits($house) as $circuit) {
            $all = array_merge(...array_map(static fn (string $role): array => BoardEnds::joints($house, $circuit, $role), ['L', 'N', 'E']));
            if (\count($all) > 3 && [] === array_diff($all, $joints)) {
                $messages[] = new Message('state.parted', ['circuit' => $house->circuits[$circuit]->name]);
                $joints = array_values(array_diff($joints, $all));
            }
            $neutrals = BoardEnds::neutralsAtBoard($house, $circuit);
            if ([] !== $neutrals && [] === array_diff($neutrals, $joints)) {
                $messages[] = new Message('state.neutral', ['circuit' => $house->circuits[$circuit]->name]);
                $joints = array_values(array_diff($joints, $neutrals));
            }
        }
        foreach ($joints as $joint) {
            [$core, $end] = $house->joint($joint) ?? throw new \LogicException("There is no joint $joint.");
            $messages[] = new Message('state.lifted', ['conductor' => TestName::conductor($house, $core, $end)]);
        }

        return $messages;
    }

    /**
     * @param array<string, list<string>> $loads value => loads or outlets
     *
     * @return list<Message>
     */
    private static function loads(House $house, array $loads): array
    {
        $messages = [];
        foreach ($loads as $value => $subjects) {
            if (State::HEATER === $value) {
                foreach ($subjects as $outlet) {
                    $messages[] = new Message('state.heater', ['part' => $house->parts[explode('.', $outlet)[0]]->name ?? '', 'outlet' => new Message('outlet.'.self::outlet($house, $outlet))]);
                }
                continue;
            }
            foreach (States::circuits($house) as $circuit) {
                $all = array_map(static fn (StateChange $change): string => $change->subject, States::loadsOut($house, $circuit));
                if ('out' === $value && \count($all) > 1 && [] === array_diff($all, $subjects)) {
                    $messages[] = new Message('state.loads', ['circuit' => $house->circuits[$circuit]->name]);
                    $subjects = array_values(array_diff($subjects, $all));
                }
            }
            foreach ($subjects as $subject) {
                $part = $house->parts[explode('.', $subject)[0]] ?? null;
                $messages[] = new Message('light' === $part?->kind ? "state.lamp.$value" : "state.load.$value", ['part' => $part->name ?? '']);
            }
        }

        return $messages;
    }

    private static function outlet(House $house, string $subject): string
    {
        [$part, $outlet] = explode('.', $subject) + [1 => ''];

        return \count(Outlets::of($house->parts[$part])) > 1 ? $outlet : 'front';
    }

    /**
     * @param list<StateChange> $switched
     * @param list<string>      $circuits that the test is on
     *
     * @return list<Message>
     */
    private static function switches(House $house, array $switched, array $circuits): array
    {
        $messages = [];
        foreach ($circuits as $circuit) {
            $closing = array_map(static fn (StateChange $change): array => [$change->subject, $change->value], array_filter(States::switchesClosed($house, $circuit), static fn (StateChange $change): bool => State::resting($house)->position($change->subject, 'on') !== $change->value));
            $now = array_map(static fn (StateChange $change): array => [$change->subject, $change->value], $switched);
            if (\count(array_unique(array_column($closing, 0))) > 1 && [] === array_filter($closing, static fn (array $each): bool => !\in_array($each, $now, true))) {
                $messages[] = new Message('state.closed', ['circuit' => $house->circuits[$circuit]->name]);
                $switched = array_values(array_filter($switched, static fn (StateChange $change): bool => !\in_array([$change->subject, $change->value], $closing, true)));
            }
        }
        foreach ($switched as $change) {
            $messages[] = new Message('state.set', ['part' => $house->parts[$change->subject]->name, 'position' => $change->value]);
        }

        return $messages;
    }
}
