<?php

declare(strict_types=1);

namespace YellowProbe\Installation\Part;

/** The register of part kinds. */
final class PartKinds
{
    /** @var array<string, PartKind>|null */
    private static ?array $kinds = null;

    public static function get(string $slug): ?PartKind
    {
        return self::all()[$slug] ?? null;
    }

    /** @return list<string> */
    public static function slugs(): array
    {
        return array_keys(self::all());
    }

    /** @return array<string, PartKind> */
    private static function all(): array
    {
        if (null === self::$kinds) {
            self::$kinds = [];
            foreach ([
                new Service(), new MainSwitch(), new ResidualDevice(), new Breaker(), new Rcbo(), new Bar(),
                new Socket(), new Junction(), new LightSwitch(), new Light(), new Appliance(),
                new Undrawn('electrode', ['E']), new Undrawn('metalwork', ['E']),
                new Undrawn('changeover', ['mainL', 'mainN', 'otherL', 'otherN', 'outL', 'outN']),
                new Undrawn('two-pole-breaker', ['in1', 'in2', 'out1', 'out2']),
                new Undrawn('residual-outlet', ['line-L', 'line-N', 'load-L', 'load-N', 'E', 'front-L', 'front-N', 'front-E']),
                new Undrawn('split-outlet', ['upper-L', 'upper-N', 'lower-L', 'lower-N', 'E']),
                new Undrawn('intermediate-switch', ['A1', 'A2', 'B1', 'B2', 'E']),
                new Undrawn('surge-device', ['L', 'N', 'E']),
            ] as $kind) {
                self::$kinds[$kind->slug()] = $kind;
            }
        }

        return self::$kinds;
    }
}
