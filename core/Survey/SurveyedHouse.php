<?php

declare(strict_types=1);

namespace YellowProbe\Survey;

use YellowProbe\Installation\HouseDraft;
use YellowProbe\Installation\HouseError;

/** The house that a survey sheet describes, with typical points and cables, and what is left to be found out. */
final readonly class SurveyedHouse
{
    private const FIRST_METRES = 8.0;
    private const FAR_METRES = 22.0;
    private const NEXT_METRES = 4.5;
    private const DROP_METRES = 3.5;

    /** What the supply is taken for until it is measured; loops as distributors declare them at most, halved. */
    private const SUPPLY = [
        'TN-C-S' => ['lineOhms' => 0.08, 'neutralOhms' => 0.08, 'outsideVolts' => 1.5, 'bondingOhms' => 10.0],
        'TN-S' => ['lineOhms' => 0.09, 'neutralOhms' => 0.09, 'protectiveOhms' => 0.25, 'outsideVolts' => 1.5, 'bondingOhms' => 10.0],
        'TT' => ['lineOhms' => 0.15, 'neutralOhms' => 0.15, 'outsideVolts' => 2.0, 'electrodeOhms' => 80.0, 'starElectrodeOhms' => 5.0],
        'split' => ['volts' => 120, 'lineOhms' => 0.03, 'neutralOhms' => 0.03, 'starElectrodeOhms' => 5.0],
    ];

    /** Personnel devices of rule set B trip between 4 and 6 mA. */
    private const PERSONNEL_MILLIAMPS = 5.0;
    private const MILLIAMPS = 30.0;

    /** What stands for all that is plugged in on a circuit until somebody looks: off, but for 0.7 mA through filters at 230 V. */
    private const PLUGGED_IN = ['watts' => 60.0, 'electronic' => true, 'filterNanofarads' => 10.0];

    /**
     * @param array<string, mixed> $document
     * @param list<string>         $open     what was assumed and should be seen or measured, in words
     * @param array<string, float> $earthing probability of each arrangement by what was ticked
     */
    private function __construct(public array $document, public array $open, public array $earthing)
    {
    }

    /** @throws HouseError when the sheet asks for what is not on the lists */
    public static function of(string $name, Sheet $sheet, SurveyCatalogue $catalogue): self
    {
        $earthing = $catalogue->earthing($sheet->ruleSet);
        $probabilities = $earthing->probabilities($sheet->evidence);
        $system = $sheet->system ?? (string) array_key_first($probabilities);
        $open = self::earthingOpen($sheet, $earthing, $probabilities, $system);
        $supply = self::SUPPLY[$system] ?? null;
        if (null === $supply || !isset($probabilities[$system])) {
            throw new HouseError('/system', 'Expected one of '.implode(', ', array_keys($probabilities)).'.');
        }
        $draft = new HouseDraft($name, ['system' => $system] + $supply, \count($sheet->ways), '' === $sheet->room ? 'Hall' : $sheet->room, $sheet->ruleSet, $sheet->mainAmperes);
        $feeds = $catalogue->feeds($sheet->ruleSet);
        $group = -1;
        $used = [];
        foreach ($sheet->ways as $at => $way) {
            for (; $group < $way->group; ++$group) {
                self::group($draft, $group + 1, $sheet->groups[$group + 1], 'split' === $system);
            }
            if ('blank' === $way->device) {
                $draft->blank();
                continue;
            }
            if (null === $way->feeds) {
                $draft->spare($way->amperes, $way->curve);
                continue;
            }
            $typical = $feeds[$way->feeds] ?? throw new HouseError("/ways/$at/feeds", 'Expected one of '.implode(', ', array_keys($feeds)).', or nothing for a spare.');
            $times = $used[$typical->slug] = ($used[$typical->slug] ?? 0) + 1;
            self::way($draft, $at + 1, $way, $typical, $times, $sheet->ruleSet);
            if ('unknown' === $way->neutral && 'rcbo' === $way->device && 'B' !== $sheet->ruleSet) {
                $open[] = \sprintf('Way %d: whether its device switches the neutral is not known; taken as one that does not. Dead tests at its outgoing terminals read otherwise if it does.', $at + 1);
            }
        }
        $open[] = 'Lengths, cables and points are typical, not seen: refine them where the fault is.';
        $open[] = 'One appliance stands on every circuit of sockets for all that is plugged in there: pull everything out where a test wants it out.';

        return new self($draft->document(), $open, $probabilities);
    }

    /** @param array{name: string, milliamps: float, type: string, jumperMm2: float} $group */
    private static function group(HouseDraft $draft, int $number, array $group, bool $isSplit): void
    {
        if ($group['milliamps'] > 0.0) {
            $isSplit ? throw new HouseError("/groups/$number", 'In a panel of two legs residual devices belong to single ways or outlets.') : $draft->residualDevice("rcd-$number", '' === $group['name'] ? 'Residual device' : $group['name'], $group['milliamps'], $group['type']);
        } elseif (!$isSplit) {
            $draft->direct();
        }
    }

    private static function way(HouseDraft $draft, int $number, Way $way, Feeds $typical, int $times, string $ruleSet): void
    {
        $circuit = 1 === $times ? $typical->slug : "$typical->slug-$times";
        $name = '' !== $way->name ? $way->name : (1 === $times ? $typical->words : "$typical->words $times");
        $first = $typical->isFar ? self::FAR_METRES : self::FIRST_METRES;
        $points = self::points($typical, $way->points ?? \count($typical->points), $times);
        if ('two-pole' === $typical->shape) {
            if ('rcbo' === $way->device) {
                throw new HouseError('/ways/'.($number - 1).'/device', 'A load between two legs is on a breaker of two poles.');
            }
            $draft->betweenLegs($circuit, $name, $way->amperes, "$circuit-1", $points[0], $first, $typical->load, $typical->cable);

            return;
        }
        if ('rcbo' === $way->device) {
            $draft->rcboWay($circuit, $name, $typical->claim, $way->amperes, $way->curve, 'yes' === $way->neutral, 'B' === $ruleSet ? self::PERSONNEL_MILLIAMPS : self::MILLIAMPS);
        } else {
            $draft->way($circuit, $name, $typical->claim, $way->amperes, $way->curve);
        }
        $run = [];
        foreach ($points as $at => $point) {
            $run[] = ["$circuit-".($at + 1), $point, $point, 0 === $at ? $first : self::NEXT_METRES];
        }
        $isSockets = \in_array($typical->shape, ['ring', 'radial'], true);
        match ($typical->shape) {
            'ring' => $draft->sockets($circuit, $run, self::FIRST_METRES, $typical->cable),
            'lights' => $draft->lights($circuit, array_map(static fn (array $point): array => [...$point, self::DROP_METRES], $run), 40.0, 'filament', $typical->cable),
            'fixed' => $draft->fixed($circuit, "$circuit-1", $points[0], $points[0], $first, $typical->load, $typical->cable, $typical->isAlarm ? 'on' : 'off'),
            default => $draft->sockets($circuit, $run, null, $typical->cable),
        };
        if ($isSockets) {
            $draft->appliance("$circuit-plugged", "Appliances on $name", $run[intdiv(\count($run), 2)][0].'.front', self::PLUGGED_IN, 'off');
        }
    }

    /** @return non-empty-list<string> names, made longer than the typical list by counting on */
    private static function points(Feeds $typical, int $count, int $times): array
    {
        $names = [];
        for ($at = 0; $at < max(1, $count); ++$at) {
            $name = $typical->points[$at] ?? $typical->words.', point '.($at + 1);
            $names[] = 1 === $times ? $name : "$name $times";
        }

        return $names;
    }

    /**
     * @param array<string, float> $probabilities
     *
     * @return list<string>
     */
    private static function earthingOpen(Sheet $sheet, Earthing $earthing, array $probabilities, string $system): array
    {
        if (!$earthing->isOpen() || ($probabilities[$system] ?? 1.0) >= Earthing::CLEAR) {
            return [];
        }
        if ([] === $sheet->evidence) {
            return ["Earthing: nothing ticked. Taken as $system until it is seen or measured."];
        }

        return [\sprintf('Earthing ambiguous: verify. What is ticked fits %s. Taken as %s; measure the external loop with the earthing conductor off, main locked off, nothing in it.', implode(', ', array_map(static fn (string $one, float $share): string => \sprintf('%s %d %%', $one, round(100 * $share)), array_keys($probabilities), $probabilities)), $system)];
    }
}
