<?php

declare(strict_types=1);

namespace YellowProbe\Tests\Instrument;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use YellowProbe\Fault\Fault;
use YellowProbe\Installation\HouseError;
use YellowProbe\Installation\Role;
use YellowProbe\Installation\State;
use YellowProbe\Installation\StateChange;
use YellowProbe\Instrument\Bench;
use YellowProbe\Instrument\Connection;
use YellowProbe\Instrument\CurrentPath;
use YellowProbe\Instrument\Instruments;
use YellowProbe\Instrument\Measurement;
use YellowProbe\Procedure\ResidualClamp;
use YellowProbe\Procedure\TestCatalogue;
use YellowProbe\Tests\Houses;

final class ConnectionTest extends TestCase
{
    /** @return iterable<string, array{string, array<string, mixed>, string}> tester, connection, path */
    public static function wrong(): iterable
    {
        yield 'no leads' => ['low-ohm', [], '/terminals'];
        yield 'three leads on two' => ['low-ohm', ['terminals' => ['a.L', 'a.N', 'a.E']], '/terminals'];
        yield 'unknown terminal' => ['low-ohm', ['terminals' => ['a.L', 'a.Q']], '/terminals/1'];
        yield 'twice the same' => ['low-ohm', ['terminals' => ['a.L', 'a.L']], '/terminals'];
        yield 'a clamp with leads' => ['leakage-clamp', ['terminals' => ['a.L']], '/terminals'];
        yield 'a clamp around nothing' => ['leakage-clamp', [], '/terminals'];
        yield 'an unknown conductor' => ['leakage-clamp', ['around' => ['+ghost/L']], '/around/0'];
        yield 'a conductor without direction' => ['leakage-clamp', ['around' => ['ring-r1/L']], '/around/0'];
        yield 'an unknown core' => ['leakage-clamp', ['around' => ['+ring-r1/L', '-ring-r1/X']], '/around/1'];
        yield 'not text' => ['low-ohm', ['terminals' => [1, 2]], '/terminals/0'];
    }

    /** @param array<string, mixed> $raw */
    #[DataProvider('wrong')]
    public function testWhatCannotBeConnectedIsNamed(string $tester, array $raw, string $path): void
    {
        try {
            Connection::read($raw, Instruments::get($tester), Houses::ringAndLights());
            self::fail('It was taken.');
        } catch (HouseError $error) {
            self::assertSame($path, $error->path);
        }
    }

    public function testEveryPlanReadsBackAsItself(): void
    {
        $house = Houses::ringAndLights();
        foreach (TestCatalogue::plans($house) as $id => $plan) {
            $measurement = $plan->measurement;
            self::assertEquals($measurement->connection, Connection::read($measurement->connection->toArray(), $measurement->instrument, $house), $id);
        }
    }

    public function testALooseEndCanBeProbedDeadOnlyWhileItIsLifted(): void
    {
        $house = Houses::ringAndLights();
        $connection = Connection::leads('up-r1/N@1', 'met.t1');
        $lifted = State::resting($house)->after(new StateChange('lift', 'up-r1/N@1'));
        self::assertGreaterThanOrEqual(0.0, (new Bench($house, $lifted, Instruments::get('voltmeter-high-z'), $connection))->read()->value);
        $this->expectException(HouseError::class);
        $this->expectExceptionMessage('while it is lifted');
        new Bench($house, State::resting($house), Instruments::get('insulation-tester'), $connection);
    }

    public function testAClampCountsOutwardBothLegsOfARingAndOneConductorAlone(): void
    {
        // Kettle of 2300 W on the ring: 10 A in the line, shared by both legs; line and neutral together nothing but leakage.
        $house = Houses::ringAndLights();
        $on = State::resting($house)->after(new StateChange('load', 'kettle', 'on'), new StateChange('load', 'fridge', 'out'));
        $amperes = static fn (Role ...$keys): float => (new Bench($house, $on, Instruments::get('leakage-clamp'), ResidualClamp::conductors($house, 'ring', ...$keys)))->read()->value;

        self::assertEqualsWithDelta(10.0, $amperes(Role::Line), 0.3);
        self::assertEqualsWithDelta(10.0, $amperes(Role::Neutral), 0.3);
        self::assertLessThan(3e-3, $amperes(Role::Line, Role::Neutral));
        self::assertLessThan(3e-3, $amperes(Role::Earth));
        // The 20 m leg takes 35 of 50 parts, the long way round the rest.
        $short = (new Bench($house, $on, Instruments::get('leakage-clamp'), Connection::around('+ring-r1/L')))->read()->value;
        self::assertEqualsWithDelta(0.6 * 10.0, $short, 0.3);
    }

    public function testAClampOnAFaultyConductorReadsWhatStandsForIt(): void
    {
        $house = Houses::ringAndLights();
        $on = State::resting($house)->after(new StateChange('load', 'kettle', 'on'));
        $bench = new Bench($house, $on, Instruments::get('leakage-clamp'), Connection::around('+ring-r1/L'));
        $worse = $bench->read(Fault::at($house, 'high-resistance-joint', 'ring-r1/L@2', 20.0)->change($house))->value;

        // The long way round is 30 m, 0.234 Ω with its joints; the short one has 20 Ω in it now: 10 A · 0.234 / 20.4.
        self::assertEqualsWithDelta(0.115, $worse, 0.005);
    }

    public function testTheLoopOfALoopTesterIsDrawnAndThatOfOpenLeadsIsNot(): void
    {
        $house = Houses::ringAndLights();
        $plans = TestCatalogue::plans($house);
        $loop = CurrentPath::of($house, $plans['zs:spur.front:L-E']->measurement)->shares();
        foreach (['spur/front-L', 'ring-s-spur/L', 'ring-s-spur/E', 'service/line', 'way1/L', 'rcd-a/L'] as $element) {
            self::assertEqualsWithDelta(1.0, $loop[$element] ?? 0.0, 0.02, $element);
        }
        self::assertArrayNotHasKey('ring-s-spur/N', $loop);
        // On the ring the current has two ways, and they share it.
        self::assertEqualsWithDelta(1.0, ($loop['ring-r2/L'] ?? 0.0) + ($loop['ring-r3/L'] ?? 0.0), 0.02);
        self::assertSame([], CurrentPath::of($house, $plans['residual-clamp:ring']->measurement)->shares());
    }

    public function testAMeasurementKnowsItsCircuitsAndItsHashOnlyWhatDecidesIt(): void
    {
        $house = Houses::ringAndLights();
        $plans = TestCatalogue::plans($house);
        self::assertSame(['low', 'up'], $plans['neutral-to-neutral:low:up']->measurement->circuits($house));
        self::assertSame(['ring'], $plans['residual-clamp:ring']->measurement->circuits($house));
        self::assertSame([], $plans['residual-clamp:rcd-a']->measurement->circuits($house));
        $one = $plans['zs:a.front:L-E']->measurement;
        self::assertSame($one->hash(), (new Measurement(State::resting($house), $one->instrument, Connection::leads('a.front-L', 'a.front-E')))->hash());
        $hashes = array_map(static fn ($plan): string => $plan->measurement->hash(), $plans);
        self::assertCount(\count($plans), array_unique($hashes));
    }
}
