<?php

declare(strict_types=1);

namespace YellowProbe\Tests\Diagnosis;

use PHPUnit\Framework\TestCase;
use YellowProbe\Diagnosis\Evenness;
use YellowProbe\Diagnosis\Hypothesis;
use YellowProbe\Diagnosis\Standing;
use YellowProbe\Fault\FaultCatalogue;
use YellowProbe\Fault\FaultSite;
use YellowProbe\Procedure\TestCatalogue;
use YellowProbe\Procedure\TestPlan;
use YellowProbe\Tests\Houses;

final class EvennessTest extends TestCase
{
    public function testAPartingIsWorthWeighingAsFarAsItPartsWhatFits(): void
    {
        // Half of what fits at point c, three tenths in the cable that comes to it, two tenths at point b before.
        $evenness = new Evenness([self::standing('c', 0.5), self::standing('ring-r3/L@2', 0.3), self::standing('b.front-L', 0.2)]);
        $plan = static fn (string $id): TestPlan => TestCatalogue::plans(Houses::ringAndLights())["insulation-halves:ring:$id"];

        // 4 · 0.5 · 0.5, 4 · 0.8 · 0.2, and all on one side.
        self::assertEqualsWithDelta(1.0, $evenness->of($plan('ring-r3:in:L–E:towards')), 1e-12);
        self::assertEqualsWithDelta(0.64, $evenness->of($plan('ring-r3:L–E:beyond')), 1e-12);
        self::assertLessThan(0.01, $evenness->of($plan('ring-r1:in:L–E:beyond')));
        self::assertSame(1.0, $evenness->of(TestCatalogue::plans(Houses::ringAndLights())['insulation:ring:L–E']), 'it parts nothing');
        self::assertSame(1.0, (new Evenness([]))->of($plan('ring-r3:L–E:beyond')));
    }

    public function testWhatLiesBeyondARingsPartingEndsWithItsLastLeg(): void
    {
        $beyond = static fn (string $id): array => TestCatalogue::plans(Houses::ringAndLights())["insulation-halves:ring:$id:L–E:beyond"]->beyond;
        $cables = array_keys(array_filter(Houses::ringAndLights()->cables, static fn ($cable): bool => 'ring' === $cable->circuit));
        self::assertContains('ring-r1', $cables);
        $all = $beyond('ring-r1:in');
        self::assertSame([], array_diff($cables, [...$all, 'ring-r1']), 'everything but the first leg');
        self::assertNotContains('ring-r1', $all);
        foreach ($cables as $cable) {
            if (isset(TestCatalogue::plans(Houses::ringAndLights())["insulation-halves:ring:$cable:L–E:beyond"])) {
                self::assertContains($cable, $beyond($cable), 'lifted where it goes on, a cable is beyond');
            }
        }
    }

    private static function standing(string $thing, float $probability): Standing
    {
        $standing = new Standing(Hypothesis::fault(FaultCatalogue::all()['line-earth-leak'], new FaultSite($thing, [$thing], [], $thing), 1.0), 0.0, [], [1.0]);
        $standing->probability = $probability;

        return $standing;
    }
}
