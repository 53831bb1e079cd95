<?php

declare(strict_types=1);

namespace YellowProbe\Instrument;

use YellowProbe\Installation\Excitation;
use YellowProbe\Installation\Supply;
use YellowProbe\Network\PortNetwork;

/**
 * The loop tester: the impedance between line and its return with the supply on. With high current, two wires, it trips
 * residual devices; with at most 15 mA, three wires, it does not, is noisy, and has the impedance of residual cores in its
 * reading.
 */
final readonly class LoopTester implements Instrument
{
    /** Below this share of the nominal voltage it says that there is no supply. */
    private const LEAST_SHARE = 0.435;

    /** @param list<string> $leads */
    private function __construct(private string $slug, private string $words, private array $leads, private string $trap, private Excitation $excitation, private Accuracy $accuracy)
    {
    }

    public static function highCurrent(): self
    {
        return new self('loop-2-wire', 'Loop', ['A', 'B'], 'Trips residual devices; loads on beside it take a little of its current.', Excitation::mains(), new Accuracy(0.04, 4.0, 0.02));
    }

    public static function noTrip(): self
    {
        return new self('loop-3-wire', 'Loop, no-trip', ['L', 'N', 'E'], 'Reads the residual core too, 0.01–0.5 Ω more than a high-current test; wait, repeat three times, take the mean; trips 5 and 10 mA devices.', Excitation::mainsSmallSignal(), new Accuracy(0.06, 10.0, 0.15));
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
        return Unit::Ohm;
    }

    public function leads(): array
    {
        return $this->leads;
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
        return $this->excitation;
    }

    public function apply(PortNetwork $ports, array $leads, Supply $supply): Shown
    {
        [$y, $j] = $ports->norton($leads[0]);
        $siemens = $y->modulus();
        if (0.0 === $siemens || $j->modulus() / $siemens < self::LEAST_SHARE * $supply->nominalVolts) {
            return Shown::nothing();
        }

        return 1.0 / $siemens > $this->scale()->top() ? Shown::over(1.0 / $siemens) : Shown::value(1.0 / $siemens);
    }

    public function scale(): Scale
    {
        return new Scale([[19.99, 0.01], [199.9, 0.1], [1999.0, 1.0]]);
    }

    public function accuracy(): Accuracy
    {
        return $this->accuracy;
    }
}
