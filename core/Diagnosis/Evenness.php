<?php

declare(strict_types=1);

namespace YellowProbe\Diagnosis;

use YellowProbe\Procedure\TestPlan;

/** How evenly a parting of a circuit parts what still fits: before anything is worked out, that says which partings are worth weighing. */
final readonly class Evenness
{
    /** Of a parting that all causes lie on one side of: it may still tell which pair of poles it is. */
    private const LEAST = 1e-3;

    /** @var list<array{float, list<string>}> probability of each cause, and the parts and cables that it is at */
    private array $causes;

    private float $all;

    /** @param list<Standing> $standings */
    public function __construct(array $standings)
    {
        $causes = [];
        foreach ($standings as $standing) {
            // Terminals, joints and elements are named after the part or the cable that they are of.
            $things = array_map(static fn (string $thing): string => explode('.', explode('/', $thing, 2)[0], 2)[0], $standing->hypothesis->site->things ?? []);
            $causes[] = [$standing->probability, $things];
        }
        $this->causes = $causes;
        $this->all = array_sum(array_column($causes, 0));
    }

    /** @return float 1 where half of what still fits lies beyond the parting, and for tests that part nothing; towards 0 the less even it is */
    public function of(TestPlan $plan): float
    {
        if ([] === $plan->beyond || 0.0 === $this->all) {
            return 1.0;
        }
        $beyond = array_fill_keys($plan->beyond, true);
        $sum = 0.0;
        foreach ($this->causes as [$probability, $things]) {
            foreach ($things as $thing) {
                if (isset($beyond[$thing])) {
                    $sum += $probability;
                    break;
                }
            }
        }
        $share = $sum / $this->all;

        return max(self::LEAST, 4.0 * $share * (1.0 - $share));
    }
}
