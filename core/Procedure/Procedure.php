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

    /** The state it needs, in words; its plans hold it exactly. */
    public function needs(): string;

    /** What a sound installation shows. */
    public function expects(): string;

    /** What outcome says that something is wrong, and what. */
    public function alarm(): string;

    /** What the test cannot show, however well it reads. */
    public function cannotShow(): string;

    /** What can hurt, said where the test is done; empty when nothing beyond ordinary care. */
    public function hazard(): string;

    /** Minutes of the test itself. */
    public function minutes(): float;

    /** What makes it slower than that; empty when nothing does. */
    public function slower(): string;

    /** @return list<TestPlan> empty for what no tester reads: a look, a button, a sum */
    public function plans(House $house): array;
}
