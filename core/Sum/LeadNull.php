<?php

declare(strict_types=1);

namespace YellowProbe\Sum;

/** What a reading is without the leads it was taken with. */
final readonly class LeadNull extends NamedSum
{
    /** Ω of a null and two probes, each by itself. */
    private const ERROR = 0.036;

    public function __construct()
    {
        parent::__construct('lead-null', 'Lead resistance taken off', 'R = read − leads', 'Usual errors, 0.03 Ω of a null and 0.02 Ω of a probe', 'Null again after changing leads, clips or the battery.');
    }

    public function inputs(): array
    {
        return [Input::number('read', 'Read', 'Ω', 0.62, 0.0, 2000.0), Input::number('leads', 'Leads joined', 'Ω', 0.11, 0.0, 5.0)];
    }

    public function work(Given $given): array
    {
        $ohms = $given->number('read') - $given->number('leads');

        return [Figure::of('Without the leads', $ohms, 'Ω', $ohms < 0.0), Figure::said('So', $ohms < 0.0 ? 'Less than the leads alone: they were nulled already, or did not touch when joined.' : \sprintf('%s to %s Ω with the probes’ own error', Figure::rounded(max(0.0, $ohms - self::ERROR)), Figure::rounded($ohms + self::ERROR)), $ohms < 0.0)];
    }
}
