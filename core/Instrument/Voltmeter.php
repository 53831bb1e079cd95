<?php

declare(strict_types=1);

namespace YellowProbe\Instrument;

use YellowProbe\Installation\Excitation;
use YellowProbe\Installation\Supply;
use YellowProbe\Network\PortNetwork;

/** A voltmeter of high or low input resistance: the low one makes phantom volts vanish. */
final readonly class Voltmeter implements Instrument
{
    private function __construct(private string $slug, private string $words, private string $trap, private float $inputOhms)
    {
    }

    public static function highImpedance(): self
    {
        return new self('voltmeter-high-z', 'Voltmeter', 'Phantom volts on a floating conductor: compare with low impedance.', 10e6);
    }

    /** The input resistance of low-impedance voltmeters differs, 3–400 kΩ; this is the specimen of the demo firm. */
    public static function lowImpedance(): self
    {
        return new self('voltmeter-low-z', 'Low-Z voltmeter', 'Hides the voltage of filters; line to earth it may trip residual devices.', 200e3);
    }

    /**
     * Volts between two leads with so many ohms of input between them.
     *
     * @param list<int> $leads
     */
    public static function across(PortNetwork $ports, array $leads, float $inputOhms): float
    {
        $ports = clone $ports;
        $ports->join($leads[0], $leads[1], 1.0 / $inputOhms);
        [$y, $j] = $ports->norton($leads[0]);

        return $j->over($y)->modulus();
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
        return Unit::Volt;
    }

    public function leads(): array
    {
        return ['A', 'B'];
    }

    public function deadOnly(): bool
    {
        return false;
    }

    public function trap(): string
    {
        return $this->trap;
    }

    public function excitation(): Excitation
    {
        return Excitation::mains();
    }

    public function apply(PortNetwork $ports, array $leads, Supply $supply): Shown
    {
        return Shown::value(self::across($ports, $leads, $this->inputOhms));
    }

    public function scale(): Scale
    {
        return new Scale([[60.0, 0.01], [600.0, 0.1]]);
    }

    public function accuracy(): Accuracy
    {
        return new Accuracy(0.01, 3.0, 0.05);
    }
}
