<?php

declare(strict_types=1);

namespace YellowProbe\Fault;

use YellowProbe\Installation\House;

/** One kind of fault: what it is called, where in a house it can be, and what it changes there. */
interface FaultKind
{
    /** The stable name in data. */
    public function slug(): string;

    /** What a person calls it, such as "open cpc". */
    public function words(): string;

    /** Default class: danger present D, potentially dangerous P, improvement I, further investigation F. */
    public function class(): string;

    public function nature(): FaultNature;

    public function remedy(): Remedy;

    /** @return list<Condition> when an intermittent form of it is there */
    public function conditions(): array;

    /** @return non-empty-list<float> severities in Ω that stand for the kind at one place, summed over in the ranking; 0 where it has none */
    public function severities(): array;

    /** @return list<FaultSite> every place of the house where it can be, in a fixed order */
    public function sites(House $house): array;

    /** What this fault changes, at a site with a severity in Ω. */
    public function change(House $house, FaultSite $site, float $ohms): Change;
}
