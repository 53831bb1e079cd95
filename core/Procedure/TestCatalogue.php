<?php

declare(strict_types=1);

namespace YellowProbe\Procedure;

use YellowProbe\Installation\House;
use YellowProbe\Installation\Known;

/** The register of tests. A new test is one new class, its texts in Entries and its row here. */
final class TestCatalogue
{
    /** @return list<Procedure> in the order of the trade's catalogue */
    public static function all(): array
    {
        $all = [
            new PlugInCheck(), new PolarityLive(), new Zs(), new ResidualClamp(), new ResidualPair(), new R1R2(), new Insulation(), new NeutralToNeutral(), new LineToOtherNeutral(),
            new BondingContinuity(), new R2LongLead(), new RingEnds(), new RingCrossLn(), new RingCrossLe(), new RingOrder(), new InsulationJoined(), new InsulationHalves(),
            new NeutralToEarth(), new PolarityDead(), new ElectrodeThreeSpike(), new CapacitanceEnds(), new SupplyPolarity(), new MetTrueEarth(), ExternalLoop::ze(), ExternalLoop::electrode(),
            new FaultCurrent(), new LoopCompare(), new ResidualTimes(), new ResidualRamp(), new ResidualIsolated(), new CpcCurrent(), new NeutralOfOffCircuit(), new EarthingCurrent(),
            UnderLoad::neutralToEarth(), UnderLoad::drop(), new JointDrop(), new HoldsByBreaker(), new HoldsUnplugged(), new PlugByPlug(), new LeakageLog(), new HeatLook(), new TraceCircuit(), new ElectrodeClamps(), new LeakRatio(), new FunctionCheck(), ...Unmeasured::all(),
        ];
        $order = array_flip(Entries::slugs());
        usort($all, static fn (Procedure $a, Procedure $b): int => $order[$a->slug()] <=> $order[$b->slug()]);

        return $all;
    }

    /**
     * One of them by its id, devices left off among it.
     *
     * @throws \OutOfBoundsException when this house has no such test
     */
    public static function plan(House $house, string $id): TestPlan
    {
        [$own, $off] = explode(TestPlan::WITHOUT, $id) + [1 => ''];
        $plan = Known::once($house, 'test plans', static fn (): array => self::plans($house))[$own] ?? throw new \OutOfBoundsException(\sprintf('There is no test "%s" in this house.', $own));

        return '' === $off ? $plan : $plan->leavingOff($house, ...explode(TestPlan::AND, $off));
    }

    /** @return array<string, TestPlan> every test that can be done in a house, by id */
    public static function plans(House $house): array
    {
        $plans = [];
        foreach (self::all() as $procedure) {
            foreach ($procedure->plans($house) as $plan) {
                $plans[$plan->id] = $plan;
            }
        }

        return $plans;
    }
}
