<?php

declare(strict_types=1);

namespace YellowProbe\Procedure;

use YellowProbe\Installation\House;
use YellowProbe\Installation\Part;
use YellowProbe\Installation\Part\Outlets;
use YellowProbe\Instrument\Connection;

/** Tests at an outlet that a heater of 2 kW is plugged into. */
final readonly class LoadedOutlet extends EnteredTest
{
    /** @param array<string, array{string, string, string}> $pairs key of the plan => terminals of leads A and B (after the outlet or bare), and words */
    private function __construct(string $slug, private array $pairs)
    {
        parent::__construct($slug);
    }

    public static function neutralToEarth(): self
    {
        return new self('ne-under-load', ['N-E' => ['%s-N', '%s-E', 'Volts N–E']]);
    }

    public static function drop(): self
    {
        return new self('volt-drop', ['L-N' => ['%s-L', '%s-N', 'Volts L–N']]);
    }

    public static function joint(): self
    {
        return new self('joint-drop', ['L' => ['screw L', '%s-L', 'Volts across the line contact'], 'N' => ['screw N', '%s-N', 'Volts across the neutral contact']]);
    }

    public function plans(House $house): array
    {
        $plans = [];
        foreach (Outlets::all($house) as [$part, $outlet]) {
            $state = States::outletOn($house, $part, $outlet)->after(States::heaterIn($part, $outlet));
            foreach ($this->pairs as $key => [$a, $b, $words]) {
                $plans[] = $this->plan("$part->id.$outlet:$key", "$words at $part->name with 2 kW on", $state, 'voltmeter-high-z', Connection::leads(self::terminal($part, $outlet, $a), self::terminal($part, $outlet, $b)));
            }
        }

        return $plans;
    }

    private static function terminal(Part $part, string $outlet, string $pattern): string
    {
        return str_starts_with($pattern, 'screw ') ? Outlets::behind($part, $outlet, substr($pattern, 6)) : $part->terminal(\sprintf($pattern, $outlet));
    }
}
