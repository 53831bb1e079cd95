<?php

declare(strict_types=1);

namespace YellowProbe\Tests\Safety;

use PHPUnit\Framework\Attributes\DataProvider;
use YellowProbe\Diagnosis\Hypothesis;
use YellowProbe\Diagnosis\Ranking;
use YellowProbe\Diagnosis\Standing;
use YellowProbe\Diagnosis\Story;
use YellowProbe\Installation\Part;
use YellowProbe\Installation\State;
use YellowProbe\Installation\StateChange;
use YellowProbe\Safety\ImmediateDanger;
use YellowProbe\Tests\Diagnosis\Asked;

/** What cannot wait for a diagnosis, and what takes it away. */
final class ImmediateDangerTest extends Asked
{
    public function testWhatWasSeenNamesTheCircuitAndIsOverOnceThatIsOff(): void
    {
        $place = self::$house->parts['c']->place;
        $way = self::$house->circuits[self::$house->circuitOfPart('c') ?? '']->way;
        $story = new Story(['part-dead'], [], [['scorched', $place]]);
        $dangers = ImmediateDanger::of(self::$house, self::ranking([]), $story, State::resting(self::$house));
        self::assertSame([[ImmediateDanger::HEAT, [$way], $place]], self::said($dangers));
        $off = State::resting(self::$house)->after(new StateChange('set', $way, 'off'));
        self::assertSame([], ImmediateDanger::of(self::$house, self::ranking([]), $story, $off));
    }

    public function testWhatWasSeenNobodyKnowsWhereIsTheMainSwitchAndOnceItIsMendedItIsOver(): void
    {
        $resting = State::resting(self::$house);
        $smell = new Story(['part-dead'], [], [['burning-smell', '']]);
        self::assertSame([[ImmediateDanger::HEAT, ['main'], '']], self::said(ImmediateDanger::of(self::$house, self::ranking([]), $smell, $resting)));

        $scorched = new Story(['tingle'], [], [['scorched', self::$house->parts['c']->place]], [], [self::$house->parts['c']->place]);
        self::assertCount(2, ImmediateDanger::of(self::$house, self::ranking([]), $scorched, $resting));
        $standings = [];
        foreach (self::space(['none']) as $hypothesis) {
            $standings[] = new Standing($hypothesis->after(['line-neutral-reversed|c']), 0.0, [], [1.0]);
        }
        self::assertSame([], ImmediateDanger::of(self::$house, new Ranking($standings, []), $scorched, $resting));
    }

    /** @return iterable<string, array{string, float, list<string>, string|null}> cause, its share, devices that have opened, what is said */
    public static function likely(): iterable
    {
        yield 'a neutral lost before the house, at one in four' => ['lost-pen', 0.25, [], ImmediateDanger::SUPPLY_NEUTRAL];
        yield 'and less than that' => ['lost-pen', 0.24, [], null];
        yield 'metal that is the return' => ['neutral-earth-swapped', 0.2, [], ImmediateDanger::RETURN];
        yield 'metal that may be, at its act only' => ['neutral-earth-swapped', 0.19, [], null];
        yield 'a short that a breaker has opened for' => ['line-neutral-fault', 0.2, ['way1'], ImmediateDanger::SHORT];
        yield 'a short that nothing has opened for' => ['line-neutral-fault', 0.6, [], null];
        yield 'nobody protected' => ['rcd-stuck', 0.5, [], ImmediateDanger::UNPROTECTED];
        yield 'a switch in the neutral' => ['switch-in-neutral', 0.99, [], null];
    }

    /** @param list<string> $tripped */
    #[DataProvider('likely')]
    public function testProbabilityTimesHarmDecides(string $kind, float $share, array $tripped, ?string $said): void
    {
        $dangers = ImmediateDanger::of(self::$house, self::ranking([$kind => $share]), new Story([], [], [], $tripped), State::resting(self::$house));
        self::assertSame(null === $said ? [] : [$said], array_map(static fn (ImmediateDanger $danger): string => $danger->kind, $dangers));
        self::assertSame(ImmediateDanger::SUPPLY_NEUTRAL === $said, [] !== array_filter($dangers, static fn (ImmediateDanger $danger): bool => $danger->isDistributor));
    }

    public function testMetalThatGivesAShockInOneRoomIsItsCircuitElseTheMainSwitch(): void
    {
        $here = self::$house->parts['c']->place;
        $light = self::$house->parts['l1']->place;
        $way = self::$house->circuits[self::$house->circuitOfPart('c') ?? '']->way;
        $said = static fn (string ...$where): array => self::said(ImmediateDanger::of(self::$house, self::ranking([]), new Story(['tingle'], where: array_values($where)), State::resting(self::$house)));
        self::assertSame([$way], $said($here)[0][1]);
        self::assertSame(['main'], $said($here, $light)[0][1]);
        self::assertSame(['main'], $said()[0][1]);
    }

    /**
     * @param array<string, float> $shares by kind of fault, at its first place
     */
    private static function ranking(array $shares): Ranking
    {
        $standings = [];
        foreach (self::space(['none']) as $hypothesis) {
            $kind = $hypothesis->kind?->slug() ?? '';
            $share = Hypothesis::SOUND === $hypothesis->id ? 1.0 - array_sum($shares) : ($shares[$kind] ?? null);
            if (null !== $share && !$hypothesis->intermittent) {
                unset($shares[$kind]);
                $standing = new Standing($hypothesis, 0.0, [], [1.0]);
                $standing->probability = $share;
                $standings[] = $standing;
            }
        }

        return new Ranking($standings, []);
    }

    /**
     * @param list<ImmediateDanger> $dangers
     *
     * @return list<array{string, list<string>, string}>
     */
    private static function said(array $dangers): array
    {
        return array_map(static fn (ImmediateDanger $danger): array => [$danger->kind, array_map(static fn (Part $device): string => $device->id, $danger->devices), $danger->place], $dangers);
    }
}
