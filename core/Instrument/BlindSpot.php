<?php

declare(strict_types=1);

namespace YellowProbe\Instrument;

use YellowProbe\Fault\ResolvedChange;
use YellowProbe\Network\Elimination;
use YellowProbe\Network\Network;
use YellowProbe\Network\Screen;

/** Which faults a tester cannot notice where it is: of testers that read no more than is between their leads or in their jaw. */
final readonly class BlindSpot
{
    /** Where lamps are read, and where volts are. */
    private const UNSEEN_VOLTS = 1e-4;
    private const UNREAD_VOLTS = 1e-5;

    /** @param array<int, true> $embraced branches in the jaw, or through the device that is made to act */
    private function __construct(private Network $network, private Screen $screen, private array $embraced)
    {
    }

    /**
     * @param Elimination $elimination with what conducts by voltage in the sound house
     * @param list<int>   $leads
     *
     * @return self|null null for a tester that reads something else, or whose lead hangs in the air: what ties it there is noticed
     */
    public static function on(Network $network, Elimination $elimination, Instrument $instrument, Connection $connection, array $leads): ?self
    {
        $nodes = array_values(array_unique(\array_slice($leads, 0, -1)));
        // Four wires read less than any of them has to the ground; heat, a loop of clamps and a tripped breaker are no sums.
        if (\in_array($elimination->datum, $nodes, true) || $instrument instanceof LeakLocator || $instrument instanceof HeatInstrument || $instrument instanceof EarthClamps || $instrument instanceof DeviceWatch) {
            return null;
        }
        $weights = Jaw::weights($network, $elimination->datum, $connection->around);
        $screen = [] === $nodes && [] === $weights ? null : Screen::on($elimination, $nodes, array_column($weights, 1), Unit::Pattern === $instrument->unit() ? self::UNSEEN_VOLTS : self::UNREAD_VOLTS);

        return null === $screen ? null : new self($network, $screen, array_fill_keys(array_column($weights, 0), true));
    }

    /** Whether the reading is that of the sound house whatever the change makes of the rest. */
    public function covers(ResolvedChange $resolved): bool
    {
        if ([] === $resolved->with && [] === $resolved->without) {
            return false;
        }
        $changes = [];
        foreach ($resolved->without as $branch) {
            if (isset($this->embraced[$branch]) || 0.0 !== $this->network->jRe[$branch] || 0.0 !== $this->network->jIm[$branch]) {
                return false;
            }
            $standing = $resolved->standing[$branch] ?? null;
            [$a, $b] = [$this->network->from[$branch], $this->network->to[$branch]];
            $before = $this->network->admittance($branch)->modulus();
            if (null !== $standing && $standing[0] === $a && $standing[1] === $b) {
                $changes[] = [$a, $b, $before, $standing[2]->modulus()];
                continue;
            }
            $changes[] = [$a, $b, $before, 0.0];
            if (null !== $standing) {
                $changes[] = [$standing[0], $standing[1], 0.0, $standing[2]->modulus()];
            }
        }
        foreach ($resolved->standing as $branch => $standing) {
            if (isset($this->embraced[$branch]) || 0.0 !== $standing[3]->re || 0.0 !== $standing[3]->im || !\in_array($branch, $resolved->without, true)) {
                return false;
            }
        }
        for ($at = 0, $fresh = \count($resolved->with) - \count($resolved->standing); $at < $fresh; ++$at) {
            [$a, $b, $y, $j] = $resolved->with[$at];
            if (0.0 !== $j->re || 0.0 !== $j->im) {
                return false;
            }
            $changes[] = [$a, $b, 0.0, $y->modulus()];
        }

        return $this->screen->leavesAlone($changes);
    }
}
