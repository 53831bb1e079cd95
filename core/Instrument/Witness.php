<?php

declare(strict_types=1);

namespace YellowProbe\Instrument;

use YellowProbe\Installation\Excitation;
use YellowProbe\Installation\Supply;
use YellowProbe\Network\PortNetwork;

/** What is watched instead of probed, on the mains as it is: it has no leads, and one level says what it shows. */
abstract readonly class Witness implements PatternInstrument
{
    final public function unit(): Unit
    {
        return Unit::Pattern;
    }

    final public function leads(): array
    {
        return [];
    }

    final public function deadOnly(): bool
    {
        return false;
    }

    final public function excitation(): Excitation
    {
        return Excitation::mains();
    }

    final public function apply(PortNetwork $ports, array $leads, Supply $supply): Shown
    {
        throw new \LogicException('What is watched has no leads: whoever asks holds its level.');
    }

    final public function scale(): Scale
    {
        return new Scale([[1.0, 1.0]]);
    }

    final public function accuracy(): Accuracy
    {
        return new Accuracy(0.0, 0.0);
    }
}
