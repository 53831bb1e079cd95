<?php

declare(strict_types=1);

namespace YellowProbe\Installation;

/**
 * A surveyed value with how well it is known. In a document: a bare number (taken as assumed) or
 * {value, low?, high?, knowing?, from?}, in the unit that the key's name carries.
 */
final readonly class Quantity
{
    /** Nothing in a house is larger, in any unit that a key carries, nor smaller but nothing itself. */
    private const MOST = 1e9;
    private const LEAST = 1e-9;

    public function __construct(
        public float $value,
        public ?float $low = null,
        public ?float $high = null,
        public Knowing $knowing = Knowing::Assumed,
        public ?string $from = null,
    ) {
    }

    /** @throws HouseError for what is no number, or none that a house can have */
    public static function read(mixed $raw, string $path): self
    {
        if (\is_int($raw) || \is_float($raw)) {
            return new self(self::bounded((float) $raw, $path));
        }
        if (!\is_array($raw) || !is_numeric($raw['value'] ?? null)) {
            throw new HouseError($path, 'Expected a number, or an object with a "value".');
        }
        $bound = static fn (string $key): ?float => is_numeric($raw[$key] ?? null) ? self::bounded((float) $raw[$key], "$path/$key") : null;

        return new self(
            self::bounded((float) $raw['value'], "$path/value"),
            $bound('low'),
            $bound('high'),
            Knowing::tryFrom(\is_string($raw['knowing'] ?? null) ? $raw['knowing'] : '') ?? Knowing::Assumed,
            \is_string($raw['from'] ?? null) ? $raw['from'] : null,
        );
    }

    private static function bounded(float $value, string $path): float
    {
        $size = abs($value);
        if (0.0 !== $value && (!($size <= self::MOST) || $size < self::LEAST)) {
            throw new HouseError($path, \sprintf('%s is no value that a house can have: expected 0, or a size from %s to %s.', $value, self::LEAST, self::MOST));
        }

        return $value;
    }
}
