<?php

declare(strict_types=1);

namespace YellowProbe\Installation;

/**
 * A surveyed value with how well it is known. In a document: a bare number (taken as assumed) or
 * {value, low?, high?, knowing?, from?}, in the unit that the key's name carries.
 */
final readonly class Quantity
{
    public function __construct(
        public float $value,
        public ?float $low = null,
        public ?float $high = null,
        public Knowing $knowing = Knowing::Assumed,
        public ?string $from = null,
    ) {
    }

    public static function read(mixed $raw, string $path): self
    {
        if (\is_int($raw) || \is_float($raw)) {
            return new self((float) $raw);
        }
        if (!\is_array($raw) || !is_numeric($raw['value'] ?? null)) {
            throw new HouseError($path, 'Expected a number, or an object with a "value".');
        }
        $bound = static fn (string $key): ?float => is_numeric($raw[$key] ?? null) ? (float) $raw[$key] : null;

        return new self(
            (float) $raw['value'],
            $bound('low'),
            $bound('high'),
            Knowing::tryFrom(\is_string($raw['knowing'] ?? null) ? $raw['knowing'] : '') ?? Knowing::Assumed,
            \is_string($raw['from'] ?? null) ? $raw['from'] : null,
        );
    }
}
