<?php

declare(strict_types=1);

namespace YellowProbe\Installation;

/** A run between two places: its cores, length and what it is made of. */
final readonly class Cable
{
    /** @param array<string, Core> $cores */
    public function __construct(
        public string $id,
        public string $kind,
        public ?string $circuit,
        public Quantity $lengthMetres,
        public array $cores,
        public Attributes $attributes,
    ) {
    }

    /** Resistance of one core at its temperature, joints not included. */
    public function coreOhms(Core $core): float
    {
        if ($this->attributes->has('ohms')) {
            return $this->attributes->positive('ohms');
        }

        return Copper::ohmsPerMetre($this->attributes, Role::Earth === $core->role) * $this->lengthMetres->value * Copper::temperatureFactor($this->attributes->number('temperatureCelsius', 20.0));
    }
}
