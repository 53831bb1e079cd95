<?php

declare(strict_types=1);

namespace YellowProbe\Instrument;

use YellowProbe\Installation\Excitation;
use YellowProbe\Installation\Supply;
use YellowProbe\Network\PortNetwork;

/**
 * The two-pole voltage indicator: steps 12 to 400 V at about 200 kΩ, or at 7 kΩ with both load buttons pressed. What it
 * shows is the highest step reached; its steps are true to 15 %.
 */
final readonly class TwoPoleIndicator extends OneLevel
{
    /** Below it no voltage is found (handbook, section 3). */
    public const LOWEST_STEP_VOLTS = 12.0;

    private const STEPS = [12.0, 24.0, 50.0, 120.0, 230.0, 400.0];

    /** A step lights a little before its name, so that a low supply still lights the step of its nominal voltage. */
    private const REACHED = 0.85;

    private function __construct(string $slug, string $words, string $trap, private float $inputOhms)
    {
        parent::__construct($slug, $words, $trap, Excitation::mains(), ['0', '12', '24', '50', '120', '230', '400'], array_map(static fn (float $step): float => self::REACHED * $step, self::STEPS), 0.05);
    }

    public static function plain(): self
    {
        return new self('two-pole-indicator', 'Voltage indicator', 'A floating conductor can light a low step through capacitance: press the load buttons.', 200e3);
    }

    public static function loaded(): self
    {
        return new self('two-pole-indicator-load', 'Voltage indicator, load buttons', 'Line to earth it draws 23–46 mA and trips 30 mA devices.', 7e3);
    }

    /** The highest step that so many volts light, such as "230"; "0" below the lowest. */
    public function lit(float $volts): string
    {
        $lit = '0';
        foreach (self::STEPS as $step) {
            $lit = $volts >= self::REACHED * $step ? (string) $step : $lit;
        }

        return $lit;
    }

    public function apply(PortNetwork $ports, array $leads, Supply $supply): Shown
    {
        return Shown::levels([Voltmeter::across($ports, $leads, $this->inputOhms)]);
    }

    protected function spreadAt(int $edge): float
    {
        return 0.05 * $this->edge($edge);
    }
}
