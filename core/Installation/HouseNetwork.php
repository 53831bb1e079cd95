<?php

declare(strict_types=1);

namespace YellowProbe\Installation;

use YellowProbe\Installation\Part\PartContext;
use YellowProbe\Installation\Part\PartKinds;
use YellowProbe\Network\Network;
use YellowProbe\Network\NetworkBuilder;

/**
 * A house in a state as a network of resistors, capacitors and sources.
 *
 * Nodes are terminals ("part.key"), the star point "@star", the ground "@ground", and the loose end of every lifted
 * joint (named like the joint). A cable core with its two joints is one element, named "cable/core"; half of the
 * cable's insulation and capacitance stands at each of its ends. A joint that is probed is an element of its own, named
 * like the joint, and so is the node on the conductor's side of it.
 */
final class HouseNetwork
{
    /** The mass of earth. */
    public const GROUND = '@ground';

    /** A good joint or terminal. */
    public const JOINT_OHMS = 0.002;

    /** A short test link with two clips. */
    public const LINK_OHMS = 0.001;

    /** Sound PVC, per pair of conductors, MΩ·km. */
    public const MEGOHM_KM = 10000.0;

    /** kind of cable => pF/m of a pair with the cpc, and of any other pair (typical values T2) */
    private const PICOFARADS_PER_METRE = [
        'flat' => [100.0, 50.0],
        'multiwire' => [100.0, 50.0],
        'flex' => [120.0, 120.0],
        'armoured' => [250.0, 120.0],
        'mineral' => [250.0, 120.0],
        'conduit' => [30.0, 30.0],
        'steel-conduit' => [100.0, 50.0],
    ];

    /** @param list<string> $probed landed joints that a tester has a lead on the conductor's side of */
    public static function build(House $house, State $state, Excitation $excitation, Factors $factors = new Factors(), array $probed = []): Network
    {
        $builder = new NetworkBuilder();
        $builder->node(self::GROUND);
        $supply = Supply::of($house);
        $excitation = $excitation->at($supply->hertz);
        foreach ($house->terminals as $terminal) {
            $builder->node($terminal->id);
        }
        self::parts($builder, $house, $state, $excitation, $factors);
        foreach ($house->cables as $cable) {
            self::cable($builder, $cable, $state, $excitation, $factors, $probed);
        }
        foreach (array_keys($state->loads, State::HEATER, true) as $outlet) {
            if ($house->hasTerminal("$outlet-L")) {
                $builder->resistor("heater@$outlet", "$outlet-L", "$outlet-N", $supply->nominalVolts ** 2 / State::HEATER_WATTS);
            }
        }
        foreach ($state->links as $at => [$a, $b]) {
            $builder->resistor("link#$at", $a, $b, self::LINK_OHMS);
        }

        return $builder->build();
    }

    /**
     * What one factor touches, as it then is: only its elements, on nodes that mean nothing.
     *
     * @param string       $factor as in {@see Factors}
     * @param list<string> $probed as in {@see build()}
     */
    public static function touched(House $house, State $state, Excitation $excitation, string $factor, float $log, array $probed = []): Network
    {
        $builder = new NetworkBuilder();
        $excitation = $excitation->at(Supply::of($house)->hertz);
        $factors = new Factors([$factor => $log]);
        if ('insulation' !== $factor && !str_starts_with($factor, 'length:')) {
            self::parts($builder, $house, $state, $excitation, $factors);

            return $builder->build();
        }
        foreach ($house->cables as $cable) {
            if ('insulation' === $factor || "length:$cable->circuit" === $factor) {
                self::cable($builder, $cable, $state, $excitation, $factors, $probed);
            }
        }

        return $builder->build();
    }

    private static function parts(NetworkBuilder $builder, House $house, State $state, Excitation $excitation, Factors $factors): void
    {
        $context = new PartContext($builder, $house, $state, $excitation, $factors, Supply::of($house));
        foreach ($house->parts as $part) {
            (PartKinds::get($part->kind) ?? throw new HouseError("/parts/$part->id/kind", 'Unknown kind of part.'))->build($part, $context);
        }
    }

    /** @param list<string> $probed */
    private static function cable(NetworkBuilder $builder, Cable $cable, State $state, Excitation $excitation, Factors $factors, array $probed): void
    {
        $stretch = null === $cable->circuit ? 1.0 : $factors->times("length:$cable->circuit");
        $joint = $cable->attributes->positive('jointOhms', self::JOINT_OHMS);
        $ends = [];
        foreach ($cable->cores as $core) {
            $joints = 0;
            foreach ([1, 2] as $end) {
                $terminal = $core->ends[$end - 1];
                $loose = null === $terminal || $state->isLifted($core->joint($end));
                $own = !$loose && \in_array($core->joint($end), $probed, true);
                if ($own) {
                    $builder->resistor($core->joint($end), $core->joint($end), $terminal, max($joint, 1e-6));
                }
                $ends[$core->key][$end] = $loose || $own ? $core->joint($end) : $terminal;
                $joints += $loose || $own ? 0 : 1; // a lifted end has no joint to add ohms
            }
            $ohms = $cable->coreOhms($core) * $stretch + $joints * $joint;
            $builder->resistor($core->element(), $ends[$core->key][1], $ends[$core->key][2], max($ohms, 1e-6));
        }
        $metres = $cable->lengthMetres->value * $stretch;
        if ($metres <= 0.0) {
            return;
        }
        [$toEarth, $across] = self::PICOFARADS_PER_METRE[$cable->kind] ?? throw new HouseError("/cables/$cable->id/kind", \sprintf('No kind of cable is called "%s"; known are %s.', $cable->kind, implode(', ', array_keys(self::PICOFARADS_PER_METRE))));
        $siemens = $metres / 1000.0 / ($cable->attributes->positive('insulationMegohmKm', self::MEGOHM_KM) * 1e6 * $factors->times('insulation'));
        foreach (Shunts::pairs($cable) as [$a, $b]) {
            $perMetre = Role::Earth === $a->role || Role::Earth === $b->role ? $toEarth : $across;
            $susceptance = $excitation->susceptance($perMetre * 1e-12 * $metres);
            foreach ([1, 2] as $end) {
                $builder->admittance(Shunts::element($cable, $a, $b, $end), $ends[$a->key][$end], $ends[$b->key][$end], $siemens / 2.0, $susceptance / 2.0);
            }
        }
    }
}
