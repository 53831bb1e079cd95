<?php

declare(strict_types=1);

namespace YellowProbe\Instrument;

use YellowProbe\Device\ResidualLaw;
use YellowProbe\Installation\Excitation;
use YellowProbe\Installation\Supply;
use YellowProbe\Network\Complex;
use YellowProbe\Network\PortNetwork;

/**
 * The residual-device tester: draws a multiple of the rated residual current from line to earth and times the device,
 * or raises it slowly and shows where it opens. The current that the device sees is the phasor sum of its standing
 * residual and the share of the test current that does not come back through the neutral.
 *
 * Over range says that it did not open; "no supply" that the test was not possible: no voltage, no earth, or more than
 * 50 V on the metalwork.
 */
final readonly class ResidualTester implements Instrument
{
    private const TOUCH_VOLTS = 50.0;
    private const LEAST_SHARE = 0.435;

    /** The ramp ends at this multiple of the rating. */
    private const RAMP_END = 1.1;

    /**
     * @param float $multiple of the rated residual current; 0 for the ramp
     * @param float $seconds  it waits for
     * @param int   $sign     −1 when it starts with the other half-wave (180°)
     */
    private function __construct(private string $slug, private string $words, public float $multiple, private float $seconds, private int $sign)
    {
    }

    /** @return list<self> every setting: ½, 1, 2 and 5 times and the ramp, at 0° and 180° */
    public static function settings(): array
    {
        $settings = [];
        foreach (['half' => [0.5, '½ ×', 2.0], '1' => [1.0, '1 ×', 0.5], '2' => [2.0, '2 ×', 0.5], '5' => [5.0, '5 ×', 0.2], 'ramp' => [0.0, 'ramp', 0.0]] as $name => [$multiple, $words, $seconds]) {
            $settings[] = new self("rcd-$name", "Residual tester, $words", $multiple, $seconds, 1);
            $settings[] = new self("rcd-$name-180", "Residual tester, $words at 180°", $multiple, $seconds, -1);
        }

        return $settings;
    }

    public function slug(): string
    {
        return $this->slug;
    }

    public function words(): string
    {
        return $this->words;
    }

    public function unit(): Unit
    {
        return $this->isRamp() ? Unit::Ampere : Unit::Second;
    }

    public function leads(): array
    {
        return ['L', 'E'];
    }

    public function deadOnly(): bool
    {
        return false;
    }

    public function trap(): string
    {
        return 'Standing leakage adds as a phasor; a neutral–earth contact takes test current back through the neutral; it needs an earth; another device in the path may open instead.';
    }

    public function excitation(): Excitation
    {
        return Excitation::mains();
    }

    public function apply(PortNetwork $ports, array $leads, Supply $supply): Shown
    {
        throw new \LogicException('A residual tester needs the device that it makes act.');
    }

    /**
     * @param Complex $siemens  of what is behind the lead
     * @param Complex $amperes  that flow when it is shorted
     * @param Complex $standing residual of the device, A
     * @param Complex $share    of a current into the lead that the device sees as residual
     * @param float   $factor   of the trip current of this specimen
     */
    public function act(Complex $siemens, Complex $amperes, Complex $standing, Complex $share, ResidualLaw $law, float $factor, float $time, Supply $supply): Shown
    {
        if (0.0 === $siemens->modulus()) {
            return Shown::nothing();
        }
        $open = $amperes->over($siemens);
        $largest = $this->isRamp() ? self::RAMP_END * $law->ratedAmperes : $this->multiple * $law->ratedAmperes;
        if ($open->modulus() < self::LEAST_SHARE * $supply->nominalVolts || $largest / $siemens->modulus() > self::TOUCH_VOLTS) {
            return Shown::nothing();
        }
        // In phase with the voltage, out of the line and into the earth.
        $share = $share->times($open->times(new Complex(-$this->sign / $open->modulus())));
        $trip = $law->tripAmperes * $factor;
        if ($standing->modulus() >= $trip) {
            return Shown::nothing(); // it does not hold
        }
        if ($this->isRamp()) {
            $reached = self::reaching($standing, $share, $trip);

            return $reached > $largest ? Shown::over(2.0 * $this->scale()->top()) : Shown::value($reached);
        }
        $seen = $standing->plus($share->times(new Complex($largest)))->modulus();
        $seconds = $seen < $trip ? \INF : $law->seconds($seen) * $time;

        return $seconds > $this->seconds ? Shown::over(2.0 * $this->seconds) : Shown::value($seconds);
    }

    public function scale(): Scale
    {
        return $this->isRamp() ? new Scale([[1.0, 0.1e-3]]) : new Scale([[$this->seconds, 1e-3]]);
    }

    public function accuracy(): Accuracy
    {
        // Times: 1 % + 1 ms, and the device itself wanders by some ms; ramp: 5 % and a step of 3 % of 30 mA.
        return $this->isRamp() ? new Accuracy(0.05, 1.0, 1e-3) : new Accuracy(0.01, 1.0, 12e-3);
    }

    private function isRamp(): bool
    {
        return 0.0 === $this->multiple;
    }

    /** The test current at which |standing + share·I| reaches the trip current: |a|²I² + 2 Re(a·s*)·I + |s|² − T² = 0. */
    private static function reaching(Complex $standing, Complex $share, float $trip): float
    {
        $a = $share->modulus() ** 2;
        if ($a < 1e-18) {
            return \INF;
        }
        $b = 2.0 * ($share->re * $standing->re + $share->im * $standing->im);
        $c = $standing->modulus() ** 2 - $trip ** 2;

        return (-$b + sqrt($b * $b - 4.0 * $a * $c)) / (2.0 * $a);
    }
}
