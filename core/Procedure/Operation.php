<?php

declare(strict_types=1);

namespace YellowProbe\Procedure;

use YellowProbe\Device\BreakerLaw;
use YellowProbe\Device\ResidualLaw;
use YellowProbe\Fault\Change;
use YellowProbe\Installation\Factors;
use YellowProbe\Installation\House;
use YellowProbe\Installation\Part;
use YellowProbe\Installation\State;
use YellowProbe\Instrument\Bench;
use YellowProbe\Instrument\Connection;
use YellowProbe\Instrument\Instruments;

/** What each protective device of a house sees in a state, and which of them opens first. */
final readonly class Operation
{
    /**
     * @param float      $residualAmperes phasor sum through it; 0 for a plain breaker
     * @param float      $lineAmperes     in its line pole
     * @param float      $probability     that the residual part of a specimen of its kind opens
     * @param float|null $seconds         until it opens, or null when it holds
     */
    private function __construct(public Part $device, public float $residualAmperes, public float $lineAmperes, public float $probability, public ?float $seconds)
    {
    }

    /** @return list<self> every closed device, the one that opens first leading, those that hold last */
    public static function all(House $house, State $state, ?Change $fault = null): array
    {
        $operations = [];
        foreach ($house->partsOfKind('residual-device', 'rcbo', 'residual-outlet', 'breaker', 'two-pole-breaker') as $device) {
            $operations[] = self::of($house, $device, $state, $fault ?? new Change());
        }
        usort($operations, static fn (self $a, self $b): int => [$a->seconds ?? \INF, $a->device->id] <=> [$b->seconds ?? \INF, $b->device->id]);

        return $operations;
    }

    private static function of(House $house, Part $device, State $state, Change $fault): self
    {
        $clamp = static fn (string ...$around): float => (new Bench($house, $state, Instruments::get('leakage-clamp'), Connection::around(...$around), new Factors()))->read($fault)->value;
        $residual = $probability = 0.0;
        $seconds = [];
        $behaviour = $fault->behaviour($device->id);
        if (\in_array($device->kind, ['residual-device', 'rcbo', 'residual-outlet'], true)) {
            $law = ResidualLaw::of($device);
            $residual = $clamp("+$device->id/L", "+$device->id/N");
            $probability = is_finite($behaviour->threshold) ? $law->probability($residual / $behaviour->threshold) : 0.0;
            $seconds[] = $residual >= $law->tripAmperes * $behaviour->threshold ? $law->seconds($residual) * $behaviour->time : \INF;
            if ($law->feelsGroundedNeutral(self::neutralLoop($house, $device, $state, $fault))) {
                $probability = 1.0;
                $seconds[] = $law->seconds($law->ratedAmperes);
            }
        }
        $lines = 'two-pole-breaker' === $device->kind ? ['L1', 'L2'] : ['L'];
        $line = max(array_map(static fn (string $pole): float => $clamp("+$device->id/$pole"), $lines));
        if (\in_array($device->kind, ['rcbo', 'breaker', 'two-pole-breaker'], true)) {
            $seconds[] = BreakerLaw::of($device)->seconds($line) ?? \INF;
        }
        $first = min([\INF, ...$seconds]);

        return new self($device, $residual, $line, $probability, is_finite($first) ? $first : null);
    }

    /** Ohms from the outgoing to the incoming neutral of a device past its own poles: through a contact to earth and the bond. */
    private static function neutralLoop(House $house, Part $device, State $state, Change $fault): float
    {
        [$out, $in] = 'residual-outlet' === $device->kind ? ['load-N', 'line-N'] : ['Nout', 'Nin'];
        $bench = new Bench($house, $state, Instruments::get('low-ohm'), Connection::leads($device->terminal($out), $device->terminal($in)));

        return $bench->read((new Change([$device->element('L'), $device->element('N')]))->and($fault))->value;
    }
}
