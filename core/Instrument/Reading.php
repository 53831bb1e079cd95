<?php

declare(strict_types=1);

namespace YellowProbe\Instrument;

/** A reading as a person took it: kept exactly as typed, with what it means. */
final readonly class Reading
{
    /** @param float $resolution of the last decimal typed, base unit; the half of it either way is what the display may hide */
    public function __construct(public ShownKind $kind, public string $raw, public float $value = 0.0, public float $resolution = 0.0, public string $pattern = '')
    {
    }
}
