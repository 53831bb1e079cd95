<?php

declare(strict_types=1);

namespace App\House;

use App\Words\Printable;
use Opis\JsonSchema\Errors\ErrorFormatter;
use Opis\JsonSchema\Validator;
use YellowProbe\Installation\House;
use YellowProbe\Installation\HouseError;
use YellowProbe\Instrument\Computable;

/** House documents as JSON text, checked against the published schema and then by the model itself. */
final readonly class HouseDocument
{
    private const SCHEMA = 'https://yellow-probe.example/house.schema.json';

    public function __construct(private string $projectDir)
    {
    }

    /** @throws HouseError naming the place in the document and what is expected there */
    public function decode(string $json): House
    {
        try {
            $object = json_decode($json, false, 64, \JSON_THROW_ON_ERROR);
            $array = json_decode($json, true, 64, \JSON_THROW_ON_ERROR);
        } catch (\JsonException $e) {
            throw new HouseError('', 'The house is not JSON: '.$e->getMessage().'.');
        }
        $repeated = RepeatedKeys::first($json);
        if (null !== $repeated) {
            throw new HouseError($repeated, 'This id stands twice: give one of the two another id.');
        }
        self::printable($array, '');
        $validator = new Validator();
        $validator->resolver()?->registerFile(self::SCHEMA, $this->projectDir.'/docs/house.schema.json');
        $error = $validator->validate($object, self::SCHEMA)->error();
        if (null !== $error) {
            /** @var array<string, string> $messages */
            $messages = (new ErrorFormatter())->format($error, false);
            $path = (string) array_key_first($messages);
            throw new HouseError('/' === $path ? '' : $path, rtrim($messages[$path], '.').'.');
        }
        /** @var array<string, mixed> $array the schema says it is an object */
        $house = House::fromDocument($array);
        Computable::check($house);

        return $house;
    }

    private static function printable(mixed $value, string $path): void
    {
        if (\is_string($value) && !Printable::is($value)) {
            throw new HouseError($path, 'This text holds characters that cannot be printed. Type it again.');
        }
        foreach (\is_array($value) ? $value : [] as $key => $inner) {
            self::printable((string) $key, "$path/$key");
            self::printable($inner, "$path/$key");
        }
    }

    /** @param array<string, mixed> $document */
    public static function encode(array $document): string
    {
        return json_encode(self::objects($document), \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE | \JSON_UNESCAPED_SLASHES | \JSON_PRESERVE_ZERO_FRACTION);
    }

    /**
     * An empty map is {} in JSON and [] in PHP.
     *
     * @param array<array-key, mixed> $document
     *
     * @return array<array-key, mixed>
     */
    public static function objects(array $document): array
    {
        foreach ($document as $key => $value) {
            if (\is_array($value)) {
                $map = \in_array($key, ['places', 'parts', 'cables', 'circuits', 'rest', 'positions', 'loads', 'cores', 'switchedBy'], true);
                $document[$key] = [] === $value && $map ? new \stdClass() : self::objects($value);
            }
        }

        return $document;
    }
}
