<?php

declare(strict_types=1);

namespace YellowProbe\Diagnosis;

/** When a fault that comes and goes is there in this half hour: while nothing is done to bring it out, while something is (a heater, water, a tap), both, or neither. */
enum Presence: int
{
    case Never = 0;
    case AtRest = 1;
    case Forced = 2;
    case Always = 3;

    public function shows(bool $isForced): bool
    {
        return 0 !== ($this->value & ($isForced ? self::Forced : self::AtRest)->value);
    }

    /**
     * @param float $atRest   how likely it is there while the house rests
     * @param float $forced   and while it is brought out
     * @param float $known    how likely it was there in some stretch of this half hour, whatever brought it out
     * @param bool  $isForced whether what is done brings it out; if not it is there meanwhile when it is there at rest
     *
     * @return array<int, float> shares by presence; what was brought out by other means may show in neither. What sums to less than 1 is quiet
     */
    public static function shares(float $atRest, float $forced, float $known, bool $isForced): array
    {
        $shares = $isForced
            ? [self::AtRest->value => $atRest * (1.0 - $forced), self::Forced->value => (1.0 - $atRest) * $forced, self::Always->value => $atRest * $forced]
            : [self::AtRest->value => 0.0, self::Forced->value => 0.0, self::Always->value => $atRest];

        return [self::Never->value => max(0.0, $known - array_sum($shares))] + $shares;
    }
}
