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
                new Electrode(), new Metalwork(), new TwoPoleBreaker(), new Changeover(), new BackupSource(),
                new ResidualOutlet(), new SplitOutlet(), new IntermediateSwitch(), new SurgeDevice(),
            ] as $kind) {
                self::$kinds[$kind->slug()] = $kind;
            }
        }

        return self::$kinds;
    }
}
