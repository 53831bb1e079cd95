<?php

declare(strict_types=1);

namespace YellowProbe\Installation;

/** Typed access to the keys of one object of a house document; errors name the exact place. */
final readonly class Attributes
{
    /** @param array<array-key, mixed> $raw */
    public function __construct(public array $raw, public string $path)
    {
    }

    public static function of(mixed $raw, string $path): self
    {
        if (!\is_array($raw)) {
            throw new HouseError($path, 'Expected an object.');
        }

        return new self($raw, $path);
    }

    public function has(string $key): bool
    {
        return isset($this->raw[$key]);
    }

    public function string(string $key, ?string $default = null): string
    {
        $value = $this->raw[$key] ?? $default;
        if (!\is_string($value)) {
            throw new HouseError("$this->path/$key", 'Expected text.');
        }

        return $value;
    }

    public function number(string $key, ?float $default = null): float
    {
        return $this->quantity($key, $default)->value;
    }

    /** A value that must be zero or more. */
    public function positive(string $key, ?float $default = null): float
    {
        $value = $this->number($key, $default);
        if (!is_finite($value) || $value < 0.0) {
            throw new HouseError("$this->path/$key", \sprintf('Expected a number of 0 or more, not %s.', $value));
        }

        return $value;
    }

    public function quantity(string $key, ?float $default = null): Quantity
    {
        $value = $this->raw[$key] ?? $default;
        if (null === $value) {
            throw new HouseError("$this->path/$key", \sprintf('"%s" is missing; a number is expected.', $key));
        }

        return Quantity::read($value, "$this->path/$key");
    }

    public function flag(string $key, bool $default): bool
    {
        $value = $this->raw[$key] ?? $default;
        if (!\is_bool($value)) {
            throw new HouseError("$this->path/$key", 'Expected true or false.');
        }

        return $value;
    }

    public function object(string $key): self
    {
        return self::of($this->raw[$key] ?? [], "$this->path/$key");
    }

    /** @return array<string, self> */
    public function map(string $key): array
    {
        $map = [];
        foreach ($this->object($key)->raw as $id => $value) {
            $map[(string) $id] = self::of($value, "$this->path/$key/$id");
        }

        return $map;
    }

    /**
     * Things by their ids.
     *
     * @return array<string, self>
     *
     * @throws HouseError for an id of digits only: PHP would take it for a number
     */
    public function named(string $key): array
    {
        foreach (array_keys($this->object($key)->raw) as $id) {
            \is_string($id) || throw new HouseError("$this->path/$key/$id", \sprintf('"%s" cannot be an id: it needs a letter in it.', $id));
        }

        return $this->map($key);
    }

    /** @return list<string> */
    public function strings(string $key): array
    {
        $list = [];
        foreach ($this->object($key)->raw as $at => $value) {
            $list[] = \is_string($value) ? $value : throw new HouseError("$this->path/$key/$at", 'Expected text.');
        }

        return $list;
    }

    /**
     * Two texts each, such as what was seen and where.
     *
     * @return list<array{string, string}>
     */
    public function pairs(string $key): array
    {
        $pairs = [];
        foreach ($this->object($key)->raw as $at => $pair) {
            $pairs[] = \is_array($pair) && \is_string($pair[0] ?? null) && \is_string($pair[1] ?? null) ? [$pair[0], $pair[1]] : throw new HouseError("$this->path/$key/$at", 'Expected two texts, such as ["scorched", "p-hall"].');
        }

        return $pairs;
    }

    /** @return array<string, float> every value of it, each a positive number */
    public function positives(): array
    {
        $numbers = [];
        foreach (array_keys($this->raw) as $key) {
            $numbers[(string) $key] = $this->positive((string) $key);
        }

        return $numbers;
    }
}
