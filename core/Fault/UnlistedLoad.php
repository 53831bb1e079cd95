<?php

declare(strict_types=1);

namespace YellowProbe\Fault;

use YellowProbe\Installation\House;
use YellowProbe\Installation\Part\Outlets;

/**
 * Something is plugged in that the survey does not hold: no fault, but it changes readings as one does. Severity is its
 * resistance at 230 V (900 W, 150 W, 40 W); its filter couples 5 nF from each pole to earth.
 */
final readonly class UnlistedLoad extends NamedFault
{
    private const FILTER_FARADS = 5e-9;

    public function __construct()
    {
        parent::__construct('unlisted-load', 'A load that the survey does not hold', '', [60.0, 350.0, 1300.0]);
    }

    public function nature(): FaultNature
    {
        return FaultNature::Survey;
    }

    /** One for each circuit with outlets, at the one in its middle: where along it hardly shows. */
    public function sites(House $house): array
    {
        $points = [];
        foreach (Outlets::all($house) as [$part, $outlet]) {
            $circuit = $house->circuitOfPart($part->id);
            if (null !== $circuit) {
                $points[$circuit][] = [$part, $outlet];
            }
        }
        ksort($points);
        $sites = [];
        foreach ($points as $circuit => $own) {
            [$part, $outlet] = $own[intdiv(\count($own), 2)];
            $terminals = array_map(static fn (string $pole): string => Outlets::behind($part, $outlet, $pole), ['L', 'N', 'E']);
            $sites[] = new FaultSite((string) $circuit, $terminals, [], "on {$house->circuits[$circuit]->name}");
        }

        return $sites;
    }

    public function change(House $house, FaultSite $site, float $ohms): Change
    {
        [$line, $neutral, $earth] = $site->things;
        $with = [NewBranch::contact($line, $neutral, $ohms)];
        if ($house->hasTerminal($earth)) {
            $with[] = NewBranch::capacitor($line, $earth, self::FILTER_FARADS);
            $with[] = NewBranch::capacitor($neutral, $earth, self::FILTER_FARADS);
        }

        return new Change([], $with);
    }
}
