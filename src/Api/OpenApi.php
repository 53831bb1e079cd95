<?php

declare(strict_types=1);

namespace App\Api;

use OpenApi\Attributes as OA;
use OpenApi\Generator;

/** The description of the API, generated from its controllers and views. */
#[OA\Info(version: '1', title: 'Yellow Probe')]
#[OA\Schema(schema: 'ProblemDocument', required: ['type', 'title', 'status', 'detail'], properties: [new OA\Property(property: 'type', type: 'string'), new OA\Property(property: 'title', type: 'string'), new OA\Property(property: 'status', type: 'integer'), new OA\Property(property: 'detail', type: 'string'), new OA\Property(property: 'pointer', type: 'string')])]
#[OA\Response(response: 'Problem', description: 'What is wrong and what to do (RFC 9457)', content: new OA\MediaType(mediaType: 'application/problem+json', schema: new OA\Schema(ref: '#/components/schemas/ProblemDocument')))]
final readonly class OpenApi
{
    public function __construct(private string $projectDir)
    {
    }

    public function json(): string
    {
        $openApi = (new Generator())->setVersion('3.1.0')->generate([$this->projectDir.'/src/Controller', $this->projectDir.'/src/Api']);

        return (string) $openApi?->toJson(\JSON_PRETTY_PRINT | \JSON_UNESCAPED_SLASHES | \JSON_UNESCAPED_UNICODE)."\n";
    }
}
