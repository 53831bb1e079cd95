<?php

declare(strict_types=1);

namespace YellowProbe\Survey;

use YellowProbe\Installation\Circuit;
use YellowProbe\Installation\House;
use YellowProbe\Installation\Part;
use YellowProbe\Installation\Protection;
use YellowProbe\Installation\Ratings;

/** A board as it is built (handbook, section 16): what goes off together, what is too small, what nothing protects. */
final class BoardJudgement
{
    /** Diversity in a dwelling: the largest circuit whole, the others by four tenths. A rule of thumb; a load survey overrides it. */
    public const DIVERSITY = 0.4;

    private const SHARED = ['residual-device', 'main-switch', 'two-pole-breaker'];

    /** @return list<DeviceJudgement> devices that more than one circuit hangs on, the widest first */
    public static function of(House $house): array
    {
        $behind = [];
        foreach ($house->circuits as $circuit) {
            foreach (Protection::devices($house, $circuit->id) as $device) {
                $behind[$device->id][$circuit->id] = $circuit;
            }
        }
        $judgements = [];
        foreach ($behind as $id => $circuits) {
            $device = $house->parts[$id];
            if (\in_array($device->kind, self::SHARED, true) && \count($circuits) > 1) {
                $judgements[] = self::device($house, $device, array_values($circuits));
            }
        }
        usort($judgements, static fn (DeviceJudgement $a, DeviceJudgement $b): int => [\count($b->circuits), $a->device] <=> [\count($a->circuits), $b->device]);

        return $judgements;
    }

    /** @return list<string> circuits with sockets that no residual device watches, in words */
    public static function unprotected(House $house): array
    {
        $found = [];
        foreach ($house->circuits as $circuit) {
            $sockets = array_filter($house->partsOfKind('socket', 'split-outlet'), static fn (Part $part): bool => $house->circuitOfPart($part->id) === $circuit->id);
            if ([] !== $sockets && null === Protection::residualDevice($house, $circuit->id)) {
                $found[] = "$circuit->name: sockets without residual protection. Was that allowed when it was installed? New and altered work follows today’s rules.";
            }
        }

        return $found;
    }

    /** @param non-empty-list<Circuit> $circuits */
    private static function device(House $house, Part $device, array $circuits): DeviceJudgement
    {
        $ratings = array_map(static fn (Circuit $circuit): float => Ratings::knownAmperes($house->parts[$circuit->way]) ?? 0.0, $circuits);
        $sum = array_sum($ratings);
        $diverse = max($ratings) + self::DIVERSITY * ($sum - max($ratings));
        $amperes = Ratings::knownAmperes($device) ?? 0.0;
        $remarks = [];
        if ($amperes > 0.0 && $diverse > $amperes) {
            $remarks[] = \sprintf('Rated %s A, with %.0f A behind it even with diversity: too small, unless something ahead of it protects it.', self::figure($amperes), $diverse);
        } elseif ($amperes > 0.0 && $sum > $amperes) {
            $remarks[] = \sprintf('Rated %s A, with %.0f A behind it and %.0f A with diversity: enough as long as the load stays what it is.', self::figure($amperes), $sum, $diverse);
        }
        $lights = array_filter($house->circuits, static fn (Circuit $circuit): bool => 'lighting' === $circuit->claim);
        $dark = array_filter($circuits, static fn (Circuit $circuit): bool => 'lighting' === $circuit->claim);
        if (Protection::isResidual($device) && [] !== $dark && \count($dark) === \count($lights)) {
            $remarks[] = 'All lights go off with it: somebody stands in the dark after a trip.';
        }
        foreach ($circuits as $circuit) {
            if (Protection::isResidual($device) && 1 === preg_match('/alarm/i', $circuit->name)) {
                $remarks[] = "$circuit->name goes off with it: the alarms live on their battery after a trip.";
            }
        }

        return new DeviceJudgement($device->name, array_map(static fn (Circuit $circuit): string => $circuit->name, $circuits), $amperes > 0.0 ? $amperes : null, $sum, $diverse, $remarks);
    }

    private static function figure(float $amperes): string
    {
        return rtrim(rtrim(\sprintf('%.1f', $amperes), '0'), '.');
    }
}
