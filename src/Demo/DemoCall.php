<?php

declare(strict_types=1);

namespace App\Demo;

use App\Call\CallStore;
use App\Call\Isolations;
use App\Call\ObservationStore;
use App\Entity\Call;
use App\Entity\User;
use Symfony\Component\Uid\UuidV7;
use YellowProbe\Fault\Change;
use YellowProbe\Installation\House;
use YellowProbe\Installation\Part;
use YellowProbe\Instrument\Bench;
use YellowProbe\Instrument\Connection;
use YellowProbe\Instrument\Instruments;
use YellowProbe\Instrument\Specimen;
use YellowProbe\Instrument\TwoPoleIndicator;
use YellowProbe\Procedure\TestCatalogue;
use YellowProbe\Safety\IsolationScope;
use YellowProbe\Safety\Pair;

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
        $this->observations->store($this->user, $this->call, $id, $kind, $this->now, $payload, stored: $this->now);

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
            // A proof is of the terminals that it was made at.
            foreach (array_unique(array_filter(array_map(static fn (string $terminal): ?string => Isolations::placeOf($house, $terminal), $measurement->connection->terminals), is_string(...))) as $place) {
                $this->prove($house, $place, true);
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
        $house = $this->calls->journal($this->call)->house ?? throw new \LogicException('A demonstration call has a house.');
        $mains = array_map(static fn (Part $main): string => $main->id, IsolationScope::devices($house, $place, IsolationScope::BOARD));
        $this->observe('isolation', ['step' => 'warn', 'people' => ['the occupier']], 1);
        $this->observe('isolation', ['step' => 'sources', 'text' => 'No other source: asked, and none at the board.'], 1);
        $this->observe('isolation', ['step' => 'reference', 'place' => $place, 'tried' => $this->reference($house, $place)], 1);
        $this->observe('isolation', ['step' => 'loads'], 1);
        $this->observe('isolation', ['step' => 'off', 'place' => $place, 'level' => IsolationScope::BOARD, 'switched' => $mains], 1);
        $this->observe('isolation', ['step' => 'lock', 'locks' => array_map(fn (string $main): array => ['device' => $main, 'keeper' => $this->user->name, 'sign' => true, 'number' => '7'], $mains)], 1);
        $this->prove($house, $place, false);

        return $this;
    }

    /** Takes the lock off again; the house is brought back by {@see test()}. */
    public function release(): self
    {
        foreach ($this->calls->journal($this->call)->isolations()->locks() as $device => $lock) {
            $this->observe('isolation', ['step' => 'release', 'locks' => [['device' => (string) $device, 'keeper' => $lock[0]->keeper, 'sign' => true, 'number' => '7']]], 1);
        }

        return $this;
    }

    private function prove(House $house, string $place, bool $opened): void
    {
        $this->observe('isolation', ['step' => 'tester-before', 'on' => 'proving-unit'], 1);
        $this->observe('isolation', ['step' => 'dead', 'place' => $place, 'tried' => array_map(static fn (Pair $pair): array => ['pair' => $pair->id, 'voltage' => false], IsolationScope::pairs($house, $place))] + ($opened ? ['opened' => true] : []), 1);
        $this->observe('isolation', ['step' => 'tester-after', 'on' => 'proving-unit'], 1);
    }

    /** @return list<array{pair: string, voltage: bool, raw: string}> what the indicator shows live on each pair of a place */
    private function reference(House $house, string $place): array
    {
        $tried = [];
        foreach (IsolationScope::pairs($house, $place) as $pair) {
            if ('pair.poles' === $pair->words->key) {
                $volts = (new Bench($house, $this->calls->journal($this->call)->state(), Instruments::get('voltmeter-high-z'), Connection::leads(...$pair->terminals)))->read($this->truth)->value;
                $tried[] = ['pair' => $pair->id, 'voltage' => $volts >= TwoPoleIndicator::LOWEST_STEP_VOLTS, 'raw' => \sprintf('%.0f', $volts)];
            }
        }

        return $tried;
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
