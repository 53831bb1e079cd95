<?php

declare(strict_types=1);

namespace YellowProbe\Sum;

/** What a load loses on its way, and how far it could go. */
final readonly class VoltDrop extends NamedSum
{
    public function __construct()
    {
        parent::__construct('volt-drop', 'Voltage drop', 'ΔU = I·(r of line + r of neutral)·L', 'Copper at 20 °C and 0.4 % more for each kelvin; the limit is the rule set’s', 'Joints are not in it: a circuit that drops more than this has one.');
    }

    public function inputs(): array
    {
        return [Input::number('amperes', 'Load', 'A', 10.0, 0.01, 125.0), Input::number('metres', 'Length, one way', 'm', 20.0, 0.1, 2000.0), Input::choice('size', 'Conductors', Conductor::sizes()), Input::number('celsius', 'Temperature', '°C', 70.0, -20.0, 90.0), Input::number('volts', 'Nominal', 'V', 230.0, 50.0, 440.0), Input::number('percent', 'Limit', '%', 5.0, 0.5, 20.0)];
    }

    public function work(Given $given): array
    {
        $ohms = 2.0 * Conductor::ohmsPerMetre($given->choice('size'), $given->number('celsius')) * $given->number('metres');
        $volts = $given->number('amperes') * $ohms;
        $percent = 100.0 * $volts / $given->number('volts');
        $limit = $given->number('percent');

        return [
            Figure::of('Drop', $volts, 'V', $percent > $limit),
            Figure::of('Of the nominal', $percent, '%', $percent > $limit),
            Figure::of('Longest run within the limit', $limit / 100.0 * $given->number('volts') / $given->number('amperes') * $given->number('metres') / $ohms, 'm'),
        ];
    }
}
