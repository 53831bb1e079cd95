<?php

declare(strict_types=1);

namespace YellowProbe\Installation;

/** What comes in from the street: the earthing system, the frequency, and the volts that loads and testers are made for. */
final readonly class Supply
{
    private function __construct(public string $system, public float $hertz, public float $nominalVolts)
    {
    }

    /** As the first service of a house says; a house without one is taken as 230 V, 50 Hz. */
    public static function of(House $house): self
    {
        $service = $house->partsOfKind('service')[0] ?? null;
        $system = null === $service ? '' : $service->attributes->string('system');
        $split = 'split' === $system;

        return new self(
            $system,
            $service?->attributes->positive('hertz', $split ? 60.0 : 50.0) ?? 50.0,
            $service?->attributes->positive('nominalVolts', $split ? 120.0 : 230.0) ?? 230.0,
        );
    }
}
