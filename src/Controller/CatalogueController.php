<?php

declare(strict_types=1);

namespace App\Controller;

use App\Api\Answer;
use App\Api\View\InstrumentView;
use App\Api\View\LookView;
use App\Api\View\PicksView;
use App\Api\View\PickView;
use App\Call\AtRisk;
use App\Call\TradeData;
use App\Security\Act;
use OpenApi\Attributes as OA;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\IsGranted;
use YellowProbe\Instrument\Instruments;
use YellowProbe\Instrument\PatternInstrument;
use YellowProbe\Instrument\ReadingParser;
use YellowProbe\Instrument\ResidualTester;
use YellowProbe\Rules\Look;

/** The lists that the page offers: testers, symptoms, contexts. */
#[IsGranted(Act::SEE)]
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
        /** @param array<string, string> $picks */
        $views = static fn (array $picks): array => array_map(static fn (string $slug, string $words): PickView => new PickView($slug, $words), array_keys($picks), array_values($picks));
        $rates = $trade->rates();
        $begun = static fn (string $with): array => array_filter($rates->contexts(), static fn (string $slug): bool => str_starts_with($slug, $with), \ARRAY_FILTER_USE_KEY);
        [$resets, $onsets] = [$begun('resets-'), $begun('onset-')];
        $atRisk = array_combine(array_map(static fn (AtRisk $case): string => $case->value, AtRisk::cases()), array_map(static fn (AtRisk $case): string => $case->words(), AtRisk::cases()));
        $areas = $trade->looks()->areas();
        $looks = array_map(static fn (Look $look): LookView => new LookView($look->slug, $areas[$look->area], $look->words, $look->class, '' !== $look->finding, $look->ruleSets), array_values($trade->looks()->all()));

        return Answer::of(new PicksView($views($rates->symptoms()), $views(array_diff_key($rates->contexts(), $resets, $onsets)), $views($resets), $views($onsets), $views($rates->findings()), $views($atRisk), $looks));
    }
}
