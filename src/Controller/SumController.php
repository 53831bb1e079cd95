<?php

declare(strict_types=1);

namespace App\Controller;

use App\Api\Answer;
use App\Api\Body;
use App\Api\Problem;
use App\Api\View\FigureView;
use App\Api\View\PickView;
use App\Api\View\SumInputView;
use App\Api\View\SumView;
use App\Security\Act;
use OpenApi\Attributes as OA;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\IsGranted;
use YellowProbe\Sum\Figure;
use YellowProbe\Sum\Given;
use YellowProbe\Sum\Input;
use YellowProbe\Sum\Sum;
use YellowProbe\Sum\SumError;
use YellowProbe\Sum\Sums;

/** The sums of the trade that stand alone; nothing here stores anything. */
#[IsGranted(Act::SEE)]
final readonly class SumController
{
    #[Route('/api/sums', methods: ['GET'])]
    #[OA\Get(path: '/api/sums', operationId: 'sums', responses: [new OA\Response(response: 200, description: 'Sums that can be done', content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: SumView::class)))])]
    public function sums(): JsonResponse
    {
        return Answer::of(array_map(static fn (Sum $sum): SumView => new SumView($sum->slug(), $sum->words(), $sum->formula(), $sum->source(), $sum->caution(), array_map(self::input(...), $sum->inputs())), Sums::all()));
    }

    #[Route('/api/sums/{slug}', methods: ['POST'])]
    #[OA\Post(path: '/api/sums/{slug}', operationId: 'sum', parameters: [new OA\PathParameter(name: 'slug', required: true, schema: new OA\Schema(type: 'string'))], requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(required: ['given'], properties: [new OA\Property(property: 'given', description: 'As typed, by the key of the input; what is left out is the usual.', type: 'object', additionalProperties: new OA\AdditionalProperties(type: 'string'))])), responses: [new OA\Response(response: 200, description: 'The answer first', content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: FigureView::class))), new OA\Response(response: 404, ref: '#/components/responses/Problem'), new OA\Response(response: 422, ref: '#/components/responses/Problem')])]
    public function sum(string $slug, Request $request): JsonResponse
    {
        try {
            $sum = Sums::get($slug);
        } catch (\OutOfBoundsException $e) {
            throw new Problem(404, 'Not found', $e->getMessage());
        }
        $given = Body::of($request)->fields->object('given');
        $typed = [];
        foreach ($given->raw as $key => $_) {
            $typed[(string) $key] = $given->string((string) $key);
        }
        try {
            $figures = $sum->work(Given::of($sum, $typed));
        } catch (SumError $e) {
            throw Problem::invalid("/given/$e->key", $e->getMessage());
        }

        return Answer::of(array_map(static fn (Figure $figure): FigureView => new FigureView($figure->words, $figure->text, null !== $figure->value && is_finite($figure->value) ? $figure->value : null, $figure->warns), $figures));
    }

    private static function input(Input $input): SumInputView
    {
        return new SumInputView($input->key, $input->words, $input->kind, $input->unit, $input->usual, array_map(static fn (int|string $slug, string $words): PickView => new PickView((string) $slug, $words), array_keys($input->choices), array_values($input->choices)));
    }
}
