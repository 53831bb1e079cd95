<?php

declare(strict_types=1);

namespace YellowProbe\Tests\Diagnosis;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use YellowProbe\Diagnosis\Evidence;
use YellowProbe\Diagnosis\Hypothesis;
use YellowProbe\Diagnosis\HypothesisSpace;
use YellowProbe\Diagnosis\PredictionTable;
use YellowProbe\Diagnosis\Predictor;
use YellowProbe\Diagnosis\Ranker;
use YellowProbe\Diagnosis\Ranking;
use YellowProbe\Diagnosis\Story;
use YellowProbe\Fault\Fault;
use YellowProbe\Installation\House;
use YellowProbe\Instrument\Bench;
use YellowProbe\Instrument\ReadingParser;
use YellowProbe\Instrument\Specimen;
use YellowProbe\Procedure\TestCatalogue;
use YellowProbe\Tests\Houses;

/**
 * Stories of the trade in invented houses: what was told, what is really there, the tests in the order they were done, and
 * at which place the true cause has to stand among those with a name after each.
 */
final class StoriesTest extends TestCase
{
    /** @return iterable<string, array{string, list<string>, list<string>, array{string, string, float|null}, array<string, int>}> house, symptoms, contexts, truth, test => place */
    public static function stories(): iterable
    {
        yield 'a stair light trips after a board change' => ['ring', ['residual-trip'], ['board-change'], ['borrowed-neutral', 'stair~up', null], ['residual-pair:stair:low' => 1, 'residual-pair:stair:up' => 1, 'neutral-to-neutral:low:up' => 1, 'line-to-other-neutral:stair:up' => 1]];
        yield 'a kitchen socket wired by a neighbour' => ['ring', ['none'], [], ['line-neutral-reversed', 'c', null], ['plug-in-check:c.front' => 1, 'polarity-live:c.front:N-E' => 1, 'plug-in-check:b.front' => 1]];
        yield 'an allotment shed in a dry summer' => ['rod', ['tingle'], [], ['electrode-dry', 'electrode', 1500.0], ['zs:bench.left:L-E' => 7, 'electrode-3-spike:electrode' => 1]];
        yield 'lights dim while the kettle hums' => ['worked', ['tingle'], [], ['lost-pen', 'service', 10.0], ['met-true-earth:loaded' => 1, 'earthing-current:earthing:on' => 1]];
        yield 'two circuits whose neutrals touch' => ['ring', ['residual-trip'], [], ['joined-neutrals', 'low~up', 0.2], ['residual-pair:l1:low' => 4, 'residual-pair:u1:up' => 1, 'neutral-to-neutral:low:up' => 1]];
        yield 'a garden socket after rain' => ['ring', ['residual-trip'], [], ['line-earth-leak', 'd', 1e4], ['residual-clamp:ring' => 1, 'insulation:ring:L–E' => 1, 'insulation:ring:N–E' => 1]];
        yield 'a screw through neutral and earth' => ['worked', ['residual-trip'], [], ['neutral-earth-fault', 's1', 0.3], ['neutral-to-earth:rad' => 1, 'zs:s1.front:L-E' => 1]];
        yield 'a metal light that tingles' => ['ring', ['tingle'], [], ['open-cpc', 'low-r2/E@1', null], ['r1-r2:l1' => 1, 'r1-r2:l2' => 1]];
        yield 'a ring broken behind a cupboard' => ['worked', ['none'], [], ['ring-open', 'ring-r3:L', null], ['ring-ends:ring:L' => 1, 'ring-ends:ring:N' => 1, 'ring-order:b.front' => 1, 'ring-order:c.front' => 1]];
        yield 'a cable across the ring' => ['worked', ['none'], [], ['ring-bridged', 'a~c', 0.05], ['ring-ends:ring:L' => 8, 'ring-cross-ln:a.front' => 12, 'ring-cross-ln:b.front' => 1]];
        yield 'a plug that gets warm' => ['worked', ['flicker'], [], ['accessory-contact', 'a.front-L', 3.0], ['zs:a.front:L-E' => 2, 'zs:a.front:L-N' => 1, 'joint-drop:a.front:L' => 1]];
        yield 'everything flickers together' => ['worked', ['flicker'], [], ['loose-neutral-bar', 'rcd-nbar-link/N@2', 0.5], ['ne-under-load:s1.front:N-E' => 9, 'zs:s1.front:L-N' => 4, 'zs:a.front:L-N' => 1]];
        yield 'the last socket of a radial sags' => ['worked', ['flicker'], [], ['high-resistance-joint', 'rad-r2/N@1', 1.0], ['zs:s2.front:L-N' => 1, 'zs:s2.front:L-E' => 1, 'zs:s1.front:L-N' => 1]];
        yield 'a meter exchanged in a hurry' => ['worked', ['tingle'], [], ['supply-polarity-reversed', 'tails', null], ['plug-in-check:a.front' => 2, 'supply-polarity:service:N-E' => 1]];
        yield 'a new plastic water main' => ['worked', ['none'], [], ['bonding-missing', 'bond', null], ['bonding-continuity:bond' => 1]];
        yield 'a kitchenette that goes bright and dim' => ['panel', ['flicker'], [], ['open-neutral', 'mw-1/N@1', null], ['plug-in-check:counter-l.upper' => 4, 'polarity-live:counter-l.upper:L-N' => 4, 'zs:counter-l.upper:L-N' => 1]];
        yield 'a bathroom outlet that will not reset' => ['panel', ['part-dead'], [], ['line-load-swapped', 'bath', null], ['plug-in-check:bath.front' => 2, 'plug-in-check:counter-r.upper' => 2]];
        yield 'a water heater that trips when cold' => ['elu', ['residual-trip'], [], ['element-damp', 'geyser-tank', 1e4], ['residual-clamp:geyser' => 9, 'insulation-joined:geyser' => 2]];
        yield 'a second bond in the shed' => ['rod', ['residual-trip'], [], ['second-ne-bond', 'shed-board', 0.05], ['cpc-current:shed-feed' => 9, 'ne-under-load:bench.left:N-E' => 1]];
        yield 'a device that never opened' => ['worked', ['none'], [], ['rcd-stuck', 'rcd', null], ['rcd-times:rcd:1' => 1, 'rcd-times:rcd:5' => 1]];
        yield 'a device that opens for nothing' => ['worked', ['residual-trip'], [], ['rcd-too-sensitive', 'rcd', null], ['rcd-ramp:rcd:out' => 2, 'rcd-isolated:rcd' => 1]];
        yield 'a lamp that takes the breaker with it' => ['ring', ['overcurrent-trip'], [], ['line-neutral-fault', 'u2', 0.5], ['insulation:up:L–N' => 1, 'insulation:ring:L–N' => 1]];
        yield 'a fridge that takes its breaker with it' => ['worked', ['overcurrent-trip'], ['resets-unplugged'], ['appliance-short', 'fridge', 0.3], ['insulation:rad:L–N' => 1, 'insulation:rad:L–E' => 1]];
        yield 'one heater too many' => ['worked', ['overcurrent-trip'], ['hot-or-loaded'], ['overload', 'rad', 4.5], ['insulation:rad:L–N' => 1, 'zs:s2.front:L-N' => 1]];
        yield 'a fridge that tingles and trips' => ['worked', ['residual-trip', 'tingle'], [], ['appliance-leak', 'fridge', 1e4], ['residual-clamp:rad' => 6, 'insulation:rad:L–E' => 2, 'plug-by-plug:fridge' => 1]];
        yield 'a neutral on the wrong bar' => ['ring', ['residual-trip'], ['board-change'], ['neutral-wrong-bar', 'up~rcd-a-nbar', null], ['residual-pair:u1:up' => 5, 'residual-pair:all:rcd-a' => 1, 'neutral-to-neutral:low:up' => 1]];
        yield 'two wires mixed up when decorating' => ['ring', ['residual-trip'], [], ['neutral-earth-swapped', 'a', null], ['residual-clamp:ring' => 1, 'r1-r2:a' => 1, 'r1-r2:b' => 1, 'plug-in-check:a.front' => 1]];
        yield 'a leak of no round figure' => ['ring', ['residual-trip'], [], ['line-earth-leak', 'b', 1.7e4], ['cpc-current:ring' => 2, 'insulation:ring:L–E' => 1, 'insulation-halves:ring:ring-r3:L–E:towards' => 1]];
        yield 'a joint a little worse than the last one' => ['worked', ['flicker'], [], ['high-resistance-joint', 'rad-r2/N@1', 1.6], ['zs:s2.front:L-N' => 1, 'zs:s2.front:L-E' => 1, 'zs:s1.front:L-N' => 1]];
        yield 'a device that drops as soon as it is up' => ['ring', ['residual-trip'], [], ['line-earth-leak', 'd', 300.0], ['holds-by-breaker:rcd-a:all' => 1, 'holds-by-breaker:rcd-a:none' => 1, 'holds-by-breaker:rcd-a:ring' => 1, 'insulation:ring:L–E' => 1]];
        yield 'a pump that runs slow' => ['rod', ['flicker'], [], ['high-resistance-joint', 'pump-1/N@2', 1.0], ['zs:bench.left:L-N' => 1, 'zs:pump-box:L-N' => 1, 'zs:pump-box:L-E' => 1]];
        yield 'a joint felt for with a heater on' => ['worked', ['flicker'], [], ['high-resistance-joint', 'rad-r2/N@1', 0.3], ['zs:s2.front:L-N' => 4, 'joint-drop:rad-r2/N@2' => 4, 'joint-drop:rad-r2/N@1' => 1]];
        yield 'an earth made out of the neutral' => ['two-core', ['none'], [], ['bootleg-earth', 's2', null], ['plug-in-check:s2.front' => 3, 'loop-compare:s2.front' => 2]];
    }

