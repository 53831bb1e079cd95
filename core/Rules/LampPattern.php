<?php

declare(strict_types=1);

namespace YellowProbe\Rules;

use YellowProbe\Installation\Attributes;
use YellowProbe\Installation\House;
use YellowProbe\Instrument\Measurement;
use YellowProbe\Instrument\Reading;
use YellowProbe\Instrument\ShownKind;

/** What the three lamps of a plug-in tester can mean. A pattern never names one condition with certainty. */
final class LampPattern implements Formula
{
    public function slug(): string
    {
        return 'lamp-pattern';
    }

    public function judge(Attributes $parameters, House $house, Measurement $measurement, Reading $reading): ?Outcome
    {
        if (ShownKind::Pattern !== $reading->kind) {
            return null;
        }
        $meaning = $parameters->object('meanings')->string($reading->pattern, 'no single condition shows this');
        $right = $parameters->string('right') === $reading->pattern;

        return new Outcome($right ? Verdict::Good : Verdict::Bad, $right ? "Right, as far as three lamps can tell: $meaning." : ucfirst($meaning).'.', "L–N, L–E, N–E lit: $reading->pattern");
    }
}
