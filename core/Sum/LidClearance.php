<?php

declare(strict_types=1);

namespace YellowProbe\Sum;

/** Whether the lid of a board clears the wall beside it. */
final readonly class LidClearance extends NamedSum
{
    public function __construct()
    {
        parent::__construct('lid-clearance', 'Room for a lid beside a wall', '√(d² + w²) when a lid of width w and depth d swings on its corner', 'Geometry', 'A lid that cannot open far enough hides the switches it covers: local rules on access decide.');
    }

    public function inputs(): array
    {
        return [Input::number('width', 'Width of the lid', 'mm', 120.0, 1.0, 2000.0), Input::number('depth', 'Depth of the lid', 'mm', 25.0, 0.0, 500.0), Input::number('gap', 'From the hinge to the wall', 'mm', 90.0, 0.0, 3000.0)];
    }

    public function work(Given $given): array
    {
        $reach = hypot($given->number('width'), $given->number('depth'));
        $gap = $given->number('gap');
        $opens = $gap >= $reach ? 180.0 : 90.0 + rad2deg(asin(max(-1.0, min(1.0, $gap / $reach)))) - rad2deg(atan2($given->number('depth'), $given->number('width')));

        return [Figure::of('Swings out to', $reach, 'mm', $gap < $reach), Figure::of('Opens to about', min(180.0, $opens), '°', $opens < 90.0), Figure::said('So', $gap >= $reach ? 'It clears the wall.' : 'It meets the wall before it is open.', $gap < $reach)];
    }
}