    /**
     * @param list<string>                       $symptoms
     * @param list<string>                       $contexts
     * @param array{string, string, float|null} $truth
     * @param array<string, int>                 $steps
     */
    #[DataProvider('stories')]
    public function testAStory(string $house, array $symptoms, array $contexts, array $truth, array $steps): void
    {
        $house = self::house($house);
        $hypotheses = HypothesisSpace::of($house, Houses::rates(), new Story($symptoms, $contexts));
        $fault = Fault::at($house, ...$truth);
        $plans = TestCatalogue::plans($house);
        $evidence = [];
        foreach ($steps as $test => $place) {
            self::assertArrayHasKey($test, $plans);
            $measurement = $plans[$test]->measurement;
            $shown = (new Bench($house, $measurement->state, $measurement->instrument, $measurement->connection))->read($fault->change($house));
            $typed = (new Specimen($measurement->instrument, 7 + \count($evidence)))->display($shown);
            $evidence[] = new Evidence(\sprintf('%02d', \count($evidence)), $measurement, ReadingParser::parse($typed, $measurement->instrument), static fn (): PredictionTable => Predictor::table($house, $measurement, $hypotheses), $test);
            $ranking = Ranker::rank($hypotheses, $evidence);
            self::assertLessThanOrEqual($place, self::place($ranking, $fault), "after $test, which read $typed");
        }
    }

    /** At which place the cause stands among the suspects that have a name. */
    private static function place(Ranking $ranking, Fault $fault): int
    {
        $place = 0;
        foreach ($ranking->suspects() as $suspect) {
            if (Hypothesis::ELSE === $suspect->lead()->hypothesis->id) {
                continue;
            }
            ++$place;
            foreach ($suspect->standings as $standing) {
                if ($standing->hypothesis->id === "{$fault->kind->slug()}|{$fault->site->id}") {
                    return $place;
                }
            }
        }

        return \PHP_INT_MAX;
    }

    private static function house(string $name): House
    {
        return match ($name) {
            'worked' => Houses::worked(),
            'two-core' => Houses::withoutCpc(0.0),
            'ring' => Houses::ringAndLights(),
            'panel' => Houses::demo('panel-with-multiwire'),
            'elu' => Houses::demo('earth-leakage-unit'),
            default => Houses::demo('rod-and-outbuilding'),
        };
    }
}
