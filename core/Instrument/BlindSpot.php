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
    private function __construct(private Screen $screen, private array $embraced)
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
        // Four wires read less than any of them has to the ground; a loop of clamps and a tripped breaker are no sums.
        if (\in_array($elimination->datum, $nodes, true) || $instrument instanceof LeakLocator || $instrument instanceof EarthClamps || $instrument instanceof DeviceWatch) {
            return null;
        }
        $weights = Jaw::weights($network, $elimination->datum, $connection->around);
        $screen = [] === $nodes && [] === $weights ? null : Screen::on($elimination, $nodes, array_column($weights, 1), Unit::Pattern === $instrument->unit() ? self::UNSEEN_VOLTS : self::UNREAD_VOLTS);

        return null === $screen ? null : new self($screen, array_fill_keys(array_column($weights, 0), true));
    }

    /**
     * Whether the reading is that of the sound house whatever the change makes of the rest.
     *
     * @param list<array{int, int, float, float, float, float, float, float, int}> $differences {@see ResolvedChange::differences()}
     */
    public function covers(array $differences): bool
    {
        $changes = [];
        foreach ($differences as [$a, $b, $wasRe, $wasIm, $isRe, $isIm, $jRe, $jIm, $branch]) {
            if (isset($this->embraced[$branch]) || 0.0 !== $jRe || 0.0 !== $jIm) {
                return false;
            }
            $changes[] = [$a, $b, hypot($wasRe, $wasIm), hypot($isRe, $isIm)];
        }

        return [] !== $changes && $this->screen->leavesAlone($changes);
    }
}
