<?php

declare(strict_types=1);

namespace YellowProbe\Rules;

use YellowProbe\Installation\Attributes;
use YellowProbe\Installation\House;
use YellowProbe\Instrument\Measurement;
use YellowProbe\Instrument\Reading;
use YellowProbe\Instrument\ReadingFormat;
use YellowProbe\Instrument\ShownKind;

/** value ≤ usual (which can hang on the earthing system) is good, ≤ limit is in doubt, above is bad; base unit. */
final class AtMost implements Formula
{
    public function slug(): string
    {
        return 'at-most';
    }

    public function judge(Attributes $parameters, House $house, Measurement $measurement, Reading $reading): ?Outcome
    {
        if (ShownKind::Value !== $reading->kind && ShownKind::Over !== $reading->kind) {
            return null;
        }
        $system = ($house->partsOfKind('service')[0] ?? null)?->attributes->string('system', '') ?? '';
        $limit = $parameters->object('limitBySystem')->number($system, $parameters->number('limit'));
        $usual = $parameters->object('usualBySystem')->number($system, $parameters->number('usual', $limit));
        $words = ReadingFormat::value($limit, $measurement->instrument);

        return match (true) {
            $reading->value > $limit || ShownKind::Over === $reading->kind => new Outcome(Verdict::Bad, "More than $words.", "at most $words; read {$reading->raw}"),
            $reading->value > $usual => new Outcome(Verdict::Doubt, \sprintf('More than the usual %s.', ReadingFormat::value($usual, $measurement->instrument)), "at most $words; read {$reading->raw}"),
            default => new Outcome(Verdict::Good, "No more than $words.", "at most $words; read {$reading->raw}"),
        };
    }
}
