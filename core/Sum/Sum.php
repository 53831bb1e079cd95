<?php

declare(strict_types=1);

namespace YellowProbe\Sum;

/** One sum of the trade that stands alone: what it wants, its formula, and what comes out. */
interface Sum
{
    /** The stable name in data. */
    public function slug(): string;

    public function words(): string;

    /** As a person writes it. */
    public function formula(): string;

    /** Where formula and figures come from. */
    public function source(): string;

    /** What the result does not say; empty when nothing. */
    public function caution(): string;

    /** @return non-empty-list<Input> */
    public function inputs(): array;

    /** @return non-empty-list<Figure> the answer first */
    public function work(Given $given): array;
}
