<?php

declare(strict_types=1);

namespace App\Demo;

use App\Call\CallStore;
use App\Call\ObservationStore;
use App\Entity\Call;
use App\Entity\User;
use Symfony\Component\Uid\UuidV7;
use YellowProbe\Fault\Change;
use YellowProbe\Installation\Attributes;
use YellowProbe\Instrument\Bench;
use YellowProbe\Instrument\Instruments;
use YellowProbe\Instrument\Specimen;
use YellowProbe\Procedure\Isolation;
use YellowProbe\Procedure\TestCatalogue;

/** Plays a call on a house whose hidden truth is known here and nowhere else; readings come from the solver with tester noise. */
final class DemoCall
{
    /** @var array<string, Specimen> */
    private array $specimens = [];

    private Change $truth;

    public function __construct(private readonly ObservationStore $observations, private readonly CallStore $calls, private readonly User $user, private readonly Call $call, private \DateTimeImmutable $now, private readonly int $seed)
    {
        $this->truth = new Change();
    }

    public function hides(Change $truth): self
    {
        $this->truth = $truth;

        return $this;
    }

    /** @param array<string, mixed> $payload */
    public function observe(string $kind, array $payload, int $minutesLater = 2): string
    {
        $this->now = $this->now->modify("+$minutesLater minutes");
        $id = new UuidV7();
        $this->observations->store($this->user, $this->call, $id, $kind, $this->now, new Attributes($payload, ''));

        return $id->toRfc4122();
    }

    /** @param array<string, string> $picked symptom or context, by the slugs of the rates */
    public function told(string $text, array $picked = []): self
    {
        $this->observe('told', ['text' => $text] + $picked);

        return $this;
    }

    /** Brings the house into the state that a test asks for, takes the reading and stores it. */
    public function test(string $plan, int $minutesLater = 3): string
    {
        $house = $this->calls->journal($this->call)->house ?? throw new \LogicException('A demonstration call has a house.');
        $measurement = TestCatalogue::plans($house)[$plan]->measurement;
        $this->goTo($plan);
        if ($measurement->instrument->deadOnly()) {
            // Lifting and linking ended the proof: once more at the terminals.
            foreach ([Isolation::TesterBefore, Isolation::Dead, Isolation::TesterAfter] as $step) {
                $this->observe('isolation', ['step' => $step->value] + (Isolation::Dead === $step ? ['place' => $house->partOf($measurement->connection->terminals[0])->place] : []), 1);
            }
        }
        $shown = (new Bench($house, $measurement->state, $measurement->instrument, $measurement->connection))->read($this->truth);
        $slug = $measurement->instrument->slug();
        $this->specimens[$slug] ??= new Specimen(Instruments::get($slug), $this->seed + crc32($slug));

        return $this->observe('measured', ['instrument' => $slug, 'connection' => $measurement->connection->toArray(), 'raw' => $this->specimens[$slug]->display($shown)], $minutesLater);
    }

    /** Takes every step of isolation and proves the board dead. */
    public function isolate(string $place): self
    {
        foreach (Isolation::cases() as $step) {
            $this->observe('isolation', ['step' => $step->value] + (Isolation::Dead === $step ? ['place' => $place] : []), 1);
        }

        return $this;
    }

    private function goTo(string $plan): void
    {
        $journal = $this->calls->journal($this->call);
        $changes = null === $journal->house ? [] : $journal->state()->changesTo(TestCatalogue::plans($journal->house)[$plan]->measurement->state);
        if ([] !== $changes) {
            $this->observe('done', ['changes' => array_map(static fn ($change): array => $change->toArray(), $changes)], 1);
        }
    }
}
