<?php

declare(strict_types=1);

namespace YellowProbe\Sum;

/** How thick a protective conductor has to be to survive the fault. */
final readonly class EarthSize extends NamedSum
{
    private const SIZES = [1.0, 1.5, 2.5, 4.0, 6.0, 10.0, 16.0, 25.0];

    public function __construct()
    {
        parent::__construct('cpc-size', 'Size of a protective conductor', 'S = √(I²·t) / k', 'The adiabatic equation, k 115 in a PVC cable and 143 separate', 'A separate conductor is sized by its least protected stretch as well: 2.5 mm² where protected all the way, 4 mm² where not.');
    }

    public function inputs(): array
    {
        return [Input::number('amperes', 'Fault current', 'A', 800.0, 1.0, 20000.0), Input::number('seconds', 'Until the device opens', 's', 0.1, 0.001, 5.0), Input::choice('k', 'Conductor', ['115' => 'core of a PVC cable, k 115', '143' => 'separate, k 143'])];
    }

    public function work(Given $given): array
    {
        $square = sqrt($given->number('amperes') ** 2 * $given->number('seconds')) / (float) $given->choice('k');
        $next = null;
        foreach (self::SIZES as $size) {
            $next ??= $size >= $square ? $size : null;
        }

        return [Figure::of('At least', $square, 'mm²'), Figure::said('The next size made', null === $next ? 'none up to 25 mm²: open it faster' : "$next mm²", null === $next)];
    }
}
