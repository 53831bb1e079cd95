<?php

declare(strict_types=1);

namespace YellowProbe\Instrument;

/** The register of testers. A new tester is one new class and its row here. */
final class Instruments
{
    /** @return array<string, Instrument> by slug */
    public static function all(): array
    {
        $all = [];
        foreach ([Voltmeter::highImpedance(), Voltmeter::lowImpedance(), new PlugInTester(), new LowOhmmeter(), new InsulationTester(), new LoopTester(), new LeakageClamp()] as $instrument) {
            $all[$instrument->slug()] = $instrument;
        }

        return $all;
    }

    /** @throws \OutOfBoundsException */
    public static function get(string $slug): Instrument
    {
        return self::all()[$slug] ?? throw new \OutOfBoundsException(\sprintf('No tester is called "%s"; known are %s.', $slug, implode(', ', array_keys(self::all()))));
    }
}
