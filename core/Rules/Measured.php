<?php

declare(strict_types=1);

namespace YellowProbe\Rules;

use YellowProbe\Instrument\Clamp;
use YellowProbe\Instrument\ElectrodeTester;
use YellowProbe\Instrument\Instrument;
use YellowProbe\Instrument\InsulationTester;
use YellowProbe\Instrument\LoopTester;
use YellowProbe\Instrument\LowOhmmeter;
use YellowProbe\Instrument\PlugInTester;
use YellowProbe\Instrument\ResidualTester;
use YellowProbe\Instrument\Voltmeter;

/** What a test measures, whichever tester and setting it is done with: limits hold for this. */
enum Measured: string
{
    case Volts = 'volts';
    case Continuity = 'continuity';
    case Insulation = 'insulation';
    case Loop = 'loop';
    case Current = 'current';
    case Electrode = 'electrode';
    case ResidualTime = 'residual-time';
    case ResidualRamp = 'residual-ramp';
    case Lamps = 'lamps';

    /** Null for what no limit is about: a sound, a look, a trace. */
    public static function by(Instrument $instrument): ?self
    {
        return match (true) {
            $instrument instanceof Voltmeter => self::Volts,
            $instrument instanceof LowOhmmeter => self::Continuity,
            $instrument instanceof InsulationTester => self::Insulation,
            $instrument instanceof LoopTester => self::Loop,
            $instrument instanceof Clamp => self::Current,
            $instrument instanceof ElectrodeTester => self::Electrode,
            $instrument instanceof ResidualTester => $instrument->multiple > 0.0 ? self::ResidualTime : self::ResidualRamp,
            $instrument instanceof PlugInTester => self::Lamps,
            default => null,
        };
    }
}
