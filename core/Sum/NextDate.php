<?php

declare(strict_types=1);

namespace YellowProbe\Sum;

/** When to come again. */
final readonly class NextDate extends NamedSum
{
    public function __construct()
    {
        parent::__construct('next-date', 'Date of the next inspection', 'date + interval', 'The firm’s own interval', 'A fault, a change or another user brings it forward.');
    }

    public function inputs(): array
    {
        return [Input::date('date', 'Date of this one', '2026-11-26'), Input::number('months', 'Interval', 'months', 60.0, 1.0, 240.0)];
    }

    public function work(Given $given): array
    {
        $date = $given->date('date');
        $months = (int) $given->number('months');
        // The last day of a month stays the last: 31 August and six months are 28 February.
        $first = $date->modify('first day of this month')->modify("+$months months");
        $next = $first->setDate((int) $first->format('Y'), (int) $first->format('n'), min((int) $date->format('j'), (int) $first->format('t')));

        return [Figure::said('Next', $next->format('j F Y')), Figure::said('A residual test button until then', 'every six months, or as its maker says')];
    }
}
