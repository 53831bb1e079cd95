<?php

declare(strict_types=1);

namespace YellowProbe\Rules;

use YellowProbe\Installation\Attributes;
use YellowProbe\Installation\House;
use YellowProbe\Instrument\Measurement;
use YellowProbe\Instrument\Reading;
use YellowProbe\Instrument\ReadingFormat;
use YellowProbe\Instrument\ShownKind;

/** value ≥ limit, and in doubt below "investigate"; over range counts as the tester's own top value. */
final class AtLeast implements Formula
{
    public function slug(): string
    {
        return 'at-least';
    }

    public function judge(Attributes $parameters, House $house, Measurement $measurement, Reading $reading): ?Outcome
    {
        if (ShownKind::Nothing === $reading->kind || ShownKind::Pattern === $reading->kind) {
            return null;
        }
        $limit = $parameters->number('limit');
        $investigate = $parameters->number('investigate', $limit);
        $words = ReadingFormat::value($limit, $measurement->instrument);
        $over = ShownKind::Over === $reading->kind ? ' Over range means at least the top of the tester, not that the leads were on: prove both.' : '';

        return match (true) {
            $reading->value < $limit => new Outcome(Verdict::Bad, "Below $words.", "at least $words; read {$reading->raw}"),
            $reading->value < $investigate => new Outcome(Verdict::Doubt, \sprintf('Above the limit, but below %s: find out why.', ReadingFormat::value($investigate, $measurement->instrument)), "at least $words; read {$reading->raw}"),
            default => new Outcome(Verdict::Good, "At least $words.$over", "at least $words; read {$reading->raw}"),
        };
    }
}
