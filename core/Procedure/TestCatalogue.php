<?php

declare(strict_types=1);

namespace YellowProbe\Procedure;

use YellowProbe\Installation\House;

/** The register of tests. A new test is one new class and its row here. */
final class TestCatalogue
{
    /** @return list<Procedure> */
    public static function all(): array
    {
        return [new PlugInCheck(), new PolarityLive(), new Zs(), new ResidualClamp(), new ResidualPair(), new R1R2(), new Insulation(), new NeutralToNeutral(), new LineToOtherNeutral()];
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
