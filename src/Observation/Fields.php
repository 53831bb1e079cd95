<?php

declare(strict_types=1);

namespace App\Observation;

use App\Words\Printable;

/**
 * Reads one JSON object field by field and knows which were read: what is left over is refused by {@see done()}.
 *
 * Text has to be of printable characters: no NUL, no control codes but line breaks and tabs.
 */
final class Fields
{
    private const MOST_ITEMS = 400;

    /** @var array<string, true> */
    private array $read = [];

    /** @param array<array-key, mixed> $raw */
    public function __construct(private readonly array $raw, private readonly string $path = '')
    {
    }

    public function has(string $key): bool
    {
        return isset($this->raw[$key]);
    }

    /** Text that says something, at most so many characters. */
    public function text(string $key, int $most): string
    {
        return $this->optionalText($key, $most) ?? throw $this->error($key, \sprintf('Write 1 to %d characters here.', $most));
    }

    /** The same; null when it is left out. */
    public function optionalText(string $key, int $most): ?string
    {
        $value = $this->take($key);
        if (null === $value) {
            return null;
        }
        if (!\is_string($value)) {
            throw $this->error($key, 'Text is expected here.');
        }
        if ('' === trim($value) || mb_strlen($value) > $most) {
            throw $this->error($key, \sprintf('Write 1 to %d characters here.', $most));
        }
        if (!Printable::is($value)) {
            throw $this->error($key, 'This text holds characters that cannot be printed. Type it again.');
        }

        return $value;
    }

    /** Text that may be empty. */
    public function maybeEmpty(string $key, int $most): string
    {
        $value = $this->take($key) ?? '';
        if (!\is_string($value)) {
            throw $this->error($key, 'Text is expected here.');
        }

        return '' === $value ? '' : $this->text($key, $most);
    }

    /** The id of another observation of the call. */
    public function id(string $key): string
    {
        return $this->optionalId($key) ?? throw $this->error($key, 'Say which entry of this call is meant, by its id.');
    }

    public function optionalId(string $key): ?string
    {
        $value = $this->take($key);
        if (null !== $value && (!\is_string($value) || 1 !== preg_match('/^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/', $value))) {
            throw $this->error($key, 'Say which entry of this call is meant, by its id.');
        }

        return $value;
    }

    /** @param list<string> $known */
    public function oneOf(string $key, array $known): string
    {
        return $this->optionalOneOf($key, $known) ?? throw $this->error($key, 'Expected one of '.implode(', ', $known).'.');
    }

    /** @param list<string> $known */
    public function optionalOneOf(string $key, array $known): ?string
    {
        $value = $this->take($key);
        if (null === $value) {
            return null;
        }
        if (!\is_string($value) || !\in_array($value, $known, true)) {
            throw $this->error($key, 'Expected one of '.implode(', ', $known).'.');
        }

        return $value;
    }

    public function flag(string $key, bool $default = false): bool
    {
        $value = $this->take($key) ?? $default;

        return \is_bool($value) ? $value : throw $this->error($key, 'Expected true or false.');
    }

    public function optionalWhole(string $key, int $most): ?int
    {
        $value = $this->take($key);
        if (null === $value) {
            return null;
        }

        return \is_int($value) && $value >= 0 && $value <= $most ? $value : throw $this->error($key, \sprintf('Expected a whole number from 0 to %d.', $most));
    }

    public function number(string $key): float
    {
        $value = $this->take($key);

        return (\is_int($value) || \is_float($value)) && is_finite((float) $value) ? (float) $value : throw $this->error($key, 'Expected a number.');
    }

    public function optionalDate(string $key): ?string
    {
        $value = $this->take($key);
        if (null === $value) {
            return null;
        }
        if (!\is_string($value) || 1 !== preg_match('/^(20\d\d)-(\d\d)-(\d\d)$/', $value, $match) || !checkdate((int) $match[2], (int) $match[3], (int) $match[1])) {
            throw $this->error($key, 'Expected a day such as 2026-03-09.');
        }

        return $value;
    }

    /** @return list<string> */
    public function texts(string $key, int $most = 200): array
    {
        $texts = [];
        foreach ($this->items($key) as $at => $value) {
            $texts[] = (new self(['' => $value], "$this->path/$key/$at"))->item($most);
        }

        return $texts;
    }

    /** @return list<self> */
    public function objects(string $key): array
    {
        $objects = [];
        foreach ($this->items($key) as $at => $value) {
            if (!\is_array($value) || (array_is_list($value) && [] !== $value)) {
                throw new PayloadError("$this->path/$key/$at", 'An object is expected here.');
            }
            $objects[] = new self($value, "$this->path/$key/$at");
        }

        return $objects;
    }

    public function object(string $key): self
    {
        return $this->optionalObject($key) ?? throw $this->error($key, 'This is missing.');
    }

    public function optionalObject(string $key): ?self
    {
        $value = $this->take($key);
        if (null === $value) {
            return null;
        }
        if (!\is_array($value) || (array_is_list($value) && [] !== $value)) {
            throw $this->error($key, 'An object is expected here.');
        }

        return new self($value, "$this->path/$key");
    }

    /** @throws PayloadError when something is left that nobody asked for */
    public function done(): void
    {
        foreach (array_keys($this->raw) as $key) {
            if (!isset($this->read[(string) $key])) {
                throw new PayloadError("$this->path/$key", \sprintf('This kind of entry holds no "%s"%s. Nothing was stored.', $key, [] === $this->read ? '' : '; it holds '.implode(', ', array_keys($this->read))));
            }
        }
    }

    public function error(string $key, string $message): PayloadError
    {
        return new PayloadError("$this->path/$key", $message);
    }

    private function item(int $most): string
    {
        $value = $this->raw[''];
        if (!\is_string($value) || mb_strlen($value) > $most || !Printable::is($value)) {
            throw new PayloadError($this->path, \sprintf('Text of at most %d characters is expected here.', $most));
        }

        return $value;
    }

    /** @return list<mixed> */
    private function items(string $key): array
    {
        $value = $this->take($key) ?? [];
        if (!\is_array($value) || !array_is_list($value)) {
            throw $this->error($key, 'A list is expected here.');
        }
        if (\count($value) > self::MOST_ITEMS) {
            throw $this->error($key, \sprintf('At most %d are stored at a time.', self::MOST_ITEMS));
        }

        return $value;
    }

    private function take(string $key): mixed
    {
        $this->read[$key] = true;

        return $this->raw[$key] ?? null;
    }
}
