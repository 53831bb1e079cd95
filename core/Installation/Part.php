<?php

declare(strict_types=1);

namespace YellowProbe\Installation;

/** A thing with terminals at a place: a device, a bar, an accessory, a load. What it does is its kind's business. */
final readonly class Part
{
    public function __construct(
        public string $id,
        public string $kind,
        public string $place,
        public string $name,
        public Attributes $attributes,
    ) {
    }

    public function terminal(string $key): string
    {
        return "$this->id.$key";
    }

    public function element(string $key): string
    {
        return "$this->id/$key";
    }
}
