<?php

declare(strict_types=1);

namespace YellowProbe\Instrument;

use YellowProbe\Installation\Excitation;
use YellowProbe\Installation\Supply;
use YellowProbe\Network\PortNetwork;

/** What sounds when little enough resistance lies between two dead conductors. Its level is log₁₀ of the ohms. */
final readonly class ContinuitySounder extends OneLevel
{
    private const OPEN = 12.0;

    private function __construct(string $slug, string $words, string $trap, float $ohms)
    {
        parent::__construct($slug, $words, $trap, Excitation::direct(), ['sounds', 'silent'], [log10($ohms)], 0.08, true);
    }

    /** The continuity function of a two-pole indicator: a few microamperes, below 100–500 kΩ. */
    public static function indicator(): self
    {
        return new self('two-pole-continuity', 'Indicator, continuity', 'Sounds through lamps, heaters, motors, damp, and the supply’s own link of neutral and earth: a sound at 0 V is not a voltage.', 300e3);
    }

    /** A multimeter's buzzer: about 1 mA, below 30–100 Ω. */
    public static function buzzer(): self
    {
        return new self('buzzer', 'Buzzer', 'Silent where a two-pole indicator sounds: through the ground, a cold heater, a coil.', 55.0);
    }

    public function apply(PortNetwork $ports, array $leads, Supply $supply): Shown
    {
        [$siemens] = $ports->norton($leads[0]);

        return Shown::levels([$siemens->re > 0.0 ? min(self::OPEN, -log10($siemens->re)) : self::OPEN]);
    }
}
