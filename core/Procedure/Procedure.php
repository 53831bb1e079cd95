<?php

declare(strict_types=1);

namespace YellowProbe\Procedure;

use YellowProbe\Installation\House;

/** One entry of the trade's test catalogue: what it is, and every way to do it in a given house. */
interface Procedure
{
    /** The stable name in data. */
    public function slug(): string;

    /** What a person calls it. */
    public function words(): string;

    /** What can hurt, said where the test is done; empty when nothing beyond ordinary care. */
    public function hazard(): string;

    /** What the test cannot show, however well it reads. */
    public function cannotShow(): string;

    /** @return list<TestPlan> */
    public function plans(House $house): array;
}
