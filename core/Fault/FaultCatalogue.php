<?php

declare(strict_types=1);

namespace YellowProbe\Fault;

/** The register of fault kinds. A new kind is one new class and its row here. */
final class FaultCatalogue
{
    /** Raised whenever a kind, its sites or its severities change, so that stored predictions are not mixed. */
    public const VERSION = '3';

    /** @return array<string, FaultKind> by slug */
    public static function all(): array
    {
        $kinds = [];
        foreach ([new LineNeutralReversed(), new NeutralEarthSwapped(), new LineEarthSwapped(), new AccessoryContact(), new NeutralWrongBar(), new OpenLine(), new OpenNeutral(), new OpenCpc(), new LineEarthLeak(), new LineNeutralFault(), new NeutralEarthFault(), new BorrowedNeutral(), new JoinedNeutrals(), new HighResistanceJoint()] as $kind) {
            $kinds[$kind->slug()] = $kind;
        }

        return $kinds;
    }

    /** @throws \OutOfBoundsException */
    public static function get(string $slug): FaultKind
    {
        return self::all()[$slug] ?? throw new \OutOfBoundsException(\sprintf('No fault is called "%s"; known are %s.', $slug, implode(', ', array_keys(self::all()))));
    }
}
