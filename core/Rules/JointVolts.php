<?php

declare(strict_types=1);

namespace YellowProbe\Rules;

use YellowProbe\Installation\Attributes;
use YellowProbe\Installation\House;
use YellowProbe\Instrument\Bench;
use YellowProbe\Instrument\Connection;
use YellowProbe\Instrument\Instruments;
use YellowProbe\Instrument\Measurement;
use YellowProbe\Instrument\Reading;
use YellowProbe\Instrument\ShownKind;

/**
 * Volts across one joint or contact, against so many milliohms times the current that the load on record draws through it:
 * 50 mΩ are 0.5 V at 10 A. Without a load they say nothing.
 */
final class JointVolts implements Formula
{
    private const LEAST_AMPERES = 1.0;

    public function slug(): string
    {
        return 'joint-volts';
    }

    public function judge(Attributes $parameters, House $house, Measurement $measurement, Reading $reading): ?Outcome
    {
        $element = self::between($house, $measurement);
        if (null === $element || ShownKind::Value !== $reading->kind) {
            return null;
        }
        $amperes = (new Bench($house, $measurement->state, Instruments::get('clamp'), Connection::around("+$element")))->read()->value;
        if ($amperes < self::LEAST_AMPERES) {
            return null;
        }
        [$limit, $usual] = [$parameters->number('milliohms') * $amperes / 1000.0, $parameters->number('usualMilliohms') * $amperes / 1000.0];
        $working = \sprintf('%.1f A × %s mΩ = %.2f V; read %s', $amperes, $parameters->number('milliohms'), $limit, $reading->raw);
        $milliohms = 1000.0 * $reading->value / $amperes;

        return match (true) {
            $reading->value > $limit => new Outcome(Verdict::Bad, \sprintf('About %.0f mΩ: this joint is bad.', $milliohms), $working),
            $reading->value > $usual => new Outcome(Verdict::Doubt, \sprintf('About %.0f mΩ, more than a joint has: undo it and make it again.', $milliohms), $working),
            default => new Outcome(Verdict::Good, 'A sound joint drops millivolts.', $working),
        };
    }

    /** The conductor or contact whose current goes through what is between the leads. */
    private static function between(House $house, Measurement $measurement): ?string
    {
        foreach ($measurement->connection->terminals as $at => $terminal) {
            $joint = $house->joint($terminal);
            $other = $measurement->connection->terminals[1 - $at] ?? null;
            if (null !== $joint && $joint[0]->ends[$joint[1] - 1] === $other) {
                return $joint[0]->element();
            }
        }
        $part = $house->partOf($measurement->connection->terminals[0]);
        $contact = $house->terminals[$measurement->connection->terminals[1]];

        return $contact->part === $part->id ? $part->element($contact->key) : null;
    }
}
