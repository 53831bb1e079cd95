<?php

declare(strict_types=1);

namespace YellowProbe\Tests\Diagnosis;

use PHPUnit\Framework\Attributes\DataProvider;
use YellowProbe\Diagnosis\Standing;
use YellowProbe\Diagnosis\Veto;
use YellowProbe\Procedure\TestCatalogue;
use YellowProbe\Procedure\TestPlan;

/** What is never proposed while the test itself would make a likely cause worse. */
final class VetoTest extends Asked
{
    /** @return iterable<string, array{string, float, bool, bool, bool}> cause, share; whether a loaded test, a parted neutral, a plain one is allowed */
    public static function causes(): iterable
    {
        yield 'a neutral lost before the house' => ['lost-pen', 0.1, false, false, true];
        yield 'one that is hardly likely' => ['lost-pen', 0.09, true, true, true];
        yield 'an open neutral of the circuit' => ['open-neutral', 0.1, false, true, true];
        yield 'a joint that gets hot' => ['high-resistance-joint', 0.5, false, true, true];
        yield 'a joint that may' => ['high-resistance-joint', 0.4, true, true, true];
        yield 'a reversed pair' => ['line-neutral-reversed', 0.9, true, true, true];
    }

    #[DataProvider('causes')]
    public function testNothingIsLoadedOrPartedThatWouldMakeItWorse(string $kind, float $share, bool $loaded, bool $parted, bool $plain): void
    {
        $standings = [];
        foreach (self::space(['none']) as $hypothesis) {
            if ($kind === $hypothesis->kind?->slug() && !$hypothesis->intermittent && [] === $standings && \in_array($hypothesis->site?->circuit, [null, 'ring'], true)) {
                $standing = new Standing($hypothesis, 0.0, [], [1.0]);
                $standing->probability = $share;
                $standings[] = $standing;
            }
        }
        self::assertCount(1, $standings);
        $veto = new Veto(self::$house, $standings);
        $ring = static fn (TestPlan $plan): bool => \in_array('ring', $plan->measurement->circuits(self::$house), true);
        $plans = array_filter(TestCatalogue::plans(self::$house), $ring);
        $isParted = static fn (TestPlan $plan): bool => [] !== array_filter(array_keys($plan->measurement->state->lifted), static fn (int|string $joint): bool => str_contains((string) $joint, '/N@'));
        $all = static fn (\Closure $of): array => array_values(array_unique(array_map($veto->allows(...), array_filter($plans, $of))));
        self::assertSame([$loaded], $all(static fn (TestPlan $plan): bool => $plan->measurement->state->isLoaded()));
        self::assertSame([$parted], $all(static fn (TestPlan $plan): bool => $isParted($plan) && !$plan->measurement->state->isLoaded()));
        self::assertSame([$plain], $all(static fn (TestPlan $plan): bool => !$plan->measurement->state->isLoaded() && [] === $plan->measurement->state->lifted));
    }
}
