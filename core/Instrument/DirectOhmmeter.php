<?php

declare(strict_types=1);

namespace YellowProbe\Instrument;

use YellowProbe\Installation\Excitation;
use YellowProbe\Installation\Supply;
use YellowProbe\Network\PortNetwork;

/** What the low-resistance ohmmeter and the insulation tester share: direct current, two leads, dead conductors. */
abstract class DirectOhmmeter implements Instrument
{
    /**
     * @param float $volts   it applies, open
     * @param float $amperes it gives at most
     */
    protected function __construct(private readonly string $slug, private readonly string $words, private readonly string $trap, private readonly float $volts, private readonly float $amperes)
    {
    }

    final public function slug(): string
    {
        return $this->slug;
    }

    final public function words(): string
    {
        return $this->words;
    }

    final public function trap(): string
    {
        return $this->trap;
    }

    final public function unit(): Unit
    {
        return Unit::Ohm;
    }

    final public function leads(): array
    {
        return ['A', 'B'];
    }

    final public function deadOnly(): bool
    {
        return true;
    }

    final public function excitation(): Excitation
    {
        return Excitation::direct($this->volts);
    }

    /** Volts that stand between its leads when the network takes the current y·U − j. */
    final public function voltsOn(float $siemens, float $amperes): float
    {
        return $siemens > 0.0 ? min($this->volts, ($this->amperes + $amperes) / $siemens) : $this->volts;
    }

    final public function apply(PortNetwork $ports, array $leads, Supply $supply): Shown
    {
        [$y, $j] = $ports->norton($leads[0]);
        // Without anything that conducts by voltage j is nothing and this is 1/y.
        $volts = $this->voltsOn($y->re, $j->re);
        $amperes = $y->re * $volts - $j->re;
        $ohms = $amperes > 0.0 ? $volts / $amperes : \INF;

        return $ohms > $this->scale()->top() ? Shown::over($ohms) : Shown::value($ohms);
    }
}
