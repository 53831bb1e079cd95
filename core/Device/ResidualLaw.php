<?php

declare(strict_types=1);

namespace YellowProbe\Device;

use YellowProbe\Installation\Part;
use YellowProbe\Installation\Ratings;

/**
 * When a residual device opens: its trip current on a slow rise and its time at a current, as sound devices of its kind
 * behave (typical values T4). Types say what else it trips on (T14); here the current is sinusoidal.
 */
final readonly class ResidualLaw
{
    /** rating in mA => trip current in mA and its standard deviation: general, and delayed (S) */
    private const GENERAL = [10 => [7.3, 0.8], 30 => [22.0, 2.0], 100 => [72.0, 9.0], 300 => [220.0, 30.0]];
    private const DELAYED = [100 => [75.0, 9.0], 300 => [225.0, 30.0]];

    /** A personnel device holds below 4 mA and trips at 6. */
    private const PERSONNEL_BELOW = 0.007;
    private const GROUNDED_NEUTRAL_OHMS = 4.0;

    /** Of its rating, at which a sound specimen opens whatever little is lost on the way. */
    private const SURELY = 0.97;

    /** @param float $holdsAmperes it must not open below this */
    private function __construct(public float $ratedAmperes, public float $tripAmperes, public float $spread, private bool $delayed, public float $holdsAmperes)
    {
    }

    public static function of(Part $device): self
    {
        $milliamps = Ratings::residualMilliamperes($device);
        $delayed = Ratings::isDelayed($device);
        if ($milliamps / 1000.0 < self::PERSONNEL_BELOW) {
            return new self(0.006, 0.005, 0.06, false, 0.004);
        }
        [$trip, $sigma] = ($delayed ? self::DELAYED[(int) $milliamps] ?? null : null) ?? self::GENERAL[(int) $milliamps] ?? [0.73 * $milliamps, 0.09 * $milliamps];

        return new self($milliamps / 1000.0, $trip / 1000.0, $sigma / $trip, $delayed, $milliamps / 2000.0);
    }

    /**
     * A specimen's trip current over what is usual for its kind, kept to what its kind allows: one that opens sooner or later than that
     * is faulty, and another cause.
     *
     * @param float $drawn as specimens scatter
     */
    public function specimen(float $drawn): float
    {
        return max($this->holdsAmperes, min(self::SURELY * $this->ratedAmperes, $this->tripAmperes * $drawn)) / $this->tripAmperes;
    }

    /** Seconds a sound device takes at a residual current that trips it. */
    public function seconds(float $amperes): float
    {
        if ($this->ratedAmperes < self::PERSONNEL_BELOW) {
            // 150 ms at 6 mA and 25 ms at 30 mA
            return 0.150 * (0.006 / $amperes) ** 1.113;
        }
        $times = $this->ratedAmperes / $amperes;

        // 25 ms at 1 ×, 15 ms at 5 ×; delayed 220 and 90 ms
        return $this->delayed ? 0.0575 + 0.1625 * $times : 0.0125 + 0.0125 * $times;
    }

    /** Longest time that the kind allows at a current, s; null where the device must not open. Personnel devices: (20/I)^1.43, I in mA. */
    public function longest(float $amperes): ?float
    {
        if ($this->ratedAmperes < self::PERSONNEL_BELOW) {
            return $amperes < 0.006 ? null : (20.0 / (1000.0 * $amperes)) ** 1.43;
        }
        $times = $amperes / $this->ratedAmperes;

        return match (true) {
            $times < 1.0 => null,
            $this->delayed => $times >= 5.0 ? 0.15 : ($times >= 2.0 ? 0.2 : 0.5),
            default => $times >= 5.0 ? 0.04 : ($times >= 2.0 ? 0.15 : 0.3),
        };
    }

    /** Earliest time that the kind allows, s: a delayed device has to let others open first. */
    public function shortest(float $amperes): float
    {
        $times = $amperes / $this->ratedAmperes;

        return !$this->delayed || $times < 1.0 ? 0.0 : ($times >= 5.0 ? 0.05 : ($times >= 2.0 ? 0.06 : 0.13));
    }

    /** Probability that a specimen opens at a residual current that rises slowly to this: the spread of its kind. */
    public function probability(float $amperes): float
    {
        $z = ($amperes / $this->tripAmperes - 1.0) / $this->spread;

        return 1.0 / (1.0 + exp(-1.702 * $z));
    }

    /**
     * Whether a contact of neutral and earth beyond the device opens it without any load: a device for persons drives a
     * small signal around its own conductors and feels a loop of some ohms or less through the earth.
     *
     * @param float $ohms of that loop, from its outgoing neutral by way of the earth to its incoming one
     */
    public function feelsGroundedNeutral(float $ohms): bool
    {
        return $this->ratedAmperes < self::PERSONNEL_BELOW && $ohms < self::GROUNDED_NEUTRAL_OHMS;
    }
}
