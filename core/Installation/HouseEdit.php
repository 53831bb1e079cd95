<?php

declare(strict_types=1);

namespace YellowProbe\Installation;

/**
 * Small typed operations on a house document; each gives a new document and is checked as a whole afterwards.
 *
 * put {collection, id, value} · remove {collection, id} · rename {collection, id, name} ·
 * set-length {cable, metres, knowing} · land {cable, core, end, terminal} · set-supply {part, values}
 */
final class HouseEdit
{
    private const COLLECTIONS = ['places', 'parts', 'cables', 'circuits'];

    /**
     * @param array<string, mixed>    $document
     * @param array<array-key, mixed> $operation
     *
     * @return array<string, mixed>
     *
     * @throws HouseError when the operation is unknown, names nothing, or leads to a house that cannot exist
     */
    public static function apply(array $document, array $operation): array
    {
        $op = new Attributes($operation, '');
        $document = match ($op->string('op', '')) {
            'put' => self::put($document, self::collection($op), self::id($op), $op->object('value')->raw),
            'remove' => self::remove($document, self::collection($op), self::id($op)),
            'rename' => self::with($document, self::collection($op), self::id($op), ['name' => $op->string('name')]),
            'set-length' => self::with($document, 'cables', $op->string('cable'), ['lengthMetres' => ['value' => $op->positive('metres'), 'knowing' => $op->string('knowing', Knowing::Assumed->value)]]),
            'land' => self::land($document, $op),
            'set-supply' => self::with($document, 'parts', $op->string('part'), $op->object('values')->raw),
            default => throw new HouseError('/op', 'Expected one of put, remove, rename, set-length, land, set-supply.'),
        };
        House::fromDocument($document);

        return $document;
    }

    private static function collection(Attributes $op): string
    {
        $collection = $op->string('collection');

        return \in_array($collection, self::COLLECTIONS, true) ? $collection : throw new HouseError('/collection', \sprintf('Expected one of %s.', implode(', ', self::COLLECTIONS)));
    }

    private static function id(Attributes $op): string
    {
        $id = $op->string('id');

        return 1 === preg_match('/^[a-z0-9][a-z0-9-]{0,63}$/', $id) ? $id : throw new HouseError('/id', 'An id is 1 to 64 of a–z, 0–9 and "-".');
    }

    /**
     * @param array<string, mixed>    $document
     * @param array<array-key, mixed> $value
     *
     * @return array<string, mixed>
     */
    private static function put(array $document, string $collection, string $id, array $value): array
    {
        $all = self::all($document, $collection);
        $all[$id] = $value;

        return [$collection => $all] + $document;
    }

    /**
     * @param array<string, mixed> $document
     *
     * @return array<string, mixed>
     */
    private static function remove(array $document, string $collection, string $id): array
    {
        $all = self::all($document, $collection);
        if (!isset($all[$id])) {
            throw new HouseError('/id', \sprintf('There is no "%s" among the %s.', $id, $collection));
        }
        unset($all[$id]);

        return [$collection => $all] + $document;
    }

    /**
     * @param array<string, mixed>    $document
     * @param array<array-key, mixed> $values
     *
     * @return array<string, mixed>
     */
    private static function with(array $document, string $collection, string $id, array $values): array
    {
        $all = self::all($document, $collection);
        if (!isset($all[$id]) || !\is_array($all[$id])) {
            throw new HouseError('/id', \sprintf('There is no "%s" among the %s.', $id, $collection));
        }
        $all[$id] = $values + $all[$id];

        return [$collection => $all] + $document;
    }

    /**
     * @param array<string, mixed> $document
     *
     * @return array<string, mixed>
     */
    private static function land(array $document, Attributes $op): array
    {
        $id = $op->string('cable');
        $cable = Attributes::of(self::all($document, 'cables')[$id] ?? null, '/cable');
        $cores = $cable->object('cores')->raw;
        $key = $op->string('core');
        $core = Attributes::of($cores[$key] ?? null, '/core');
        $ends = array_values($core->object('ends')->raw + [null, null]);
        $end = (int) $op->number('end');
        if (1 !== $end && 2 !== $end) {
            throw new HouseError('/end', 'A core has the ends 1 and 2.');
        }
        $ends[$end - 1] = $op->raw['terminal'] ?? null;

        return self::with($document, 'cables', $id, ['cores' => [$key => ['ends' => $ends] + $core->raw] + $cores]);
    }

    /**
     * @param array<string, mixed> $document
     *
     * @return array<array-key, mixed>
     */
    private static function all(array $document, string $collection): array
    {
        return (new Attributes($document, ''))->object($collection)->raw;
    }
}
