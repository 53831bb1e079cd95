<?php

declare(strict_types=1);

namespace YellowProbe\Diagnosis;

use YellowProbe\Installation\House;
use YellowProbe\Installation\Role;
use YellowProbe\Installation\State;
use YellowProbe\Procedure\TestPlan;

/**
 * What is never proposed while a cause is likely enough that the test itself would make it worse (handbook, 15): no conductor is
 * parted and nothing loaded while a supply or shared neutral is suspect, since whoever parts it, or loads it, puts the supply on what
 * hangs on the other side; and no joint that gets hot is loaded to see it better.
 */
final readonly class Veto
{
    /** From these shares of belief on. A neutral before the house can be the only one left: one in ten is too much to part anything. */
    private const NEUTRAL = 0.1;
    private const HOT = 0.5;

    private const NEUTRALS = ['supply-neutral-open', 'lost-supply-neutral', 'lost-pen', 'loose-neutral-bar'];
    private const JOINTS = ['high-resistance-joint', 'accessory-contact', 'overloaded-outlet', 'loose-busbar', 'loose-neutral-bar'];

    private float $neutral;

    /** @var array<string, float> circuit => how likely its neutral is open */
    private array $open;

    /** @var array<string, float> circuit => how likely a joint on it gets hot */
    private array $hot;

    /** @param list<Standing> $standings */
    public function __construct(private House $house, array $standings)
    {
        $neutral = 0.0;
        $open = $hot = [];
        foreach ($standings as $standing) {
            foreach ([] === $standing->hypothesis->both ? [$standing->hypothesis] : $standing->hypothesis->both as $one) {
                $kind = $one->isRepaired ? '' : $one->kind?->slug() ?? '';
                $neutral += \in_array($kind, self::NEUTRALS, true) ? $standing->probability : 0.0;
                foreach ($this->circuitsOf($one) as $circuit) {
                    $open[$circuit] = ($open[$circuit] ?? 0.0) + ('open-neutral' === $kind ? $standing->probability : 0.0);
                    $hot[$circuit] = ($hot[$circuit] ?? 0.0) + (\in_array($kind, self::JOINTS, true) ? $standing->probability : 0.0);
                }
            }
        }
        $this->neutral = $neutral;
        $this->open = $open;
        $this->hot = $hot;
    }

    /** Whether nothing speaks against proposing it. */
    public function allows(TestPlan $plan): bool
    {
        $state = $plan->measurement->state;
        if ($this->neutral >= self::NEUTRAL && ($state->isLoaded() || $this->parts($state))) {
            return false;
        }
        if (!$state->isLoaded()) {
            return true;
        }
        foreach ($plan->measurement->circuits($this->house) as $circuit) {
            if (($this->open[$circuit] ?? 0.0) >= self::NEUTRAL || ($this->hot[$circuit] ?? 0.0) >= self::HOT) {
                return false;
            }
        }

        return true;
    }

    private function parts(State $state): bool
    {
        foreach (array_keys($state->lifted) as $joint) {
            $core = $this->house->joint((string) $joint)[0] ?? null;
            if (null !== $core && \in_array($core->role, [Role::Neutral, Role::Earth], true)) {
                return true;
            }
        }

        return false;
    }

    /** @return list<string> circuits that a cause is on */
    private function circuitsOf(Hypothesis $one): array
    {
        $own = null === $one->site?->circuit ? [] : [$one->site->circuit];

        return array_values(array_unique(array_merge($own, ...array_map($this->house->circuitsAt(...), $one->site->places ?? []))));
    }
}
