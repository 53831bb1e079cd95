<?php

declare(strict_types=1);

namespace YellowProbe\Sum;

/** What the two cross-joined tests of a ring should show, from its three end-to-end readings. */
final readonly class RingExpected extends NamedSum
{
    /** Ω between line and neutral of one ring. */
    private const ALIKE = 0.05;

    public function __construct()
    {
        parent::__construct('ring', 'What a ring should read', '(r1+rn)/4 crossed line to neutral, (r1+r2)/4 line to cpc', 'The geometry of a closed ring', 'A spur reads more by its own length. The crossed test cannot see an outlet with line and neutral reversed.');
    }

    public function inputs(): array
    {
        return [Input::number('r1', 'r1, line end to end', 'Ω', 0.5, 0.0, 20.0), Input::number('rn', 'rn, neutral end to end', 'Ω', 0.5, 0.0, 20.0), Input::number('r2', 'r2, cpc end to end', 'Ω', 0.83, 0.0, 30.0), Input::number('ratio', 'Size of line over size of cpc', '', 1.667, 0.5, 4.0)];
    }

    public function work(Given $given): array
    {
        [$r1, $rn, $r2] = [$given->number('r1'), $given->number('rn'), $given->number('r2')];
        $should = $given->number('ratio') * $r1;

        return [
            Figure::of('Crossed line to neutral, at every outlet', ($r1 + $rn) / 4.0, 'Ω'),
            Figure::of('Crossed line to cpc, the highest: R1+R2', ($r1 + $r2) / 4.0, 'Ω'),
            Figure::said('r1 and rn', abs($r1 - $rn) <= self::ALIKE ? 'alike, as they should be' : 'more than 0.05 Ω apart: look for a joint', abs($r1 - $rn) > self::ALIKE),
            Figure::of('r2 should read', $should, 'Ω', abs($r2 - $should) > max(self::ALIKE, 0.1 * $should)),
        ];
    }
}
