<?php

declare(strict_types=1);

namespace YellowProbe\Sum;

/** The most that a loaded conductor can drive in another one beside it. */
final readonly class InducedCurrent extends NamedSum
{
    private const HENRIES_PER_METRE = ['beside' => 1.2e-6, 'same' => 0.2e-6];

    public function __construct()
    {
        parent::__construct('induced', 'Bound of an induced current', 'I ≤ 2πf·M′·L·I₁ / (r·L), and U = 2πf·M′·L·I₁', 'Mutual induction, usually 0.05–0.2 µH/m in one cable and 0.5–1.2 µH/m alongside', 'A bound: the real loop has more resistance than its conductor, and less beside it.');
    }

    public function inputs(): array
    {
        return [Input::number('amperes', 'Current in the conductor alongside', 'A', 20.0, 0.0, 1000.0), Input::number('metres', 'Side by side', 'm', 15.0, 0.1, 1000.0), Input::choice('run', 'How they lie', ['beside' => 'another cable, 1.2 µH/m at most', 'same' => 'in one cable, 0.2 µH/m at most']), Input::choice('size', 'Conductor that is driven', Conductor::sizes('1.5')), Input::choice('hertz', 'Mains', ['50' => '50 Hz', '60' => '60 Hz'])];
    }

    public function work(Given $given): array
    {
        $volts = 2.0 * \M_PI * (float) $given->choice('hertz') * self::HENRIES_PER_METRE[$given->choice('run')] * $given->number('metres') * $given->number('amperes');

        return [Figure::of('At most, in a closed loop of that conductor', 1e3 * $volts / (Conductor::ohmsPerMetre($given->choice('size')) * $given->number('metres')), 'mA'), Figure::of('Along it, open', 1e3 * $volts, 'mV')];
    }
}
