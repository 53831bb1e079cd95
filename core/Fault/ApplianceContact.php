<?php

declare(strict_types=1);

namespace YellowProbe\Fault;

use YellowProbe\Installation\House;

/** Two conductors touch inside an appliance, its lead or its plug. */
final readonly class ApplianceContact extends NamedFault
{
    /** @param non-empty-list<float> $severities */
    private function __construct(string $slug, string $words, private string $one, private string $other, array $severities)
    {
        parent::__construct($slug, $words, 'P', $severities);
    }

    /** Line on neutral: its breaker opens, with it and nothing else. */
    public static function short(): self
    {
        return new self('appliance-short', 'Short in an appliance or its lead', 'L', 'N', [0.03, 0.1, 0.3, 0.7, 1.5]);
    }

    /** Line on its case: an element, a motor, a wet connector. */
    public static function leak(): self
    {
        return new self('appliance-leak', 'Appliance leaks to its case', 'L', 'E', [100.0, 300.0, 1e3, 3e3, 8e3, 2e4, 5e4, 1e5]);
    }

    public function sites(House $house): array
    {
        return Plugged::sites($house, $this->one, $this->other);
    }

    public function change(House $house, FaultSite $site, float $ohms): Change
    {
        return new Change([], [NewBranch::contact($site->things[0], $site->things[1], $ohms)]);
    }
}
