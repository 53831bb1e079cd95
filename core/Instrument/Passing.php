<?php

declare(strict_types=1);

namespace YellowProbe\Instrument;

use YellowProbe\Device\BreakerLaw;
use YellowProbe\Device\ResidualLaw;
use YellowProbe\Fault\Change;
use YellowProbe\Installation\Factors;
use YellowProbe\Installation\House;
use YellowProbe\Installation\HouseError;
use YellowProbe\Installation\Part;
use YellowProbe\Installation\Protection;
use YellowProbe\Installation\Supply;
use YellowProbe\Network\Complex;

/** What passes through a jaw or through the poles of a device, as whatever looks at it shows it. */
final readonly class Passing
{
    public function __construct(private House $house, private Instrument $instrument, private Connection $connection, private Factors $factors, private Supply $supply)
    {
    }

    /** @param list<array{Complex, bool, Complex}> $currents of the embraced conductors, whether each counts backward, and the volts along it */
    public function shown(array $currents, Change $fault): Shown
    {
        return match (true) {
            $this->instrument instanceof HeatInstrument => Shown::levels([max([0.0, ...array_map(static fn (array $passing): float => $passing[2]->re * $passing[0]->re + $passing[2]->im * $passing[0]->im, $currents)])]),
            $this->instrument instanceof DeviceWatch => $this->watched($currents, $fault, $this->instrument->isBrief),
            default => JawSum::shown($this->instrument, $currents),
        };
    }

    /** What a tester shows that makes the device act: {@see ResidualTester::act()}. */
    public function acted(ResidualTester $tester, Complex $siemens, Complex $amperes, Complex $standing, Complex $share, Change $fault): Shown
    {
        $device = $this->device() ?? throw new HouseError('/around/0', 'A residual tester acts on a device: give its poles as "+device/L" and "+device/N".');
        $behaviour = $fault->behaviour($device->id);
        $law = ResidualLaw::of($device);

        return $tester->act($siemens, $amperes, $standing, $share, $law, $behaviour->threshold * $law->specimen($this->factors->times('device')), $behaviour->time, $this->supply);
    }

    /**
     * What a device sees over what opens it: the residual of its poles, and the current of its line where it is a breaker.
     *
     * @param list<array{Complex, bool, Complex}> $currents
     */
    private function watched(array $currents, Change $fault, bool $isBrief): Shown
    {
        $device = $this->device() ?? throw new HouseError('/around/0', 'Name the device that is watched: its poles as "+device/L" and "+device/N", of a breaker "+device/L".');
        $level = 0.0;
        if (Protection::isResidual($device)) {
            $law = ResidualLaw::of($device);
            $level = JawSum::shown($this->instrument, $currents)->value / ($law->tripAmperes * $law->specimen($this->factors->times('device')) * $fault->behaviour($device->id)->threshold);
        }
        if (\in_array($device->kind, ['breaker', 'two-pole-breaker', 'rcbo'], true)) {
            $law = BreakerLaw::of($device);
            $opensFrom = $isBrief ? $law->atOnceAmperes() : $law->holdsAmperes();
            $level = max([$level, ...array_map(static fn (array $current): float => $current[0]->modulus() / $opensFrom, $currents)]);
        }

        return Shown::levels([$level]);
    }

    private function device(): ?Part
    {
        return $this->house->parts[$this->connection->device()] ?? null;
    }
}
