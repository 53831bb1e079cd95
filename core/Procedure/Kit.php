<?php

declare(strict_types=1);

namespace YellowProbe\Procedure;

use YellowProbe\Instrument\DeviceWatch;
use YellowProbe\Instrument\Instrument;
use YellowProbe\Instrument\Instruments;
use YellowProbe\Instrument\LampWatch;
use YellowProbe\Instrument\TwoPoleIndicator;

/** The testers that this person has to hand. Eyes are always there; without a voltage indicator nothing dead is tested. */
final readonly class Kit
{
    /** @param list<string> $missing slugs of testers */
    private function __construct(public array $missing)
    {
    }

    public static function full(): self
    {
        return new self([]);
    }

    /**
     * @param list<string> $missing slugs of the testers that are not to hand
     *
     * @throws \OutOfBoundsException for a slug that no tester has
     */
    public static function without(array $missing): self
    {
        $missing = array_values(array_unique($missing));
        sort($missing);
        foreach ($missing as $slug) {
            Instruments::get($slug);
        }

        return new self($missing);
    }

    /** Whether the test can be done with it, its proving dead included. */
    public function allows(TestPlan $plan): bool
    {
        $instrument = $plan->measurement->instrument;

        return $this->has($instrument) && (!$instrument->deadOnly() || $this->has(TwoPoleIndicator::plain()) || $this->has(TwoPoleIndicator::loaded()));
    }

    private function has(Instrument $instrument): bool
    {
        return $instrument instanceof DeviceWatch || $instrument instanceof LampWatch || !\in_array($instrument->slug(), $this->missing, true);
    }
}
