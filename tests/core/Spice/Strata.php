<?php

declare(strict_types=1);

namespace YellowProbe\Tests\Spice;

use YellowProbe\Fault\FaultCatalogue;
use YellowProbe\Fault\FaultKind;
use YellowProbe\Fault\FaultNature;
use YellowProbe\Fault\FaultSite;
use YellowProbe\Installation\House;

/** Each fault that changes the circuit with each kind of circuit it can be on: "open-cpc on ring". */
final class Strata
{
    private const HOUSES = 120;

    /** What has no circuit: the supply, the board, what all share. */
    private const SHARED = 'board';

    /** @var list<string> */
    private static array $all = [];

    /** @return list<string> sorted, as found in the first random houses */
    public static function all(): array
    {
        if ([] === self::$all) {
            $found = [];
            for ($seed = 0; $seed < self::HOUSES; ++$seed) {
                $house = House::fromDocument((new RandomHouse($seed))->document());
                foreach (FaultCatalogue::all() as $kind) {
                    foreach (FaultNature::Network === $kind->nature() ? $kind->sites($house) : [] as $site) {
                        $found += array_fill_keys(self::of($house, $kind, $site), true);
                    }
                }
            }
            ksort($found);
            self::$all = array_keys($found);
        }

        return self::$all;
    }

    /** @return list<FaultSite> the places of a house in a stratum */
    public static function sites(House $house, FaultKind $kind, string $stratum): array
    {
        return array_values(array_filter($kind->sites($house), static fn (FaultSite $site): bool => \in_array($stratum, self::of($house, $kind, $site), true)));
    }

    /** @return list<string> */
    private static function of(House $house, FaultKind $kind, FaultSite $site): array
    {
        $claims = [];
        foreach ($site->things as $thing) {
            $cable = $house->cables[explode('/', $thing)[0]] ?? null;
            $circuit = isset($house->circuits[$thing]) ? $thing : (null !== $cable ? $cable->circuit : $house->circuitOfPart(explode('/', explode('.', $thing)[0])[0]));
            if (null !== $circuit) {
                $claims["{$kind->slug()} on {$house->circuits[$circuit]->claim}"] = true;
            }
        }

        return [] === $claims ? ["{$kind->slug()} on ".self::SHARED] : array_keys($claims);
    }
}
