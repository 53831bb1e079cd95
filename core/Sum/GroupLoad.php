<?php

declare(strict_types=1);

namespace YellowProbe\Sum;

/** What can be drawn through a jumper or a shared device, against what it carries. */
final readonly class GroupLoad extends NamedSum
{
    public function __construct()
    {
        parent::__construct('group-load', 'Load behind a jumper or a device', 'Σ Iₙ, and Σ Iₙ · diversity', 'Sum of ratings; the diversity is a judgement', 'Future ways count: a jumper is chosen for what the board can hold, and the upstream device may protect it.');
    }

    public function inputs(): array
    {
        return [Input::numbers('amperes', 'Ratings behind it', 'A', [32.0, 32.0, 16.0, 6.0, 6.0], 0.5, 125.0), Input::number('diversity', 'Diversity', '', 0.6, 0.1, 1.0), Input::number('rated', 'Jumper or device', 'A', 63.0, 1.0, 200.0), Input::number('upstream', 'Device before it', 'A', 80.0, 1.0, 400.0)];
    }

    public function work(Given $given): array
    {
        $sum = array_sum($given->numbers('amperes'));
        $diverse = $given->number('diversity') * $sum;
        $rated = $given->number('rated');
        $isProtected = $given->number('upstream') <= $rated;

        return [
            Figure::of('All together', $sum, 'A', $sum > $rated && !$isProtected),
            Figure::of('With diversity', $diverse, 'A', $diverse > $rated),
            Figure::said('So', $isProtected ? 'The device before it protects it, whatever is behind.' : ($sum <= $rated ? 'It carries everything behind it.' : ($diverse <= $rated ? 'It carries that only with diversity: judge whether that holds.' : 'Too small, even with diversity.')), !$isProtected && $diverse > $rated),
        ];
    }
}
