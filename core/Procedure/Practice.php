<?php

declare(strict_types=1);

namespace YellowProbe\Procedure;

use YellowProbe\Installation\House;

/** How this person works: with which testers, what they may do, and which of two ways to the same answer they take. */
final readonly class Practice
{
    /** May do everything a licensed person may. */
    public const ELECTRICIAN = 'electrician';

    /** Nothing live behind a cover, and no earthing or bonding conductor parted. */
    public const ASSISTANT = 'assistant';

    public const ROLES = [self::ELECTRICIAN, self::ASSISTANT];
    public const RESIDUAL = ['either', 'board', 'point'];
    public const LOOP = ['measured', 'calculated'];

    private const RESIDUAL_TESTS = ['rcd-times', 'rcd-ramp'];
    private const LOOP_TESTS = ['zs', 'loop-compare'];
    private const PARTING_EARTHS = ['ze', 'electrode-loop', 'electrode-3-spike', 'bonding-continuity'];

    /**
     * @param string $role     of {@see ROLES}
     * @param string $residual where residual devices are tested, of {@see RESIDUAL}
     * @param string $loop     how the earth fault loop at a point is found, of {@see LOOP}
     *
     * @throws \InvalidArgumentException for a word that is not one of these
     */
    public function __construct(public Kit $kit, public string $role = self::ELECTRICIAN, public string $residual = 'either', public string $loop = 'measured')
    {
        foreach ([[$role, self::ROLES], [$residual, self::RESIDUAL], [$loop, self::LOOP]] as [$word, $known]) {
            if (!\in_array($word, $known, true)) {
                throw new \InvalidArgumentException(\sprintf('"%s" is none of %s.', $word, implode(', ', $known)));
            }
        }
    }

    public static function any(): self
    {
        return new self(Kit::full());
    }

    public function allows(House $house, TestPlan $plan): bool
    {
        return $this->kit->allows($plan) && $this->may($house, $plan) && $this->prefers($house, $plan);
    }

    /** @return list<string> what tells one practice from another */
    public function key(): array
    {
        return [...$this->kit->missing, "role:$this->role", "residual:$this->residual", "loop:$this->loop"];
    }

    private function may(House $house, TestPlan $plan): bool
    {
        if (self::ASSISTANT !== $this->role) {
            return true;
        }
        $live = !$plan->measurement->instrument->deadOnly() && [] !== Access::reached($house, $plan->measurement);

        return !$live && !\in_array($plan->procedure->slug(), self::PARTING_EARTHS, true);
    }

    private function prefers(House $house, TestPlan $plan): bool
    {
        $slug = $plan->procedure->slug();
        if ('either' !== $this->residual && \in_array($slug, self::RESIDUAL_TESTS, true)) {
            return ('board' === $this->residual) === Access::needsBoard($house, $plan->measurement);
        }

        // Calculated, it follows from the external loop and R1+R2, both of which stay.
        return !('calculated' === $this->loop && \in_array($slug, self::LOOP_TESTS, true));
    }
}
