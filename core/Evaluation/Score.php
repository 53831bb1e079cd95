<?php

declare(strict_types=1);

namespace YellowProbe\Evaluation;

use YellowProbe\Diagnosis\Hypothesis;
use YellowProbe\Diagnosis\StopAdvice;

/**
 * One visit against its truth. "Right" is by groups of causes that no test tells apart; a cause outside the catalogue is
 * right when something else has 0.3 or more, or no repair is advised.
 */
final readonly class Score
{
    /** Nothing is wrong at all; what is wrong is not there during the visit. Both are scored by the advice to stop. */
    public const ABSENT = 'absent';
    public const AT_TIMES = 'at times, not there';

    private const OUTSIDE = 'outside';

    private const SURE = 0.9;
    private const ADMITTED = 0.3;

    /**
     * @param string                          $kind       slug of the fault, "absent" or "outside"
     * @param string                          $truth      id of the cause, or the same
     * @param list<array{float, bool}>        $calibration every group's probability after every step, and whether the truth is in it
     */
    private function __construct(public string $kind, public string $truth, public bool $top, public bool $topThree, public bool $exact, public bool $inLead, public bool $sureAndWrong, public float $tests, public float $minutes, public float $somethingElse, public StopAdvice $advice, public array $calibration)
    {
    }

    /** Whether there was nothing to be found: then no repair is the right advice. */
    public function isQuiet(): bool
    {
        return \in_array($this->kind, [self::ABSENT, self::AT_TIMES], true);
    }

    /** Two faults are found when both are named: together, or one after the other with a repair and its failed proof between. */
    private static function both(string $truth, Outcome $outcome, Groups $groups): bool
    {
        if (!str_contains($truth, '&')) {
            return false;
        }
        $named = array_map($groups->group(...), array_merge(...array_map(Hypothesis::repairsOf(...), $outcome->named)));

        return [] === array_diff(array_map($groups->group(...), Hypothesis::repairsOf($truth)), $named);
    }

    public static function of(Outcome $outcome, Groups $groups): self
    {
        $last = $outcome->last();
        $sums = $groups->sum($last);
        $leading = array_keys($sums);
        $truth = $outcome->truth->hypothesis;
        $group = null === $truth ? null : $groups->group($truth);
        // Of two faults either is a right one to mend first.
        $right = null === $truth ? [] : array_map($groups->group(...), array_unique([$truth, ...explode('&', $truth)]));
        $else = $last[Hypothesis::ELSE] ?? 0.0;
        $admitted = $else >= self::ADMITTED || !$outcome->advice->isSure();
        arsort($last);
        $calibration = [];
        foreach (null === $group ? [] : $outcome->steps as $step) {
            foreach ($groups->sum($step) as $at => $probability) {
                $calibration[] = [$probability, $at === $group];
            }
        }

        return new self(
            match (true) {
                null === $truth => self::OUTSIDE,
                $outcome->isQuiet() => self::AT_TIMES,
                Hypothesis::SOUND === $truth => self::ABSENT,
                str_contains($truth, '&') => 'two faults',
                default => explode('|', $truth)[0],
            },
            $truth ?? self::OUTSIDE,
            null === $group ? $admitted : \in_array($leading[0], $right, true),
            null === $group ? $admitted : \in_array($group, \array_slice($leading, 0, 3), true) || self::both($truth, $outcome, $groups),
            $truth === array_key_first($last),
            null === $truth ? $admitted : [] !== array_intersect([$truth, ...explode('&', $truth)], $outcome->named),
            $sums[$leading[0]] >= self::SURE && !\in_array($leading[0], $right, true) && $groups->group(Hypothesis::ELSE) !== $leading[0],
            $outcome->tests,
            $outcome->minutes,
            $else,
            $outcome->advice,
            $calibration,
        );
    }
}
