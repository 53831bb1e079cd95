<?php

declare(strict_types=1);

namespace App\Call;

use App\Api\Problem;
use App\Observation\Done;
use YellowProbe\Installation\House;
use YellowProbe\Installation\Labels;
use YellowProbe\Installation\StateChange;
use YellowProbe\Instrument\ReadingParser;
use YellowProbe\Instrument\ShownKind;
use YellowProbe\Safety\ClampFirst;

/** Refuses to part a neutral or an earth that was not clamped as things stand now, unless a reason is given for the record. */
final class Parting
{
    /**
     * @param list<StateChange> $changes
     *
     * @throws Problem
     */
    public static function check(House $house, Journal $journal, array $changes, Done $done): void
    {
        $isExplained = null !== $done->notClamped;
        foreach (ClampFirst::of($house, $changes) as $joint => $element) {
            $name = Labels::joint($house, $joint);
            $amperes = self::clamped($house, $journal, $element);
            if (null === $amperes && !$isExplained) {
                throw Problem::conflict("Clamp $name before you part it, as things stand now; or write down why not.", '/payload/notClamped');
            }
            // A reason stands for a clamp that was not used, never for amps that one showed.
            if (null !== $amperes && $amperes >= ClampFirst::CARRIES_AMPERES) {
                throw Problem::conflict(\sprintf('%s carries current, breaker off or not: do not part it. It returns another circuit’s current; find whose.', ucfirst($name)), '/payload/changes');
            }
        }
    }

    /** Amps of the latest clamp around a core since anything was switched or lifted; null when there is none. */
    private static function clamped(House $house, Journal $journal, string $element): ?float
    {
        $changed = 0;
        foreach ($journal->entries as $at => $entry) {
            $changed = [] === $journal->changes($at) ? $changed : $entry->position();
        }
        $amperes = null;
        foreach ($journal->readings() as $reading) {
            if ($reading->position() > $changed && null === $reading->withdrawn && null !== $reading->connection && \in_array($reading->instrument->slug(), ['clamp', 'leakage-clamp'], true) && ClampFirst::embraces($house, $reading->connection, $element)) {
                $shown = ReadingParser::parse($reading->raw, $reading->instrument);
                $amperes = ShownKind::Value === $shown->kind ? $shown->value : \INF;
            }
        }

        return $amperes;
    }
}
