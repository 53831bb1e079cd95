<?php

declare(strict_types=1);

namespace App\Tests;

/** Payloads drawn from the published description of the API: whatever it admits, and the same with one thing changed. */
final class PayloadSamples
{
    /** @var array<string, array<string, mixed>> */
    private readonly array $schemas;

    /**
     * @param string                      $openApi the description, as JSON
     * @param array<string, list<string>> $pools   names and ids of a house and a journal, by the property that holds them
     */
    public function __construct(string $openApi, int $seed, private readonly array $pools = [])
    {
        mt_srand($seed);
        /** @var array{components: array{schemas: array<string, array<string, mixed>>}} $document */
        $document = json_decode($openApi, true, 64, \JSON_THROW_ON_ERROR);
        $this->schemas = $document['components']['schemas'];
    }

    /** @return list<string> properties of a kind */
    public function properties(string $schema): array
    {
        return array_map(strval(...), array_keys((array) ($this->schemas[$schema]['properties'] ?? [])));
    }

    public function isRequired(string $schema, string $property): bool
    {
        return \in_array($property, (array) ($this->schemas[$schema]['required'] ?? []), true);
    }

    /**
     * @param float $chance that a property which may be left out is there
     *
     * @return array<string, mixed>
     */
    public function object(string $schema, float $chance): array
    {
        $object = [];
        foreach ($this->properties($schema) as $property) {
            if ($this->isRequired($schema, $property) || mt_rand() / mt_getrandmax() < $chance) {
                $object[$property] = $this->property($schema, $property, $chance);
            }
        }

        return $object;
    }

    public function property(string $schema, string $property, float $chance): mixed
    {
        if ('photo' === $property) {
            // As the journal keeps it: what the API takes is put into its own store first.
            return ['sent' => hash('sha256', (string) mt_rand()), 'file' => hash('sha256', (string) mt_rand()), 'type' => 'image/jpeg', 'bytes' => mt_rand(1, 90_000)];
        }
        /** @var array<string, array<string, mixed>> $properties */
        $properties = $this->schemas[$schema]['properties'];

        return $this->value($properties[$property], $chance, $this->pools[$property] ?? []);
    }

    /**
     * @param array<string, mixed> $schema
     * @param list<string>         $pool
     */
    private function value(array $schema, float $chance, array $pool = []): mixed
    {
        if (isset($schema['oneOf']) && \is_array($schema['oneOf'])) {
            /** @var array<string, mixed> $first */
            $first = $schema['oneOf'][0];

            return $this->value($first, $chance);
        }
        if (\is_string($schema['$ref'] ?? null)) {
            return $this->object(substr($schema['$ref'], \strlen('#/components/schemas/')), $chance);
        }
        if (\is_array($schema['enum'] ?? null)) {
            return $schema['enum'][array_rand($schema['enum'])];
        }
        $type = \is_array($schema['type'] ?? null) ? $schema['type'][0] : $schema['type'] ?? 'string';
        if ('array' === $type) {
            /** @var array<string, mixed> $items */
            $items = $schema['items'];

            return array_map(fn (): mixed => $this->value($items, $chance, $pool), array_fill(0, mt_rand(1, 2), 0));
        }

        if ('string' === $type && [] !== $pool) {
            return $pool[array_rand($pool)];
        }

        return match ($type) {
            'boolean' => 1 === mt_rand(0, 1),
            'integer' => mt_rand(1, 900),
            'number' => mt_rand(1, 9000) / 4,
            default => match ($schema['format'] ?? '') {
                'uuid' => \sprintf('%08x-0000-7000-8000-%012x', mt_rand(), mt_rand()),
                'date' => \sprintf('2027-%02d-%02d', mt_rand(1, 12), mt_rand(1, 28)),
                default => $this->text(\is_int($schema['maxLength'] ?? null) ? $schema['maxLength'] : 40),
            },
        };
    }

    private function text(int $most): string
    {
        $words = '';
        while (mb_strlen($words) < min($most, mt_rand(3, 30))) {
            $words .= ['Ω', 'lamp ', '2 ', 'é', '"', '<b>', '{x}', "'", 'Hall ', '%s'][mt_rand(0, 9)].dechex(mt_rand(0, 0xFFFF));
        }

        return mb_substr($words, 0, min($most, 30));
    }
}
