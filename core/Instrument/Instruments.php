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
            new NonContact(), new PlugInTester(), new LowOhmmeter(), InsulationTester::at500(), InsulationTester::at250(), LoopTester::highCurrent(), LoopTester::noTrip(),
            Clamp::leakage(), Clamp::ordinary(), Clamp::logger(), new ElectrodeTester(), new CapacitanceMeter(), new Tracer(), new ThermalCamera(), ...ResidualTester::settings(),
        ] as $instrument) {
            self::$all[$instrument->slug()] = $instrument;
        }

        return self::$all;
    }

    /** @throws \OutOfBoundsException */
    public static function get(string $slug): Instrument
    {
        return self::all()[$slug] ?? throw new \OutOfBoundsException(\sprintf('No tester is called "%s"; known are %s.', $slug, implode(', ', array_keys(self::all()))));
    }
}
