<?php

declare(strict_types=1);

namespace YellowProbe\Fault;

/**
 * A resistance that a fault puts between two nodes of the house's network.
 *
 * Either a number of ohms, or "as the element it stands for, plus ohms": then it carries that element's current for
 * whoever clamps it, and is absent when that element is absent in the state.
 */
final readonly class NewBranch
{
    /**
     * @param string|null $a node, or null for the first end of the element it stands for
     * @param string|null $b node, or null for its second end
     */
    private function __construct(public ?string $a, public ?string $b, public float $ohms, public ?string $standsFor)
    {
    }

    public static function contact(string $a, string $b, float $ohms): self
    {
        return new self($a, $b, $ohms, null);
    }

    /** The same element with more resistance in it. */
    public static function moreIn(string $element, float $ohms): self
    {
        return new self(null, null, $ohms, $element);
    }

    /** The same element landed elsewhere. */
    public static function moved(string $element, ?string $a, ?string $b): self
    {
        return new self($a, $b, 0.0, $element);
    }
}
