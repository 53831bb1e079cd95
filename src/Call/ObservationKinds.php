<?php

declare(strict_types=1);

namespace App\Call;

use App\Api\Problem;
use App\Entity\Observation;
use YellowProbe\Installation\Attributes;
use YellowProbe\Installation\Part;
use YellowProbe\Installation\StateChange;
use YellowProbe\Procedure\Isolation;
use YellowProbe\Procedure\States;
use YellowProbe\Safety\IsolationScope;

/** What each kind of observation must hold, and what is made of it when it is stored. */
final readonly class ObservationKinds
{
    public function __construct(private ReadingVerdict $readings, private Mending $mending, private TradeData $trade)
    {
    }

    /**
     * @return array<string, mixed> what the server makes of it, frozen with it
     *
     * @throws Problem when it cannot be stored, with the field and what to do
     */
    public function verdict(string $kind, Attributes $payload, Journal $journal): array
    {
        if (null !== $journal->last('closed') && 'told' !== $kind) {
            throw Problem::conflict('This call is closed. What the customer tells later can still be added; for new work open a new call.');
        }

        return match ($kind) {
            'told' => $this->told($payload),
            'seen' => $this->seen($payload, $journal),
            'advised' => self::text($payload, 'text'),
            'done' => $this->done($payload, $journal),
            'isolation' => $this->isolation($payload, $journal),
            'measured' => $this->readings->of($payload, $journal),
            'placed' => $this->placed($payload, $journal),
            'corrected' => $this->corrected($payload, $journal),
            'withdrawn', 'doubted' => $this->about($payload, $journal),
            'people' => $this->people($payload),
            'decided' => $this->decided($payload),
            'settled' => $this->mending->settled($payload, $journal),
            'accepted' => $this->mending->accepted($payload, $journal),
            'repaired' => $this->mending->repaired($payload, $journal),
            'tried' => $this->mending->tried($payload, $journal),
            'closed' => $this->mending->closed($journal),
            default => throw Problem::invalid('/kind', 'Expected one of told, seen, advised, done, isolation, measured, placed, corrected, withdrawn, doubted, people, decided, settled, accepted, repaired, tried, closed.'),
        };
    }

    /** @return array{} */
    private function told(Attributes $payload): array
    {
        $rates = $this->trade->rates();
        foreach (['symptom' => $rates->symptoms(), 'context' => $rates->contexts(), 'resets' => $rates->contexts()] as $key => $known) {
            if ($payload->has($key) && !isset($known[$payload->string($key)])) {
                throw Problem::invalid("/payload/$key", 'Expected one of '.implode(', ', array_keys($known)).'.');
            }
        }

        return self::text($payload, 'text');
    }

    /** @return array<string, mixed> what the list of looks knows of it */
    private function seen(Attributes $payload, Journal $journal): array
    {
        $found = Seen::read($payload, $this->trade->looks());

        $known = $this->trade->rates()->findings();
        if ($payload->has('finding') && !isset($known[$payload->string('finding')])) {
            throw Problem::invalid('/payload/finding', 'Expected one of '.implode(', ', array_keys($known)).'.');
        }
        $place = $payload->string('place', '');
        if ('' !== $place && !isset($journal->house->places[$place])) {
            throw Problem::invalid('/payload/place', 'There is no such place in this house; leave it out and say in words where.');
        }
        if ([] === $found || $payload->has('text')) {
            self::text($payload, 'text');
        }

        return $found;
    }

    /** @return array{} */
    private function people(Attributes $payload): array
    {
        foreach ($payload->strings('occupants') as $at => $slug) {
            null !== AtRisk::tryFrom($slug) || throw Problem::invalid("/payload/occupants/$at", 'Expected one of '.implode(', ', array_map(static fn (AtRisk $case): string => $case->value, AtRisk::cases())).'.');
        }
        foreach ($payload->map('contacts') as $at => $contact) {
            if (!\in_array($contact->string('role', ''), ['occupier', 'owner', 'payer', 'other'], true)) {
                throw Problem::invalid("/payload/contacts/$at/role", 'Expected occupier, owner, payer or other.');
            }
            self::text($contact, 'name');
        }

        return [];
    }

    /** @return array{} */
    private function decided(Attributes $payload): array
    {
        if (!\in_array($payload->string('choice', ''), ['mend', 'list'], true)) {
            throw Problem::invalid('/payload/choice', 'Expected mend or list.');
        }
        self::text($payload, 'reason');
        // What is mended costs somebody money: who agreed, and how, stands beside it.
        foreach ('mend' === $payload->string('choice') ? ['who', 'how'] : [] as $key) {
            if ('' === trim($payload->object('consent')->string($key, ''))) {
                throw Problem::invalid("/payload/consent/$key", 'Say who agreed to the work, and how.');
            }
        }

        return [];
    }

    /**
     * @return array{}
     *
     * @throws Problem when nothing was written, or too much
     */
    public static function text(Attributes $payload, string $key): array
    {
        if ('' === trim($payload->string($key, '')) || mb_strlen($payload->string($key)) > 2000) {
            throw Problem::invalid("/payload/$key", 'Write 1 to 2000 characters.');
        }

        return [];
    }

    /** @return array<string, mixed> */
    private function done(Attributes $payload, Journal $journal): array
    {
        $house = $journal->house ?? throw Problem::conflict('This call has no house yet: there is nothing to switch or lift.');
        $changes = $words = [];
        $energises = false;
        $mains = array_map(static fn (Part $main): string => $main->id, States::mains($house));
        foreach ($payload->map('changes') as $at => $raw) {
            $change = StateChange::read($raw->raw, $house, "/payload/changes/$at");
            $changes[] = $change;
            $words[] = $change->words($house);
            $energises = $energises || ('set' === $change->operation && 'on' === $change->value && \in_array($change->subject, $mains, true));
        }
        $after = $journal->state()->after(...$changes);
        if ($energises && ([] !== $after->lifted || [] !== $after->links) && '' === trim($payload->string('explained', ''))) {
            throw Problem::conflict('Conductors are still lifted or links still fitted. Clear the ledger first, or say in "explained" why each may stay.', '/payload/explained');
        }
        if ([] === $changes) {
            throw Problem::invalid('/payload/changes', 'Name at least one thing that was done.');
        }
        Parting::check($house, $journal, $changes, $payload);

        return ['words' => $words];
    }

    /** @return array{} */
    private function isolation(Attributes $payload, Journal $journal): array
    {
        $slug = $payload->string('step');
        if ('danger-now' === $slug) {
            return []; // main off at once: nothing comes before it
        }
        $step = Isolation::tryFrom($slug) ?? throw Problem::invalid('/payload/step', 'Expected danger-now or one of '.implode(', ', array_map(static fn (Isolation $case): string => $case->value, Isolation::cases())).'.');
        if ($payload->has('skipped') && '' === trim($payload->string('skipped'))) {
            throw Problem::invalid('/payload/skipped', 'A step that is left out needs its reason; it stays on the record.');
        }
        $done = $journal->isolations()->steps();
        foreach (Isolation::cases() as $earlier) {
            if ($earlier->position() < $step->position() && !isset($done[$earlier->value]) && Isolation::Warn !== $step) {
                throw Problem::conflict(\sprintf('First: %s. Do it, or skip it with a reason.', $earlier->words()), '/payload/step');
            }
        }
        $place = $payload->string('place', '');
        if (Isolation::Dead === $step && !$payload->has('skipped') && !isset($journal->house->places[$place])) {
            throw Problem::invalid('/payload/place', 'Say at which place it was proved: a proof belongs to the terminals proved.');
        }
        if (Isolation::Dead === $step && $payload->has('pairs') && null !== $journal->house) {
            $missing = array_diff(IsolationScope::pairs($journal->house, $place), $payload->strings('pairs'));
            if ([] !== $missing) {
                throw Problem::invalid('/payload/pairs', 'Not tried yet: '.implode(', ', $missing).'.');
            }
        }

        return [];
    }

    /** @return array{} */
    private function placed(Attributes $payload, Journal $journal): array
    {
        $reading = $this->reading($payload, $journal);
        $house = $journal->house ?? throw Problem::conflict('This call has no house to place the reading in yet.');
        \YellowProbe\Instrument\Connection::read($payload->object('connection')->raw, $reading->instrument, $house, '/payload/connection');

        return [];
    }

    /** @return array{} */
    private function corrected(Attributes $payload, Journal $journal): array
    {
        \YellowProbe\Instrument\ReadingParser::parse($payload->string('raw'), $this->reading($payload, $journal)->instrument);

        return self::text($payload, 'reason');
    }

    /** @return array{} */
    private function about(Attributes $payload, Journal $journal): array
    {
        $this->reading($payload, $journal);

        return self::text($payload, 'reason');
    }

    private function reading(Attributes $payload, Journal $journal): TakenReading
    {
        $of = $payload->string('observation');
        foreach ($journal->readings() as $reading) {
            if ($reading->source->id->toRfc4122() === $of) {
                return $reading;
            }
        }
        throw Problem::invalid('/payload/observation', 'There is no such reading on this call.');
    }
}
