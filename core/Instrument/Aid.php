<?php

declare(strict_types=1);

namespace YellowProbe\Instrument;

/** What is used beside testers and shows nothing of a network: kept in the record, never computed. */
enum Aid: string
{
    case Senses = 'senses';
    case ProvingUnit = 'proving-unit';

    public function words(): string
    {
        return match ($this) {
            self::Senses => 'Eyes, ears, nose, a hand near a plate',
            self::ProvingUnit => 'Proving unit',
        };
    }

    public function shows(): string
    {
        return match ($this) {
            self::Senses => 'Marks, moisture, smell, noise, warmth.',
            self::ProvingUnit => 'That the indicator works.',
        };
    }

    public function cannotShow(): string
    {
        return match ($this) {
            self::Senses => 'A fault that leaves no mark.',
            self::ProvingUnit => 'Anything of the circuit.',
        };
    }
}
