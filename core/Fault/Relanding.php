<?php

declare(strict_types=1);

namespace YellowProbe\Fault;

use YellowProbe\Installation\House;
use YellowProbe\Installation\Shunts;

/** A core's end taken off its terminal and landed on another one, with what the cable couples at that end. */
final class Relanding
{
    /** @param string $joint "cable/core@end" */
    public static function of(House $house, string $joint, string $terminal): Change
    {
        [$core, $end] = $house->joint($joint) ?? throw new \LogicException("There is no joint $joint to land elsewhere.");
        $without = [$core->element()];
        $with = [NewBranch::moved($core->element(), 1 === $end ? $terminal : null, 2 === $end ? $terminal : null)];
        foreach (Shunts::of($house->cables[$core->cable], $core, $end) as [$shunt, $isFirst]) {
            $without[] = $shunt;
            $with[] = NewBranch::moved($shunt, $isFirst ? $terminal : null, $isFirst ? null : $terminal);
        }

        return new Change($without, $with, $joint);
    }

    /** Two ends exchanged: each lands where the other was. */
    public static function exchanged(House $house, string $one, string $other): Change
    {
        return self::of($house, $one, self::terminal($house, $other))->and(self::of($house, $other, self::terminal($house, $one)));
    }

    public static function terminal(House $house, string $joint): string
    {
        [$core, $end] = $house->joint($joint) ?? throw new \LogicException("There is no joint $joint.");

        return $core->ends[$end - 1] ?? throw new \LogicException("The joint $joint lands nowhere.");
    }
}
