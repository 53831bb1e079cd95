<?php

declare(strict_types=1);

namespace YellowProbe\Fault;

/** The register of fault kinds, in the order of the trade's catalogue. A new kind is one new class and its row here. */
final class FaultCatalogue
{
    /** Raised whenever a kind, its sites or its severities change, so that stored predictions are not mixed. */
    public const VERSION = '7';

    /** @return array<string, FaultKind> by slug */
    public static function all(): array
    {
        $kinds = [];
        foreach ([...self::connections(), ...self::opens(), ...self::neutrals(), ...self::leaks(), ...self::supply(), ...self::joints(), ...self::appliances(), ...DeviceFault::all(), new RcdInSeries(), new ArcDeviceFalseTrip(), ...LookOnly::all()] as $kind) {
            $kinds[$kind->slug()] = $kind;
        }

        return $kinds;
    }

    /** @throws \OutOfBoundsException */
    public static function get(string $slug): FaultKind
    {
        return self::all()[$slug] ?? throw new \OutOfBoundsException(\sprintf('No fault is called "%s"; known are %s.', $slug, implode(', ', array_keys(self::all()))));
    }

    /** @return list<FaultKind> */
    private static function connections(): array
    {
        return [
            new LineNeutralReversed(), new LineEarthSwapped(), new NeutralEarthSwapped(), new BootlegEarth(), new ReversedBootleg(), new SupplyPolarityReversed(),
            new HeadCrossed(), new TabNotRemoved(), new TabNeutralRemoved(), new LineLoadSwapped(), new SwitchInNeutral(),
        ];
    }

    /** @return list<FaultKind> opens, rings and spurs */
    private static function opens(): array
    {
        return [
            new OpenLine(), new OpenNeutral(), new OpenCpc(), new NoCpc(), new StrapperOpen(), new AccessoryContact(), new EarthingConductorOpen(),
            new SupplyNeutralOpen(), new LostPen(), new LostSupplyNeutral(), new RingOpen(), new RingCrossJoined(), new RingBridged(), new SpurOnSpur(),
        ];
    }

    /** @return list<FaultKind> */
    private static function neutrals(): array
    {
        return [
            new BorrowedNeutral(), new JoinedNeutrals(), new NeutralWrongBar(), new RcboNeutralOnBar(), new RcboNeutralsSwapped(), new DeviceMixedGroups(),
            new MultiwireThroughDevice(), new MultiwireSameLeg(), new NeutralEarthFault(), new SecondNeBond(),
        ];
    }

    /** @return list<FaultKind> */
    private static function leaks(): array
    {
        return [
            new LineEarthLeak(), new LineNeutralFault(), new LowInsulation(), new PinchedLead(), new BuriedCableDamaged(), new ElementDamp(),
            new ElementFailed(), new ElementBrokenLeaking(), new StandingLeakage(), new SurgeDeviceFailed(),
        ];
    }

    /** @return list<FaultKind> supply and coupling */
    private static function supply(): array
    {
        return [
            new ElectrodeDry(), new BondingMissing(), new ParallelEarth(), new NetworkCurrent(), new InducedCurrent(), new CapacitiveGlow(),
            new BackupLinkStuck(), new BackupLinkMissing(),
        ];
    }

    /** @return list<FaultKind> */
    private static function joints(): array
    {
        return [new HighResistanceJoint(), new LooseBusbar(), new LooseNeutralBar(), new OverloadedOutlet(), new UndersizedFlex()];
    }

    /** @return list<FaultKind> */
    private static function appliances(): array
    {
        return [ApplianceContact::short(), ApplianceContact::leak(), new Overload()];
    }
}
