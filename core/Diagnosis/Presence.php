<?php

declare(strict_types=1);

namespace YellowProbe\Diagnosis;

/** When a fault that comes and goes is there in this half hour: while the house rests, while a heater loads it, both, or neither. */
enum Presence: int
{
    case Never = 0;
    case AtRest = 1;
    case Loaded = 2;
    case Always = 3;

    public function shows(bool $isLoaded): bool
    {
        return 0 !== ($this->value & ($isLoaded ? self::Loaded : self::AtRest)->value);
    }

    /**
     * @param float $atRest   how likely it is there while the house rests
     * @param float $loaded   and while it is loaded
     * @param float $known    how likely it was there in some stretch of this half hour, whatever brought it out
     * @param bool  $isLoaded whether a load brings it out; if not it is there under a load when it is there at rest
     *
     * @return array<int, float> shares by presence; what was seen by other means than a load may show in neither. What sums to less than 1 is quiet
     */
    public static function shares(float $atRest, float $loaded, float $known, bool $isLoaded): array
    {
        $shares = $isLoaded
            ? [self::AtRest->value => $atRest * (1.0 - $loaded), self::Loaded->value => (1.0 - $atRest) * $loaded, self::Always->value => $atRest * $loaded]
            : [self::AtRest->value => 0.0, self::Loaded->value => 0.0, self::Always->value => $atRest];

        return [self::Never->value => max(0.0, $known - array_sum($shares))] + $shares;
    }
}
