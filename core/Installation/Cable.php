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

    /** @return list<Core> cores of these roles, role by role; a core's key is only its name */
    public function of(Role ...$roles): array
    {
        $found = [];
        foreach ($roles as $role) {
            foreach ($this->cores as $core) {
                if ($role === $core->role) {
                    $found[] = $core;
                }
            }
        }

        return $found;
    }

    /** A core by its role, with a number from the second of its role on: stable whatever the cores are called. */
    public function roleOf(Core $core): string
    {
        $at = array_search($core, $this->of($core->role), true);

        return 0 === $at || false === $at ? $core->role->value : $core->role->value.($at + 1);
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
