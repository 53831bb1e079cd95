<?php

declare(strict_types=1);

namespace App\Controller;

use App\Api\Answer;
use App\Api\View\InstrumentView;
use App\Api\View\PicksView;
use App\Api\View\PickView;
use App\Call\TradeData;
use OpenApi\Attributes as OA;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\Routing\Attribute\Route;
use YellowProbe\Instrument\Instruments;
use YellowProbe\Instrument\PatternInstrument;
use YellowProbe\Instrument\ReadingParser;
use YellowProbe\Instrument\ResidualTester;

/** The lists that the page offers: testers, symptoms, contexts. */
final readonly class CatalogueController
{
    #[Route('/api/instruments', methods: ['GET'])]
    #[OA\Get(path: '/api/instruments', operationId: 'instruments', responses: [new OA\Response(response: 200, description: 'Testers that can be used', content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: InstrumentView::class)))])]
    public function instruments(): JsonResponse
    {
        $views = [];
        foreach (Instruments::families() as $family => $instruments) {
            foreach ($instruments as $instrument) {
                $views[] = new InstrumentView(
                    $instrument->slug(),
                    $instrument->words(),
                    $instrument->unit()->value,
                    $instrument->leads(),
                    $instrument->deadOnly(),
                    $family,
                    $instrument->trap(),
                    ReadingParser::usualUnit($instrument),
                    $instrument instanceof PatternInstrument ? $instrument->patterns() : [],
                    $instrument instanceof ResidualTester,
                );
            }
        }

        return Answer::of($views);
    }

    #[Route('/api/picks', methods: ['GET'])]
    #[OA\Get(path: '/api/picks', operationId: 'picks', responses: [new OA\Response(response: 200, description: 'Symptoms and contexts', content: new OA\JsonContent(ref: PicksView::class))])]
    public function picks(TradeData $trade): JsonResponse
    {
        $views = static fn (array $picks): array => array_map(static fn (string $slug, string $words): PickView => new PickView($slug, $words), array_keys($picks), array_values($picks));

        return Answer::of(new PicksView($views($trade->rates()->symptoms()), $views($trade->rates()->contexts()), $views($trade->rates()->findings())));
    }
}
