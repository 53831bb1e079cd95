<?php

declare(strict_types=1);

namespace YellowProbe\Sum;

/** The largest earth fault loop that a breaker still opens at once, and what a loop reads when its cable is warm. */
final readonly class LoopLimit extends NamedSum
{
    private const MULTIPLES = ['B' => 5.0, 'C' => 10.0, 'D' => 20.0];
    private const COLD = 0.8;
    private const HOT = 1.2;

    public function __construct()
    {
        parent::__construct('loop-limit', 'Zₛ limit and temperature', 'Zₛ max = c·U0 / (k·Iₙ);  Zₛ hot = Zₑ + 1.20·(R1+R2)', 'Rule set A, c 0.95 and k 5, 10 or 20; other rule sets have figures of their own', 'A cold reading is compared with 80 % of the limit, or its resistive part is corrected: not both.');
    }

    public function inputs(): array
    {
        return [Input::choice('curve', 'Breaker', ['B' => 'B, 5 × Iₙ', 'C' => 'C, 10 × Iₙ', 'D' => 'D, 20 × Iₙ']), Input::number('amperes', 'Rated current', 'A', 32.0, 1.0, 125.0), Input::number('volts', 'Line to earth', 'V', 230.0, 50.0, 400.0), Input::number('factor', 'Least voltage, share of it', '', 0.95, 0.5, 1.1), Input::number('ze', 'Zₑ', 'Ω', 0.35, 0.0, 2000.0), Input::number('r1r2', 'R1+R2 at 20 °C', 'Ω', 0.5, 0.0, 200.0)];
    }

    public function work(Given $given): array
    {
        $limit = $given->number('factor') * $given->number('volts') / (self::MULTIPLES[$given->choice('curve')] * $given->number('amperes'));
        $cold = $given->number('ze') + $given->number('r1r2');
        $hot = $given->number('ze') + self::HOT * $given->number('r1r2');

        return [
            Figure::of('Largest Zₛ, warm', $limit, 'Ω'),
            Figure::of('Compare a cold reading with', self::COLD * $limit, 'Ω'),
            Figure::of('This circuit cold', $cold, 'Ω', $cold > self::COLD * $limit),
            Figure::of('This circuit at 70 °C', $hot, 'Ω', $hot > $limit),
            Figure::said('So', $hot > $limit ? 'The breaker would not open at once when the cable is warm.' : 'The breaker opens at once, warm as well.', $hot > $limit),
        ];
    }
}
