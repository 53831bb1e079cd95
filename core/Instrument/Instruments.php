<?php

declare(strict_types=1);

namespace YellowProbe\Instrument;

/** The register of testers. A new tester is one new class and its row here. */
final class Instruments
{
    /** @var array<string, Instrument> */
    private static array $all = [];

    /** @return array<string, Instrument> by slug */
    public static function all(): array
    {
        if ([] !== self::$all) {
            return self::$all;
        }
        foreach ([
            Voltmeter::highImpedance(), Voltmeter::lowImpedance(), TwoPoleIndicator::plain(), TwoPoleIndicator::loaded(), ContinuitySounder::indicator(), ContinuitySounder::buzzer(),
            new NonContact(), new PlugInTester(), new LowOhmmeter(), InsulationTester::at500(), InsulationTester::at250(), InsulationTester::at1000(), LoopTester::highCurrent(), LoopTester::noTrip(),
            Clamp::leakage(), Clamp::ordinary(), Clamp::logger(), new ElectrodeTester(), new EarthClamps(), new CapacitanceMeter(), new LeakLocator(), new Tracer(), new ThermalCamera(), DeviceWatch::closed(), new LampWatch(), ...ResidualTester::settings(),
        ] as $instrument) {
            self::$all[$instrument->slug()] = $instrument;
        }

        return self::$all;
    }

    /**
     * Settings of one tester belong together.
     *
     * @return array<string, list<Instrument>> what the tester is called => its settings
     */
    public static function families(): array
    {
        $families = [];
        foreach (self::all() as $slug => $instrument) {
            $families[match (true) {
                str_starts_with($slug, 'voltmeter') => 'Volts',
                str_starts_with($slug, 'loop') => 'Loop',
                str_starts_with($slug, 'insulation') => 'Insulation',
                str_starts_with($slug, 'rcd') => 'Residual tester',
                $instrument instanceof Clamp => 'Clamp',
                \in_array($slug, ['device-watch', 'lamp'], true) => 'Device, lamp',
                $instrument instanceof TwoPoleIndicator, $instrument instanceof ContinuitySounder => 'Indicator, buzzer',
                \in_array($slug, ['plug-in-tester', 'low-ohm'], true) => $instrument->words(),
                default => 'Others',
            }][] = $instrument;
        }

        return $families;
    }

    /** @throws \OutOfBoundsException */
    public static function get(string $slug): Instrument
    {
        return self::all()[$slug] ?? throw new \OutOfBoundsException(\sprintf('No tester is called "%s"; known are %s.', $slug, implode(', ', array_keys(self::all()))));
    }
}
