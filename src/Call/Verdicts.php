<?php

declare(strict_types=1);

namespace App\Call;

use App\Api\Problem;
use App\Observation\Accepted;
use App\Observation\Accompanied;
use App\Observation\Advised;
use App\Observation\Closed;
use App\Observation\Corrected;
use App\Observation\Decided;
use App\Observation\Done;
use App\Observation\Doubted;
use App\Observation\Entry;
use App\Observation\IsolationStep;
use App\Observation\LeverTried;
use App\Observation\Measured;
use App\Observation\Payload;
use App\Observation\People;
use App\Observation\Placed;
use App\Observation\Repaired;
use App\Observation\Seen;
use App\Observation\Settled;
use App\Observation\Told;
use App\Observation\Tried;
use App\Observation\Unrepaired;
use App\Observation\Withdrawn;
use App\Observation\Worded;
use App\Words\Say;
use YellowProbe\Installation\House;
use YellowProbe\Installation\HouseError;
use YellowProbe\Installation\Part;
use YellowProbe\Installation\StateChange;
use YellowProbe\Procedure\States;
use YellowProbe\Safety\Levers;

/** What the server makes of an entry before it is stored, or why it cannot be. */
final readonly class Verdicts
{
    /** What can still be said of a call that is closed. */
    private const AFTER_CLOSING = [Told::class, Corrected::class];

    /** What can be taken back; what was done to the house is undone by another act instead. */
    public const WITHDRAWN = [Measured::class, Told::class, Seen::class, Accepted::class, Decided::class, Repaired::class, Advised::class, Unrepaired::class, LeverTried::class, Tried::class, Settled::class, People::class, Accompanied::class];

    public function __construct(private ReadingVerdict $readings, private IsolationRules $isolations, private Mending $mending, private Closing $closing, private TradeData $trade, private Say $say)
    {
    }

    /**
     * @return array<string, mixed> frozen with the entry
     *
     * @throws Problem when it cannot be stored, with the field and what to do
     */
    public function of(Payload $payload, Journal $journal, Origin $origin): array
    {
        if ($journal->isClosed() && !\in_array($payload::class, self::AFTER_CLOSING, true)) {
            throw Problem::conflict('This call is closed. What the customer tells later can still be added; for new work open a new call.');
        }

        return match (true) {
            $payload instanceof Told => $this->told($payload, $journal),
            $payload instanceof Seen => $this->seen($payload, $journal),
            $payload instanceof Done => $this->done($payload, $journal),
            $payload instanceof IsolationStep => $this->isolations->verdict($payload, $journal),
            $payload instanceof LeverTried => self::lever($payload, $journal),
            $payload instanceof Measured => $this->readings->of($payload, $journal, $origin),
            $payload instanceof Placed => $this->readings->placed($payload, $journal),
            $payload instanceof Corrected => $this->corrected($payload, $journal),
            $payload instanceof Withdrawn => self::withdrawn($payload, $journal),
            $payload instanceof Doubted => self::doubted($payload, $journal),
            $payload instanceof Settled => $this->mending->settled($payload, $journal),
            $payload instanceof Accepted => $this->mending->accepted($payload, $journal),
            $payload instanceof Repaired => $this->mending->repaired($journal),
            $payload instanceof Tried => $this->mending->tried($journal),
            $payload instanceof Unrepaired => self::unrepaired($payload, $journal),
            $payload instanceof Closed => $this->closing->verdict($payload, $journal),
            $payload instanceof Advised, $payload instanceof Decided, $payload instanceof People, $payload instanceof Accompanied => [],
            default => throw new \LogicException(\sprintf('Nobody judges entries of the kind "%s".', $payload::kind())),
        };
    }

    /** @return array{} */
    private function told(Told $told, Journal $journal): array
    {
        $rates = $this->trade->rates();
        foreach ([['symptom', $told->symptom, $rates->symptoms()], ['context', $told->context, $rates->contexts()], ['resets', $told->resets, $rates->contexts()], ['onset', $told->onset, $rates->contexts()]] as [$key, $slug, $known]) {
            if (null !== $slug && !isset($known[$slug])) {
                throw Problem::invalid("/payload/$key", 'Expected one of '.implode(', ', array_keys($known)).'.');
            }
        }
        foreach (null === $journal->house ? [] : ['places' => [$told->places, $journal->house->places], 'running' => [$told->running, $journal->house->parts]] as $key => [$ids, $known]) {
            foreach ($ids as $at => $id) {
                isset($known[$id]) || throw Problem::invalid("/payload/$key/$at", 'This house has no such thing. Load the page again.');
            }
        }
        if (null !== $told->device && null !== $journal->house) {
            $part = $journal->house->parts[$told->device] ?? throw Problem::invalid('/payload/device', 'There is no such device in this house.');
            if (!Levers::canShow($part, $told->symptom ?? '')) {
                throw Problem::invalid('/payload/device', \sprintf('%s cannot have done that: %s.', $part->name, 'residual-trip' === $told->symptom ? 'it sees no residual current' : 'it does not open by itself on overcurrent'));
            }
        }

        return [];
    }

    /** @return array<string, mixed> what the list of looks knows of it */
    private function seen(Seen $seen, Journal $journal): array
    {
        $known = $this->trade->rates()->findings();
        if (null !== $seen->finding && !isset($known[$seen->finding])) {
            throw Problem::invalid('/payload/finding', 'Expected one of '.implode(', ', array_keys($known)).'.');
        }
        self::place($seen->place, $journal);
        if (null === $seen->look) {
            return [];
        }
        $look = $this->trade->looks()->all()[$seen->look] ?? throw Problem::invalid('/payload/look', 'This is not on the list of what to look for.');

        return ['words' => $look->words, 'class' => $seen->class ?? $look->class] + ('' === $look->finding ? [] : ['finding' => $look->finding]);
    }

    private static function place(?string $place, Journal $journal): void
    {
        if (null !== $place && !isset($journal->house->places[$place])) {
            throw Problem::invalid('/payload/place', 'There is no such place in this house; leave it out and say in words where.');
        }
    }

    /** @return array<string, mixed> */
    private function done(Done $done, Journal $journal): array
    {
        $house = $journal->house ?? throw Problem::conflict('This call has no house yet: there is nothing to switch or lift.');
        $changes = $words = [];
        foreach ($done->changes as $at => $act) {
            $changes[] = $change = self::change($act->change(), $house, "/payload/changes/$at");
            $words[] = $change->words($house);
        }
        $mains = array_map(static fn (Part $main): string => $main->id, States::mains($house));
        $energises = [] !== array_filter($changes, static fn (StateChange $change): bool => 'set' === $change->operation && 'off' !== $change->value && \in_array($change->subject, $mains, true));
        $after = $journal->state()->after(...$changes);
        if ($energises && ([] !== $after->lifted || [] !== $after->links) && null === $done->explained) {
            throw Problem::conflict('Conductors are still lifted or links still fitted. Put them back first, or say why each may stay.', '/payload/explained');
        }
        foreach ($changes as $change) {
            $lock = $journal->isolations()->locks()[$change->subject] ?? null;
            if ('set' === $change->operation && 'off' !== $change->value && null !== $lock) {
                throw Problem::conflict($this->say->of(new \YellowProbe\Words\Message('refused.locked', ['part' => $house->parts[$change->subject]->name, 'keeper' => $lock[0]->keeper]), $house->ruleSet), '/payload/changes');
            }
        }
        Parting::check($house, $journal, $changes, $done);

        return ['words' => $words];
    }

    private static function change(StateChange $change, House $house, string $pointer): StateChange
    {
        try {
            return StateChange::read($change->toArray(), $house, $pointer);
        } catch (HouseError $e) {
            throw Problem::invalid($e->path, $e->getMessage());
        }
    }

    /** @return array<string, mixed> what was expected, beside what was seen */
    private static function lever(LeverTried $tried, Journal $journal): array
    {
        $house = $journal->house ?? throw Problem::conflict('This call has no house yet: survey its board first.');
        if (!Levers::isLever($house, $tried->device)) {
            throw Problem::invalid('/payload/device', 'There is no such lever in this house.');
        }
        foreach ([...$tried->dead, ...$tried->live] as $circuit) {
            if (!isset($house->circuits[$circuit])) {
                throw Problem::invalid('/payload/dead', 'There is no such circuit in this house.');
            }
        }
        $supplied = Levers::supplied($house, $journal->state()->after(new StateChange('set', $tried->device, 'off')));
        $odd = [...array_values(array_intersect($tried->dead, $supplied)), ...array_values(array_diff($tried->live, $supplied))];

        return ['expectedLive' => $supplied, 'odd' => $odd];
    }

    /** @return array<string, mixed> what the figure says as corrected */
    private function corrected(Corrected $corrected, Journal $journal): array
    {
        if (null !== $corrected->raw) {
            return $this->readings->corrected($corrected->observation, $corrected->raw, $journal);
        }
        if (!$journal->entry($corrected->observation)?->payload instanceof Worded) {
            throw Problem::invalid('/payload/observation', 'There is no entry with words of its own under this id on this call.');
        }

        return [];
    }

    /** @return array{} */
    private static function withdrawn(Withdrawn $withdrawn, Journal $journal): array
    {
        if (!self::isOf($withdrawn->observation, self::WITHDRAWN, $journal)) {
            throw Problem::invalid('/payload/observation', 'This cannot be withdrawn: what was switched, lifted or isolated is undone by another act.');
        }
        $entry = $journal->entry($withdrawn->observation);
        if (null !== $entry && null !== $journal->withdrawnReason($entry)) {
            throw Problem::conflict('This is withdrawn already; the first reason stands.', '/payload/observation');
        }

        return [];
    }

    /** @return array{} */
    private static function doubted(Doubted $doubted, Journal $journal): array
    {
        ReadingVerdict::reading($doubted->observation, $journal);

        return [];
    }

    /** @return array{} */
    private static function unrepaired(Unrepaired $unrepaired, Journal $journal): array
    {
        self::place($unrepaired->place, $journal);
        if (null !== $unrepaired->about && !self::isOf($unrepaired->about, [Accepted::class, Seen::class, Told::class, Measured::class], $journal)) {
            throw Problem::invalid('/payload/about', 'There is no cause, look, reading or complaint under this id on this call.');
        }

        return [];
    }

    /** @param list<class-string<Payload>> $kinds */
    private static function isOf(string $id, array $kinds, Journal $journal): bool
    {
        $entry = $journal->entry($id);

        return $entry instanceof Entry && null !== $entry->payload && \in_array($entry->payload::class, $kinds, true);
    }
}
