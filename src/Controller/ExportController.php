<?php

declare(strict_types=1);

namespace App\Controller;

use App\Call\CallStore;
use App\Entity\User;
use App\Export\CallBundle;
use App\Security\Act;
use App\Security\SecurityLog;
use OpenApi\Attributes as OA;
use Symfony\Component\HttpFoundation\BinaryFileResponse;
use Symfony\Component\HttpFoundation\HeaderUtils;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Security\Http\Attribute\IsGranted;

/** What is taken out of the application as a file; each is noted in the security log. */
#[IsGranted(Act::EXPORT)]
final readonly class ExportController
{
    #[Route('/api/calls/{id}/bundle', methods: ['GET'])]
    #[OA\Get(path: '/api/calls/{id}/bundle', operationId: 'getBundle', description: 'A ZIP of call.json, as docs/call.schema.json describes it, and the pictures.', parameters: [new OA\PathParameter(name: 'id', required: true, schema: new OA\Schema(type: 'string'))], responses: [new OA\Response(response: 200, description: 'Everything that is stored of the call', content: new OA\MediaType(mediaType: 'application/zip')), new OA\Response(response: 403, ref: '#/components/responses/Problem'), new OA\Response(response: 404, ref: '#/components/responses/Problem')])]
    public function bundle(string $id, #[CurrentUser] User $user, CallStore $calls, CallBundle $bundle, SecurityLog $log): BinaryFileResponse
    {
        $call = $calls->find($user, $id);
        $file = $bundle->of($call);
        $log->note(SecurityLog::EXPORTED, $user, ['about' => $call->id->toRfc4122()]);
        $response = new BinaryFileResponse($file, 200, ['Content-Type' => 'application/zip', 'Cache-Control' => 'no-store'], false);
        $response->setContentDisposition(HeaderUtils::DISPOSITION_ATTACHMENT, "call-{$call->openedAt->format('Y-m-d')}-".substr($call->id->toRfc4122(), 0, 8).'.zip');

        return $response->deleteFileAfterSend();
    }
}
