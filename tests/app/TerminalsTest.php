<?php

declare(strict_types=1);

namespace App\Tests;

use App\Call\Terminals;
use PHPUnit\Framework\TestCase;
use YellowProbe\Installation\House;
use YellowProbe\Installation\LineMap;
use YellowProbe\Installation\State;
use YellowProbe\Installation\StateChange;
use YellowProbe\Procedure\States;
use YellowProbe\Procedure\TestCatalogue;
use YellowProbe\Tests\Houses;

final class TerminalsTest extends TestCase
{
    public function testEveryPlannedTestHasAPlaceOnTheMapForEachOfItsLeads(): void
    {
        $tests = 0;
        foreach (['wicket-lane', 'rod-and-outbuilding', 'panel-with-multiwire', 'earth-leakage-unit'] as $name) {
            $house = Houses::demo($name);
            $places = [];
            foreach (TestCatalogue::plans($house) as $id => $plan) {
                $state = $plan->measurement->state;
                $known = $places[$state->hash()] ??= self::places($house, $state);
                self::assertSame([], array_values(array_diff($plan->measurement->connection->terminals, $known)), "$name: $id");
                ++$tests;
            }
        }
        self::assertGreaterThan(1500, $tests);
    }

    public function testALooseEndIsCalledLiftedAndALandedOneAConductor(): void
    {
        $house = Houses::demo('wicket-lane');
        $resting = State::resting($house);
        $lifted = $resting->after(new StateChange('lift', 'lights-up-r1/N@1'));
        $access = static fn (State $state): array => array_column(array_map(static fn ($view): array => [$view->id, $view->access], Terminals::ofWay($house, $state, 'lights-up')), 1, 0);
        self::assertSame('conductor', $access($resting)['lights-up-r1/N@1']);
        self::assertSame('lifted', $access($lifted)['lights-up-r1/N@1']);
        self::assertContains('Lights, upper floor · neutral at the board', array_map(static fn ($view): string => $view->name, Terminals::ofWay($house, $resting, 'lights-up')));
    }

    /** @return list<string> */
    private static function places(House $house, State $state): array
    {
        $views = Terminals::ofOrigin($house, $state);
        foreach (States::circuits($house) as $circuit) {
            array_push($views, ...Terminals::ofWay($house, $state, $circuit));
            foreach (LineMap::of($house, $circuit)['stops'] as $stop) {
                array_push($views, ...Terminals::ofPoint($house, $state, $house->parts[$stop['part']]));
            }
        }

        return array_map(static fn ($view): string => $view->id, $views);
    }
}
