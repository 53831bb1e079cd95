<?php

declare(strict_types=1);

namespace YellowProbe\Survey;

/** What one device of a board takes with it when it opens, and whether it is large enough for what is behind it. */
final readonly class DeviceJudgement
{
    /**
     * @param list<string> $circuits names of what goes off with it
     * @param float|null   $amperes  its rating; null where it is not known
     * @param float        $sum      of the ratings of the circuits behind it, A
     * @param float        $diverse  the same with diversity, A
     * @param list<string> $remarks  what somebody should know or change, in words
     */
    public function __construct(public string $device, public array $circuits, public ?float $amperes, public float $sum, public float $diverse, public array $remarks)
    {
    }
}
