<?php

declare(strict_types=1);

namespace App\Api;

use App\Observation\Kinds;
use OpenApi\Attributes as OA;
use OpenApi\Generator;

/** The description of the API, generated from its controllers and views. */
#[OA\Info(version: '1', title: 'Yellow Probe')]
#[OA\Schema(schema: 'ProblemDocument', required: ['type', 'title', 'status', 'detail'], properties: [new OA\Property(property: 'type', type: 'string'), new OA\Property(property: 'title', type: 'string'), new OA\Property(property: 'status', type: 'integer'), new OA\Property(property: 'detail', type: 'string'), new OA\Property(property: 'pointer', type: 'string')])]
#[OA\Schema(schema: 'NewEntry', description: 'An entry on its way in, one schema a kind: filled in from the register of kinds.')]
#[OA\Response(response: 'Problem', description: 'What is wrong and what to do (RFC 9457)', content: new OA\MediaType(mediaType: 'application/problem+json', schema: new OA\Schema(ref: '#/components/schemas/ProblemDocument')))]
final readonly class OpenApi
{
    public function __construct(private string $projectDir)
    {
    }

    public function json(): string
    {
        $openApi = (new Generator())->setVersion('3.1.0')->generate([$this->projectDir.'/src/Controller', $this->projectDir.'/src/Api', $this->projectDir.'/src/Observation', $this->projectDir.'/src/Security/Role.php', $this->projectDir.'/src/Job/Progress.php']);
        // As objects, so that an empty one stays one.
        $document = json_decode((string) $openApi?->toJson(), false, 64, \JSON_THROW_ON_ERROR);
        if (!$document instanceof \stdClass || !$document->components instanceof \stdClass || !$document->components->schemas instanceof \stdClass) {
            throw new \LogicException('The description of the API has no schemas.');
        }
        $schemas = array_replace((array) $document->components->schemas, self::entries());
        ksort($schemas);
        $document->components->schemas = (object) $schemas;

        return json_encode($document, \JSON_PRETTY_PRINT | \JSON_UNESCAPED_SLASHES | \JSON_UNESCAPED_UNICODE | \JSON_THROW_ON_ERROR)."\n";
    }

    /** @return array<string, mixed> an entry of each kind on its way in, and the choice between them */
    private static function entries(): array
    {
        $schemas = $choice = [];
        foreach (Kinds::ALL as $class) {
            $name = substr((string) strrchr($class, '\\'), 1);
            $choice[$class::kind()] = "#/components/schemas/New$name";
            $schemas["New$name"] = [
                'type' => 'object',
                'required' => ['id', 'kind', 'at', 'payload'],
                'additionalProperties' => false,
                'properties' => [
                    'id' => ['type' => 'string', 'format' => 'uuid', 'description' => 'Made by the client: a UUID of version 7.'],
                    'kind' => ['type' => 'string', 'enum' => [$class::kind()]],
                    'at' => ['type' => 'string', 'format' => 'date-time'],
                    'seen' => ['type' => 'integer', 'minimum' => 0, 'description' => 'Position of the last entry that the device knew.'],
                    'device' => ['type' => 'string', 'format' => 'uuid', 'description' => 'The device, by an id that it made for itself.'],
                    'payload' => ['$ref' => "#/components/schemas/$name"],
                ],
            ];
        }
        $schemas['NewEntry'] = ['oneOf' => array_map(static fn (string $ref): array => ['$ref' => $ref], array_values($choice)), 'discriminator' => ['propertyName' => 'kind', 'mapping' => $choice]];

        return $schemas;
    }
}
