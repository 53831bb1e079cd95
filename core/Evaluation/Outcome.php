<?php

declare(strict_types=1);

namespace YellowProbe\Evaluation;

use YellowProbe\Diagnosis\Presence;
use YellowProbe\Diagnosis\StopAdvice;

/** How one visit went. */
final readonly class Outcome
{
    /**
     * @param non-empty-list<array<string, float>> $steps hypothesis => probability after each reading, before the first leading
     * @param bool                                 $isBroughtOut whether some reading was taken under a load that notices a cause which only a load brings out
     * @param list<string>                         $named causes of the suspects that led at the end, its places together, and before each repair
     */
    public function __construct(public Truth $truth, public array $steps, public int $tests, public float $minutes, public StopAdvice $advice, public array $named, private bool $isBroughtOut = false)
    {
    }

    /** Whether the cause comes and goes, and was not there whenever something was read that would have shown it. */
    public function isQuiet(): bool
    {
        return match ($this->truth->presence) {
            Presence::Never => true,
            Presence::Forced => !$this->isBroughtOut,
            Presence::AtRest, Presence::Always => false,
        };
    }

    /** @return array<string, float> at the end */
    public function last(): array
    {
        return $this->steps[\count($this->steps) - 1];
    }
}
