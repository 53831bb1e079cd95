<?php

declare(strict_types=1);

namespace App\Call;

use App\Observation\Accepted;
use App\Observation\Repaired;
use App\Observation\Unrepaired;
use YellowProbe\Words\Message;

/** What is unsafe at a house as far as its call says. */
final class Unsafe
{
    /** @return list<Message> with text only, so that they can be kept */
    public static function of(Journal $journal): array
    {
        $unsafe = [];
        $accepted = $journal->last(Accepted::class);
        if (null !== $accepted && !$journal->isRepairProved() && null === $journal->last(Unrepaired::class)) {
            $words = $accepted[0]->source->verdict['words'] ?? '';
            if (\in_array($accepted[0]->source->verdict['class'] ?? '', ['D', 'P'], true) && \is_string($words)) {
                $unsafe[] = new Message(null === $journal->last(Repaired::class) ? 'unsafe.cause' : 'unsafe.unproved', ['cause' => $words]);
            }
        }
        foreach ($journal->standing(Unrepaired::class) as [, $left]) {
            if (Closing::DANGER === $left->class) {
                $unsafe[] = new Message('unsafe.left', ['finding' => $left->finding]);
            }
        }
        if (null !== $journal->isolations()->stopped()) {
            $unsafe[] = new Message('unsafe.voltage');
        }
        if (null !== $journal->house && ([] !== $journal->state()->lifted || [] !== $journal->state()->links)) {
            $unsafe[] = new Message('unsafe.temporary');
        }

        return $unsafe;
    }
}
