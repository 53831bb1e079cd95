<?php

declare(strict_types=1);

namespace YellowProbe\Tests\Installation;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use YellowProbe\Fault\Fault;
use YellowProbe\Fault\ResolvedChange;
use YellowProbe\Installation\Excitation;
use YellowProbe\Installation\House;
use YellowProbe\Installation\HouseDraft;
use YellowProbe\Installation\HouseNetwork;
use YellowProbe\Installation\State;
use YellowProbe\Installation\StateChange;
use YellowProbe\Instrument\Bench;
use YellowProbe\Instrument\Connection;
use YellowProbe\Instrument\Instruments;
use YellowProbe\Tests\Network\ExactSolver;

/** A whole small house in exact rationals: contacts of milliohms beside insulation of hundreds of gigohms. */
final class SmallHouseExactTest extends TestCase
{
    /** @return iterable<string, array{string, list<string>, array{string, string, float}|null}> tester, leads, fault */
    public static function readings(): iterable
    {
        yield 'continuity of the line' => ['low-ohm', ['way1.out', 's.L'], null];
        yield 'insulation of a floating neutral, over range' => ['insulation-tester', ['one-r1/N@1', 'met.t1'], null];
        yield 'insulation of a floating line against it' => ['insulation-tester', ['way1.out', 'one-r1/N@1'], null];
        yield 'damp between neutral and earth' => ['insulation-tester', ['one-r1/N@1', 'met.t1'], ['neutral-earth-fault', 's', 1e5]];
        yield 'a burnt joint' => ['low-ohm', ['way1.out', 's.L'], ['high-resistance-joint', 'one-r1/L@2', 7.0]];
    }

    /**
     * @param list<string>                       $leads
     * @param array{string, string, float}|null $hidden
     */
    #[DataProvider('readings')]
    public function testTheReadingIsExactToElevenDigits(string $tester, array $leads, ?array $hidden): void
    {
        $house = self::house();
        $state = State::resting($house)->after(new StateChange('set', 'main', 'off'), new StateChange('set', 'way1', 'off'), new StateChange('lift', 'one-r1/N@1'));
        $change = null === $hidden ? null : Fault::at($house, ...$hidden)->change($house);
        $reading = (new Bench($house, $state, Instruments::get($tester), Connection::leads(...$leads)))->read($change);

        $network = HouseNetwork::build($house, $state, Excitation::direct());
        $network = null === $change ? $network : ResolvedChange::of($network, $change, Excitation::direct())->network();
        $to = $network->node($leads[1]);
        $exact = ExactSolver::volts($network->drivenBetween($to, $network->node($leads[0])), $to)[$network->node($leads[0])];
        // The exact solver's 1 A passes the driving branch of 10⁻¹⁸ S as well: 1/R = 1/V − 10⁻¹⁸.
        $ohms = 1.0 / (1.0 / $exact - 1e-18);

        self::assertEqualsWithDelta(1.0, $reading->value / $ohms, 1e-11);
    }

    private static function house(): House
    {
        return (new HouseDraft('Hut', ['system' => 'TN-S', 'lineOhms' => 0.1], 1))
            ->direct()
            ->way('one', 'One', 'radial', 16)
            ->sockets('one', [['s', 'Socket', 'Hut', 12.0]])
            ->house();
    }
}
