<?php

declare(strict_types=1);

namespace YellowProbe\Tests\Rules;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use YellowProbe\Fault\Change;
use YellowProbe\Fault\FaultCatalogue;
use YellowProbe\Installation\BoardEnds;
use YellowProbe\Installation\State;
use YellowProbe\Installation\StateChange;
use YellowProbe\Instrument\Bench;
use YellowProbe\Instrument\Connection;
use YellowProbe\Instrument\Instruments;
use YellowProbe\Instrument\Measurement;
use YellowProbe\Instrument\ReadingParser;
use YellowProbe\Instrument\ThermalCamera;
use YellowProbe\Procedure\States;
use YellowProbe\Procedure\TestCatalogue;
use YellowProbe\Rules\Judgement;
use YellowProbe\Rules\RuleSet;
use YellowProbe\Tests\Houses;

/** A limit holds for a kind of test, and only where its conditions are met. */
final class KindsOfTestTest extends TestCase
{
    /** @return iterable<string, array{string, string, string, string}> rule set, tester, typed, verdict */
    public static function insulation(): iterable
    {
        foreach (['A', 'B', 'C'] as $rules) {
            foreach (['insulation-tester', 'insulation-tester-250', 'insulation-tester-1000'] as $tester) {
                yield "$rules, $tester, 0.05 MΩ" => [$rules, $tester, '0.05', 'bad'];
                yield "$rules, $tester, over range" => [$rules, $tester, '>999', 'good'];
            }
        }
    }

    #[DataProvider('insulation')]
    public function testInsulationIsJudgedAtWhateverVolts(string $rules, string $tester, string $typed, string $verdict): void
    {
        $house = Houses::ringAndLights();
        $plan = TestCatalogue::plan($house, 'insulation:ring:L–E')->measurement;
        self::assertContains($verdict, self::judged($rules, new Measurement($plan->state, Instruments::get($tester), $plan->connection), $typed));
    }

    public function testTheTwoEndsOfARingAreNoTwoNeutrals(): void
    {
        $house = Houses::ringAndLights();
        self::assertSame([], self::judged('A', TestCatalogue::plan($house, 'ring-ends:ring:N')->measurement, '0.51'));
        self::assertSame(['bad'], self::judged('A', TestCatalogue::plan($house, 'neutral-to-neutral:low:up')->measurement, '0.51'));
    }

    public function testLineToEarthAtTheIncomingTerminalsIsAnExternalLoopOnlyWithTheEarthLifted(): void
    {
        $house = Houses::ringAndLights();
        $ze = TestCatalogue::plans($house)[array_values(array_filter(array_keys(TestCatalogue::plans($house)), static fn (string $id): bool => str_starts_with($id, 'ze:')))[0]]->measurement;
        self::assertSame(['bad'], self::judged('A', $ze, '1.9'));
        $on = new Measurement(States::boardOff($house), Instruments::get('loop-2-wire'), Connection::leads('service.L', 'service.E'));
        self::assertSame([], self::judged('A', $on, '1.9'), 'bonding flatters it, so it is no such reading');
    }

    public function testAThermalLookSeesAHotJointAtTheScrews(): void
    {
        $house = Houses::demo('wicket-lane');
        $look = TestCatalogue::plan($house, 'heat-look:rl-hall.front')->measurement;
        $bench = new Bench($house, $look->state, $look->instrument, $look->connection);
        $camera = new ThermalCamera();
        $pattern = static fn (?string $site): string => $camera->pattern($bench->read(null === $site ? null : self::joint($site)));
        self::assertSame('alike', $pattern(null));
        // 0.4 Ω at the 2 kW heater's share of the ring's current: some watts in one screw.
        self::assertSame('hotter', $pattern('ring-low-r8/L@1'));
        self::assertSame('alike', $pattern('ring-low-r8/E@1'), 'an earth carries nothing to warm it');
    }

    public function testABorrowedNeutralMovesTheTerminalAndNotOnlyTheLamp(): void
    {
        $house = Houses::demo('wicket-lane');
        $kind = FaultCatalogue::all()['borrowed-neutral'];
        $site = array_values(array_filter($kind->sites($house), static fn ($site): bool => 'stair~lights-up' === $site->id))[0];
        $dead = State::resting($house)->after(new StateChange('set', 'main', 'off'), ...States::neutralLifted($house, 'lights-low'));
        $ohms = new Bench($house, $dead, Instruments::get('low-ohm'), Connection::leads('stair.N', BoardEnds::neutralAtBoard($house, 'lights-up') ?? ''));
        self::assertLessThan(2.0, $ohms->read($kind->change($house, $site, 0.0))->value, 'it lands on the neutral of the upper lights');
        self::assertGreaterThan(50.0, $ohms->read()->value, 'in a sound house only lamps join them');
    }

    private static function joint(string $id): Change
    {
        $house = Houses::demo('wicket-lane');
        $kind = FaultCatalogue::all()['high-resistance-joint'];
        foreach ($kind->sites($house) as $site) {
            if ($site->id === $id) {
                return $kind->change($house, $site, 0.4);
            }
        }
        self::fail("no joint $id");
    }

    /** @return list<string> */
    private static function judged(string $rules, Measurement $measurement, string $typed): array
    {
        /** @var array<string, mixed> $raw */
        $raw = json_decode((string) file_get_contents(__DIR__."/../../../config/rule-sets/$rules.json"), true, 32, \JSON_THROW_ON_ERROR);

        return array_map(static fn (Judgement $judgement): string => $judgement->verdict->value, RuleSet::fromArray($raw)->judge(Houses::ringAndLights(), $measurement, ReadingParser::parse($typed, $measurement->instrument)));
    }
}
