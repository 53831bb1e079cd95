<?php

declare(strict_types=1);

namespace YellowProbe\Sum;

/** Whether the conductors and devices fit in a box by the rules of set B. */
final readonly class BoxFill extends NamedSum
{
    private const CUBIC_INCHES = ['14' => 2.0, '12' => 2.25, '10' => 2.5, '8' => 3.0, '6' => 5.0];

    public function __construct()
    {
        parent::__construct('box-fill', 'Box fill, set B', 'Σ conductors + 2 per yoke + clamps + grounds, in³', 'Rule set B, volume for each conductor', 'A conductor that passes through counts once; pigtails inside do not.');
    }

    public function inputs(): array
    {
        return [Input::choice('size', 'Largest conductor', ['14' => '14 AWG, 2.00 in³', '12' => '12 AWG, 2.25 in³', '10' => '10 AWG, 2.50 in³', '8' => '8 AWG, 3.00 in³', '6' => '6 AWG, 5.00 in³']), Input::number('conductors', 'Conductors, without grounds', '', 4.0, 0.0, 60.0), Input::number('yokes', 'Device yokes', '', 1.0, 0.0, 6.0), Input::choice('clamps', 'Clamps inside', ['yes' => 'yes', 'no' => 'none']), Input::number('grounds', 'Grounds', '', 2.0, 0.0, 30.0), Input::number('box', 'Box', 'in³', 18.0, 1.0, 200.0)];
    }

    public function work(Given $given): array
    {
        $each = self::CUBIC_INCHES[$given->choice('size')];
        $grounds = $given->number('grounds');
        $counted = $given->number('conductors') + 2.0 * $given->number('yokes') + ('yes' === $given->choice('clamps') ? 1.0 : 0.0) + ($grounds > 0.0 ? 1.0 + 0.25 * max(0.0, $grounds - 4.0) : 0.0);
        $needed = $counted * $each;
        $box = $given->number('box');

        return [Figure::of('Needs', $needed, 'in³', $needed > $box), Figure::of('Counts', $counted, ''), Figure::said('So', $needed > $box ? 'Too full: a deeper box, an extension, or fewer conductors.' : \sprintf('It fits, %s in³ are left.', Figure::rounded($box - $needed)), $needed > $box)];
    }
}
