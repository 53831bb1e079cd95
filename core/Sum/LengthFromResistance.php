<?php

declare(strict_types=1);

namespace YellowProbe\Sum;

/** How long a conductor is, by its resistance. */
final readonly class LengthFromResistance extends NamedSum
{
    public function __construct()
    {
        parent::__construct('length', 'Resistance to length', 'L = R / r, r at its temperature', 'Copper at 20 °C, ± 3 %, and 0.4 % more for each kelvin', 'A joint of half an ohm is 70 m of 2.5 mm²: two conductors of one cable that disagree are no length.');
    }

    public function inputs(): array
    {
        return [Input::number('ohms', 'Resistance, one conductor', 'Ω', 0.37, 0.0, 1000.0), Input::choice('size', 'Conductor', Conductor::sizes()), Input::number('celsius', 'Temperature', '°C', 20.0, -20.0, 90.0)];
    }

    public function work(Given $given): array
    {
        $metres = $given->number('ohms') / Conductor::ohmsPerMetre($given->choice('size'), $given->number('celsius'));

        return [Figure::of('Length', $metres, 'm'), Figure::said('With copper as it is made', \sprintf('%s to %s m', Figure::rounded($metres / 1.03), Figure::rounded($metres / 0.97)))];
    }
}
