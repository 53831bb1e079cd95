<?php

declare(strict_types=1);

namespace YellowProbe\Rules;

use YellowProbe\Installation\Attributes;
use YellowProbe\Installation\House;
use YellowProbe\Instrument\Measurement;
use YellowProbe\Instrument\Reading;
use YellowProbe\Instrument\ReadingFormat;
use YellowProbe\Instrument\ShownKind;

/** low ≤ value ≤ high, both in the base unit. */
final class Between implements Formula
{
    public function slug(): string
    {
        return 'between';
    }

    public function judge(Attributes $parameters, House $house, Measurement $measurement, Reading $reading): ?Outcome
    {
        if (ShownKind::Value !== $reading->kind) {
            return null;
        }
        $low = $parameters->number('low');
        $high = $parameters->number('high');
        $good = $reading->value >= $low && $reading->value <= $high;
        $range = ReadingFormat::value($low, $measurement->instrument).' to '.ReadingFormat::value($high, $measurement->instrument);

        return new Outcome($good ? Verdict::Good : Verdict::Bad, $good ? "Within $range." : "Outside $range.", "$range; read {$reading->raw}");
    }
}
