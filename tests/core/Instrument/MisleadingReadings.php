<?php

declare(strict_types=1);

namespace YellowProbe\Tests\Instrument;

use PHPUnit\Framework\TestCase;
use YellowProbe\Fault\Change;
use YellowProbe\Installation\House;
use YellowProbe\Installation\State;
use YellowProbe\Instrument\Bench;
use YellowProbe\Instrument\Connection;
use YellowProbe\Instrument\Instruments;
use YellowProbe\Instrument\Measurement;
use YellowProbe\Instrument\PatternInstrument;
use YellowProbe\Instrument\Shown;

/** The readings that mislead, as the model makes them: how they are read. */
abstract class MisleadingReadings extends TestCase
{
    protected function pattern(House $house, string $tester, Connection $connection, State $state, ?Change $change = null): string
    {
        $instrument = Instruments::get($tester);
        \assert($instrument instanceof PatternInstrument);

        return $instrument->pattern($this->shown($house, $tester, $connection, $state, $change));
    }

    protected function residual(House $house, string $tester, string $line, string $earth, ?Change $change = null): Shown
    {
        return $this->shown($house, $tester, Connection::acting([$line, $earth], ['+rcd/L', '+rcd/N']), State::resting($house), $change);
    }

    protected function reading(House $house, string $tester, Connection $connection, State $state, ?Change $change = null): float
    {
        return $this->shown($house, $tester, $connection, $state, $change)->value;
    }

    protected function shown(House $house, string $tester, Connection $connection, State $state, ?Change $change = null): Shown
    {
        return $this->read($house, new Measurement($state, Instruments::get($tester), $connection), $change);
    }

    protected function read(House $house, Measurement $measurement, ?Change $change = null): Shown
    {
        return (new Bench($house, $measurement->state, $measurement->instrument, $measurement->connection))->read($change);
    }
}
