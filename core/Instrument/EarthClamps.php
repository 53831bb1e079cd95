<?php

declare(strict_types=1);

namespace YellowProbe\Instrument;

use YellowProbe\Installation\Excitation;
use YellowProbe\Installation\Supply;
use YellowProbe\Network\PortNetwork;

/**
 * Two clamps around one earthing conductor: one drives a voltage around the loop that the conductor is part of, the other
 * reads the current. It shows the loop of a mesh of earths, never a single rod: without another way round there is none.
 */
final readonly class EarthClamps implements Instrument
{
    private const HERTZ = 1000.0;

    public function slug(): string
    {
        return 'earth-clamps';
    }

    public function words(): string
    {
        return 'Two clamps around an earth';
    }

    public function unit(): Unit
    {
        return Unit::Ohm;
    }

    public function leads(): array
    {
        return [];
    }

    public function deadOnly(): bool
    {
        return false;
    }

    public function trap(): string
    {
        return 'Reads the loop of the mesh, metal pipes and all: a fraction of an ohm says that copper is in it and nothing of the rod.';
    }

    public function excitation(): Excitation
    {
        return Excitation::tester(self::HERTZ);
    }

    public function apply(PortNetwork $ports, array $leads, Supply $supply): Shown
    {
        throw new \LogicException('Clamps have no leads: the bench drives the conductor that they are around.');
    }

    public function scale(): Scale
    {
        return new Scale([[1.999, 0.001], [19.99, 0.01], [199.9, 0.1], [1500.0, 1.0]]);
    }

    public function accuracy(): Accuracy
    {
        return new Accuracy(0.03, 3.0);
    }
}
