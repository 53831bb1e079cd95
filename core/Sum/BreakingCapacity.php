<?php

declare(strict_types=1);

namespace YellowProbe\Sum;

/** What flows on a dead short, with the tester’s error, against what the device can break. */
final readonly class BreakingCapacity extends NamedSum
{
    public function __construct()
    {
        parent::__construct('breaking-capacity', 'Fault current and breaking capacity', 'I = U / Z', 'Ohm’s law, and the usual accuracy of a loop tester', 'Below 0.05 Ω without a fine mode the tester’s error is the reading.');
    }

    public function inputs(): array
    {
        return [Input::number('ohms', 'Loop at the origin', 'Ω', 0.12, 0.001, 2000.0), Input::number('volts', 'Volts', 'V', 230.0, 50.0, 440.0), Input::number('capacity', 'Breaking capacity', 'kA', 6.0, 0.5, 100.0), Input::choice('mode', 'Tester', ['plain' => '0.01 Ω, 4 % and 4 digits', 'fine' => '0.001 Ω, 4 % and 4 digits'])];
    }

    public function work(Given $given): array
    {
        $ohms = $given->number('ohms');
        $error = 0.04 * $ohms + 4.0 * ('fine' === $given->choice('mode') ? 0.001 : 0.01);
        $amperes = $given->number('volts') / $ohms / 1e3;
        $most = $ohms > $error ? $given->number('volts') / ($ohms - $error) / 1e3 : \INF;
        $breaks = $given->number('capacity');

        return [
            Figure::of('Prospective fault current', $amperes, 'kA', $amperes > $breaks),
            Figure::of('With the tester’s error, up to', $most, 'kA', $most > $breaks),
            Figure::said('So', $amperes > $breaks ? 'The device cannot break it.' : ($most > $breaks ? 'It may be too much: read it with a finer mode.' : 'The device breaks it.'), $most > $breaks),
        ];
    }
}
