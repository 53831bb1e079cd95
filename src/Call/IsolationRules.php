<?php

declare(strict_types=1);

namespace App\Call;

use App\Api\Problem;
use App\Observation\IsolationStep;
use App\Observation\PairTried;
use App\Words\Say;
use YellowProbe\Installation\House;
use YellowProbe\Installation\Part;
use YellowProbe\Instrument\Instruments;
use YellowProbe\Instrument\ReadingError;
use YellowProbe\Instrument\ReadingParser;
use YellowProbe\Instrument\TwoPoleIndicator;
use YellowProbe\Procedure\Isolation;
use YellowProbe\Safety\IsolationScope;
use YellowProbe\Safety\Levers;
use YellowProbe\Safety\Pair;
use YellowProbe\Words\Message;

/** What each step of safe isolation must hold: what was in fact switched, locked and tried, and nothing in its place. */
final readonly class IsolationRules
{
    public function __construct(private Say $say)
    {
    }

    /** @return array{} */
    public function verdict(IsolationStep $step, Journal $journal): array
    {
        $house = $journal->house;
        if (null !== $house) {
            self::known($step, $house);
        }
        $this->inOrder($step, $journal);
        if (!$step->isTaken()) {
            return [];
        }
        if (null === $house) {
            if (Isolation::Dead === $step->inOrder()) {
                throw Problem::conflict('This call has no house yet, and a proof belongs to a place. Survey the board first, or treat everything as live.');
            }

            return [];
        }
        match (true) {
            IsolationStep::RELEASE === $step->step => $this->released($step, $journal),
            Isolation::Reference === $step->inOrder() => $this->reference($step, $house),
            Isolation::Off === $step->inOrder() => $this->off($step, $house, $journal),
            Isolation::Lock === $step->inOrder() => $this->locked($step, $house, $journal),
            Isolation::Dead === $step->inOrder() => $this->dead($step, $house),
            default => null,
        };

        return [];
    }

    private function inOrder(IsolationStep $step, Journal $journal): void
    {
        $own = $step->inOrder();
        $done = $journal->isolations()->steps();
        if (null === $own || Isolation::Warn === $own) {
            return;
        }
        foreach (Isolation::cases() as $earlier) {
            if ($earlier->position() < $own->position() && !isset($done[$earlier->value])) {
                $stopped = $journal->isolations()->stopped();
                throw Problem::conflict(\sprintf('%sFirst: %s. Do it, or leave it out with a reason.', null === $stopped ? '' : 'A voltage was found: isolate more widely before you go on. ', $this->say->inside(new Message("isolation.$earlier->value"), $journal->house->ruleSet ?? Say::USUAL_RULES)), '/payload/step');
            }
        }
    }

    /** Everything named is in the house, and is what it is named as. */
    private static function known(IsolationStep $step, House $house): void
    {
        if (null !== $step->place && !isset($house->places[$step->place])) {
            throw Problem::invalid('/payload/place', 'There is no such place in this house: a proof belongs to the terminals proved.');
        }
        foreach ($step->switched as $at => $device) {
            if (!Levers::isLever($house, $device) && 'source' !== ($house->parts[$device]->kind ?? '')) {
                throw Problem::invalid("/payload/switched/$at", 'There is no such device in this house.');
            }
        }
        foreach ($step->off as $at => $load) {
            if (!\in_array($house->parts[$load]->kind ?? '', ['appliance', 'light'], true)) {
                throw Problem::invalid("/payload/off/$at", 'There is no such load in this house.');
            }
        }
        foreach ($step->locks as $at => $lock) {
            if (!isset($house->parts[$lock->device])) {
                throw Problem::invalid("/payload/locks/$at/device", 'There is no such device in this house.');
            }
        }
    }

    private function reference(IsolationStep $step, House $house): void
    {
        if (null === $step->place) {
            throw Problem::invalid('/payload/place', 'Say where the work is: the reference is read there.');
        }
        self::figures($step);
        $poles = array_filter(IsolationScope::pairs($house, $step->place), static fn (Pair $pair): bool => 'pair.poles' === $pair->words->key);
        $missing = array_filter($poles, static fn (Pair $pair): bool => [] === array_filter($step->tried, static fn (PairTried $tried): bool => $tried->pair === $pair->id && null !== $tried->raw));
        if ([] !== $missing) {
            throw Problem::invalid('/payload/tried', \sprintf('Still to read live: %s. Give what the indicator shows on each.', $this->listed($missing, $house)));
        }
    }

    private function off(IsolationStep $step, House $house, Journal $journal): void
    {
        if ([] === $step->switched) {
            throw Problem::invalid('/payload/switched', 'Say which devices you opened: the record names them.');
        }
        $wanted = IsolationScope::devices($house, $step->place ?? '', $step->level ?? IsolationScope::BOARD);
        $missing = array_filter($wanted, static fn (Part $device): bool => !\in_array($device->id, $step->switched, true) && 'off' !== $journal->state()->position($device->id, 'on'));
        if ([] !== $missing) {
            throw Problem::invalid('/payload/switched', \sprintf('Not open yet: %s. Open it, or leave the step out with a reason.', implode(', ', array_map(static fn (Part $device): string => $device->name, $missing))));
        }
        // After a voltage only more than before is a wider isolation.
        if (null !== $journal->isolations()->stopped() && [] === array_filter($step->switched, static fn (string $device): bool => 'off' !== $journal->state()->position($device, 'on'))) {
            throw Problem::conflict('A voltage was found with these open. Open more: the whole board, or the other source.', '/payload/switched');
        }
    }

    private function locked(IsolationStep $step, House $house, Journal $journal): void
    {
        $locked = array_map(static fn ($lock): string => $lock->device, $step->locks);
        $open = array_filter($journal->isolations()->points(), static fn (string $device): bool => !\in_array($device, $locked, true) && !isset($journal->isolations()->locks()[$device]));
        if ([] === $locked || [] !== $open) {
            throw Problem::invalid('/payload/locks', \sprintf('Say who locked %s and keeps the key; or leave the step out with a reason.', [] === $open ? 'what is open' : implode(', ', array_map(static fn (string $device): string => $house->parts[$device]->name, $open))));
        }
        foreach ($step->locks as $at => $lock) {
            if ('off' !== $journal->state()->position($lock->device, 'on')) {
                throw Problem::conflict(\sprintf('%s is on, as far as this record says: open it before you lock it.', $house->parts[$lock->device]->name), "/payload/locks/$at/device");
            }
        }
    }

    private function dead(IsolationStep $step, House $house): void
    {
        if (null === $step->place) {
            throw Problem::invalid('/payload/place', 'Say at which place it was proved: a proof belongs to the terminals proved.');
        }
        self::figures($step);
        $pairs = IsolationScope::pairs($house, $step->place);
        $known = array_map(static fn (Pair $pair): string => $pair->id, $pairs);
        foreach ($step->tried as $at => $tried) {
            if (!\in_array($tried->pair, $known, true)) {
                throw Problem::invalid("/payload/tried/$at/pair", 'This pair does not belong to this place.');
            }
        }
        // The first voltage stops it: what was not tried yet is not tried any more.
        $missing = $step->hasFoundVoltage() ? [] : array_filter($pairs, static fn (Pair $pair): bool => [] === array_filter($step->tried, static fn (PairTried $tried): bool => $tried->pair === $pair->id));
        if ([] !== $missing) {
            throw Problem::invalid('/payload/tried', \sprintf('Not tried yet: %s.', $this->listed($missing, $house)));
        }
    }

    private function released(IsolationStep $step, Journal $journal): void
    {
        if ([] === $step->locks) {
            throw Problem::invalid('/payload/locks', 'Say which lock comes off, and who takes it off.');
        }
        $hanging = $journal->isolations()->locks();
        foreach ($step->locks as $at => $lock) {
            if (!isset($hanging[$lock->device])) {
                throw Problem::conflict('No lock is on record there.', "/payload/locks/$at/device");
            }
        }
    }

    private static function figures(IsolationStep $step): void
    {
        foreach ($step->tried as $at => $tried) {
            if (null === $tried->raw) {
                continue;
            }
            try {
                ReadingParser::parse($tried->raw, Instruments::get('voltmeter-high-z'));
            } catch (ReadingError $e) {
                throw Problem::invalid("/payload/tried/$at/raw", $e->getMessage());
            }
            $lit = PairTried::isVoltage($tried->raw);
            if ($lit !== $tried->voltage) {
                throw Problem::invalid("/payload/tried/$at/voltage", $lit ? \sprintf('"%s" is a voltage: from %d V on a step of the indicator is lit.', $tried->raw, TwoPoleIndicator::LOWEST_STEP_VOLTS) : \sprintf('"%s" is below the lowest step of the indicator: that is no voltage found.', $tried->raw));
            }
        }
    }

    /** @param array<Pair> $pairs */
    private function listed(array $pairs, House $house): string
    {
        return implode(', ', array_map(fn (Pair $pair): string => $this->say->inside($pair->words, $house->ruleSet), $pairs));
    }
}
