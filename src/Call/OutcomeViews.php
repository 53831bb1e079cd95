<?php

declare(strict_types=1);

namespace App\Call;

use App\Api\View\GlanceView;
use App\Api\View\OutcomeView;
use App\Words\Percent;
use App\Words\Say;
use YellowProbe\Diagnosis\Expectation;
use YellowProbe\Diagnosis\Exposure;
use YellowProbe\Diagnosis\Fit;
use YellowProbe\Diagnosis\Hypothesis;
use YellowProbe\Diagnosis\Prospect;
use YellowProbe\Diagnosis\Ranking;
use YellowProbe\Diagnosis\Standing;
use YellowProbe\Fault\Condition;
use YellowProbe\Installation\House;
use YellowProbe\Instrument\Measurement;
use YellowProbe\Instrument\Reading;
use YellowProbe\Instrument\ReadingFormat;
use YellowProbe\Words\Message;

/** What a tester may show, as the page draws it: a few outcomes whose shares add up, on one scale with the range of this house. */
final readonly class OutcomeViews
{
    private const MOST = 3;

    /** A share below this is not worth a line of its own. */
    private const LEAST_REST = 0.005;

    /** The scale ends so far beyond what is likeliest to be read. */
    private const BEYOND = 1.06;

    public function __construct(private Kept $kept, private Say $say)
    {
    }

    /**
     * @param list<Condition> $forced what is done meanwhile to bring out what comes and goes
     *
     * @return array{list<OutcomeView>, float|null, float|null} outcomes, heaviest first, and where on their scale the range of this house lies
     */
    public function of(House $house, Measurement $measurement, Ranking $ranking, array $forced): array
    {
        $sound = new Expectation($this->kept->sound($house, $measurement), $measurement->instrument);
        $prospects = $this->prospects($house, $measurement, $ranking, $forced);
        $shown = \array_slice($prospects, 0, self::MOST);
        $end = $this->end($sound, $prospects);
        $rest = max(0.0, 1.0 - array_sum(array_map(static fn (Prospect $prospect): float => $prospect->weight, $shown)));
        $shares = array_map(static fn (Prospect $prospect): float => $prospect->weight, $shown);
        $percents = Percent::together([...$shares, ...($rest >= self::LEAST_REST ? [$rest] : [])]);
        $views = [];
        foreach ($shown as $at => $prospect) {
            $expectation = new Expectation($prospect->row, $measurement->instrument);
            [$from, $to] = self::onScale($expectation->span(), $end);
            $views[] = new OutcomeView($prospect->words, ReadingFormat::shown($prospect->row->shown, $measurement->instrument), $prospect->weight, $percents[$at], $expectation->range(), $from, $to);
        }
        if ($rest >= self::LEAST_REST) {
            $views[] = new OutcomeView($this->say->of(new Message('outcome.other'), $house->ruleSet), '', $rest, $percents[\count($shown)], '', null, null);
        }

        return [$views, ...self::onScale($sound->span(), $end)];
    }

    /**
     * What a figure would mean before it is stored.
     *
     * @param list<Condition> $forced
     */
    public function glance(House $house, Measurement $measurement, Ranking $ranking, array $forced, Reading $reading): GlanceView
    {
        $sound = new Expectation($this->kept->sound($house, $measurement), $measurement->instrument);
        $prospects = $this->prospects($house, $measurement, $ranking, $forced);
        $means = null;
        foreach (\array_slice($prospects, 0, self::MOST) as $at => $prospect) {
            if (null === $means && Fit::Off !== (new Expectation($prospect->row, $measurement->instrument))->fit($reading)) {
                $means = $at;
            }
        }
        $place = $sound->place($reading);

        return new GlanceView($sound->fit($reading)->value, $means, self::onScale(null === $place ? null : [$place, $place], $this->end($sound, $prospects))[0]);
    }

    /**
     * @param list<Condition> $forced
     *
     * @return list<Prospect> under the causes that still matter, heaviest first
     */
    private function prospects(House $house, Measurement $measurement, Ranking $ranking, array $forced): array
    {
        $causes = array_merge(...array_map(static fn (Standing $standing): array => [$standing->hypothesis, ...$standing->hypothesis->singles()], Prospect::causes($ranking)));
        $table = $this->kept->sketch($house, $measurement, [Hypothesis::sound(1.0), ...$causes])->after($ranking->repaired);

        return Prospect::of($ranking, $table, $measurement->instrument, (new Exposure(0, $forced))->in($measurement->state)->conditions);
    }

    /**
     * @param list<Prospect> $prospects
     *
     * @return float the place on the display at which the scale ends; 0 where nothing is a number
     */
    private function end(Expectation $sound, array $prospects): float
    {
        $spans = [$sound->span(), ...array_map(static fn (Prospect $prospect): ?array => (new Expectation($prospect->row, $sound->instrument))->span(), \array_slice($prospects, 0, self::MOST))];

        return self::BEYOND * max(0.0, ...array_map(static fn (?array $span): float => $span[1] ?? 0.0, $spans));
    }

    /**
     * @param array{float, float}|null $span places on the display
     *
     * @return array{float|null, float|null} shares of the scale
     */
    private static function onScale(?array $span, float $end): array
    {
        return null === $span || $end <= 0.0 ? [null, null] : [round(min(1.0, $span[0] / $end), 4), round(min(1.0, $span[1] / $end), 4)];
    }
}
