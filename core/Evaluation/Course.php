<?php

declare(strict_types=1);

namespace YellowProbe\Evaluation;

use YellowProbe\Diagnosis\Evidence;
use YellowProbe\Installation\Part;
use YellowProbe\Installation\State;
use YellowProbe\Procedure\Opened;
use YellowProbe\Procedure\TestPlan;

/** What has been done so far on one visit, and what the house has become by it. */
final class Course
{
    public float $minutes = 0.0;

    /** @var list<Evidence> */
    public array $evidence = [];

    /** @var array<array-key, TestPlan> of the readings, by id */
    public array $plans = [];

    public int $repairs = 0;

    /** @var list<string> what was repaired */
    public array $repaired = [];

    /** @var list<string> repairs that were asked for so far, of all places that led together */
    public array $named = [];

    /** @var array<string, true> devices, with what had been repaired, that were seen to stay closed under a test */
    public array $held = [];

    /** @var array<string, list<Part>> devices that do not stay closed, by what had been repaired */
    public array $opening = [];

    /** Whether some reading was taken under a load that notices a cause which only a load brings out. */
    public bool $isBroughtOut = false;

    /** How many tests were done, or tried. */
    public int $tests = 0;

    /** Whether the complaint was still there when it was tried last. */
    public bool $isBack = false;

    /** How often it was tried once more because of that. */
    public int $again = 0;

    public function __construct(public State $state, public Opened $opened, public Truth $truth)
    {
    }

    /** Of the next reading. */
    public function id(): string
    {
        return \sprintf('%02d', \count($this->evidence));
    }
}
