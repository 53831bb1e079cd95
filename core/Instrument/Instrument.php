<?php

declare(strict_types=1);

namespace YellowProbe\Instrument;

use YellowProbe\Installation\Excitation;
use YellowProbe\Installation\Supply;
use YellowProbe\Network\PortNetwork;

/** A tester: a small circuit joined to the network at its leads, and what it shows of what that solves to. */
interface Instrument
{
    /** The stable name in data. */
    public function slug(): string;

    /** What a person calls it. */
    public function words(): string;

    public function unit(): Unit;

    /** @return list<string> names of its leads in order, the return lead last; none for a clamp */
    public function leads(): array;

    /** Whether the conductors must be proved dead before it is connected. */
    public function deadOnly(): bool;

    /** How it can mislead; shown where its reading is judged. */
    public function trap(): string;

    public function excitation(): Excitation;

    /**
     * What an ideal specimen shows.
     *
     * @param PortNetwork $ports with the return lead as its datum
     * @param list<int>   $leads node of each lead
     */
    public function apply(PortNetwork $ports, array $leads, Supply $supply): Shown;

    public function scale(): Scale;

    public function accuracy(): Accuracy;
}
