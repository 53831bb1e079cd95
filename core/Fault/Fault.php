<?php

declare(strict_types=1);

namespace YellowProbe\Fault;

use YellowProbe\Installation\House;

/** One fault: a kind at a site with a severity. */
final readonly class Fault
{
    public function __construct(public FaultKind $kind, public FaultSite $site, public float $ohms)
    {
    }

    /**
     * Finds a fault by its kind and site, such as "open-cpc" and "c7/E@2".
     *
     * @throws \OutOfBoundsException when the kind cannot be at that site of this house
     */
    public static function at(House $house, string $kind, string $site, ?float $ohms = null): self
    {
        $found = FaultCatalogue::get($kind);
        foreach ($found->sites($house) as $candidate) {
            if ($candidate->id === $site) {
                return new self($found, $candidate, $ohms ?? $found->severities()[0]);
            }
        }

        throw new \OutOfBoundsException(\sprintf('"%s" cannot be at "%s" in this house; its places are %s.', $kind, $site, implode(', ', array_map(static fn (FaultSite $s): string => $s->id, $found->sites($house)))));
    }

    public function change(House $house): Change
    {
        return $this->kind->change($house, $this->site, $this->ohms);
    }
}
