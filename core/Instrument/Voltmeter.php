<?php

declare(strict_types=1);

namespace YellowProbe\Instrument;

use YellowProbe\Network\PortNetwork;

/** A voltmeter of high or low input resistance: the low one makes phantom volts vanish. */
final readonly class Voltmeter extends LiveTwoLead
{
    private function __construct(private string $slug, private string $words, private float $inputOhms)
    {
    }

    public static function highImpedance(): self
    {
        return new self('voltmeter-high-z', 'Voltmeter', 10e6);
    }

    /** The input resistance of low-impedance voltmeters differs, 3–400 kΩ; this is the specimen of the demo firm. */
    public static function lowImpedance(): self
    {
        return new self('voltmeter-low-z', 'Low-Z voltmeter', 200e3);
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

    public function apply(PortNetwork $ports, array $leads): Shown
    {
        $ports = clone $ports;
        $ports->join($leads[0], $leads[1], 1.0 / $this->inputOhms);
        [$y, $j] = $ports->norton($leads[0]);

        return Shown::value($j->over($y)->modulus());
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
