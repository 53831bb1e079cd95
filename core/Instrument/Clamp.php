<?php

declare(strict_types=1);

namespace YellowProbe\Instrument;

use YellowProbe\Installation\Excitation;
use YellowProbe\Installation\Supply;
use YellowProbe\Network\PortNetwork;

/** A clamp: the phasor sum of the currents in the conductors it embraces. {@see Bench} sums; nothing is applied. */
final readonly class Clamp implements Instrument
{
    private function __construct(private string $slug, private string $words, private string $trap, private Scale $scale, private Accuracy $accuracy)
    {
    }

    /** For milliamperes. */
    public static function leakage(): self
    {
        return new self('leakage-clamp', 'Leakage clamp', 'Its error is 0.1–0.5 % of the current in the jaw: never milliamperes next to amperes. Electronics read 2–5 times more in the wide band.', self::fine(), new Accuracy(0.015, 5.0, 0.05e-3, 0.003));
    }

    /** For amperes. */
    public static function ordinary(): self
    {
        return new self('clamp', 'Clamp', 'One conductor, all live conductors and the cpc read different things; blind to DC; 10–50 mA of error at 10 A.', new Scale([[40.0, 0.01], [400.0, 0.1]]), new Accuracy(0.02, 5.0, 0.05, 0.003));
    }

    /** Left in place to catch what comes and goes: the same jaw, read at each sample. */
    public static function logger(): self
    {
        return new self('clamp-logger', 'Clamp logger', 'Blind between its samples; it needs a return visit.', self::fine(), new Accuracy(0.015, 5.0, 0.05e-3, 0.003));
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
        return Unit::Ampere;
    }

    public function leads(): array
    {
        return [];
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
        throw new \LogicException('A clamp has no leads: its reading is the sum of currents that the bench forms.');
    }

    public function scale(): Scale
    {
        return $this->scale;
    }

    public function accuracy(): Accuracy
    {
        return $this->accuracy;
    }

    private static function fine(): Scale
    {
        return new Scale([[0.06, 0.01e-3], [0.6, 0.1e-3], [60.0, 0.01]]);
    }
}
