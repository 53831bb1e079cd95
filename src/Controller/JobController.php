<?php

declare(strict_types=1);

namespace App\Controller;

use App\Api\Answer;
use App\Api\View\JobView;
use App\Call\CallStore;
use App\Entity\User;
use App\Job\Jobs;
use App\Security\Act;
use OpenApi\Attributes as OA;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Security\Http\Attribute\IsGranted;

/** How far the workers are: asked often, so it answers at once and says nothing twice. */
final readonly class JobController
{
    #[Route('/api/calls/{id}/jobs/{what}', methods: ['GET'])]
    #[IsGranted(Act::SEE)]
    #[OA\Get(path: '/api/calls/{id}/jobs/{what}', operationId: 'job', parameters: [new OA\PathParameter(name: 'id', required: true, schema: new OA\Schema(type: 'string')), new OA\PathParameter(name: 'what', required: true, schema: new OA\Schema(type: 'string'))], responses: [new OA\Response(response: 200, description: 'How far it is; conditional by ETag', content: new OA\JsonContent(ref: JobView::class)), new OA\Response(response: 304, description: 'As it was'), new OA\Response(response: 404, ref: '#/components/responses/Problem')])]
    public function progress(string $id, string $what, Request $request, #[CurrentUser] User $user, CallStore $calls, Jobs $jobs): Response
    {
        $answer = Answer::of(new JobView("/api/calls/$id/jobs/$what", $jobs->progress($calls->find($user, $id), $what)));
        $answer->headers->set('Cache-Control', 'private, no-cache');
        $answer->setEtag(hash('xxh64', (string) $answer->getContent()));
        $answer->isNotModified($request);

        return $answer;
    }
}
