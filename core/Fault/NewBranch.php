<?php

declare(strict_types=1);

namespace YellowProbe\Fault;

/**
 * Something that a fault puts between two nodes of the house's network.
 *
 * Either ohms, a capacitor or a source of its own, or "as the element it stands for, and more": then it carries that
 * element's current for whoever clamps it, and is absent when that element is absent in the state.
 */
final readonly class NewBranch
{
    /**
     * @param string|null $a         node, or null for the first end of the element it stands for
     * @param string|null $b         node, or null for its second end
     * @param float       $ohms      in series
     * @param float       $farads    instead of ohms
     * @param float       $volts     a source in series, positive towards b; at rest while a tester drives
     * @param string|null $likewise  element whose source it has too, behind ohms of its own
     * @param array{string|null, string|null} $loose joints whose own ends it is between while they are lifted, instead of a and b
     */
    private function __construct(
        public ?string $a,
        public ?string $b,
        public float $ohms = 0.0,
        public ?string $standsFor = null,
        public float $farads = 0.0,
        public float $volts = 0.0,
        public ?string $likewise = null,
        public array $loose = [null, null],
    ) {
    }

    public static function contact(string $a, string $b, float $ohms): self
    {
        return new self($a, $b, $ohms);
    }

    /**
     * Between two core ends: where they are landed, or their loose ends while they are lifted.
     *
     * @param array{string, string} $joints
     * @param array{string, string} $terminals where they land
     */
    public static function betweenCores(array $joints, array $terminals, float $ohms): self
    {
        return new self($terminals[0], $terminals[1], $ohms, loose: $joints);
    }

    public static function capacitor(string $a, string $b, float $farads): self
    {
        return new self($a, $b, 0.0, null, $farads);
    }

    public static function source(string $a, string $b, float $volts, float $ohms): self
    {
        return new self($a, $b, $ohms, null, 0.0, $volts);
    }

    /** Another way in from the same source: a neighbour's load on the supply. */
    public static function likewise(string $element, string $a, string $b, float $ohms): self
    {
        return new self($a, $b, $ohms, null, 0.0, 0.0, $element);
    }

    /** The same element with more resistance in it. */
    public static function moreIn(string $element, float $ohms): self
    {
        return new self(null, null, $ohms, $element);
    }

    /** The same element with a source in it, positive towards its second end. */
    public static function driven(string $element, float $volts): self
    {
        return new self(null, null, 0.0, $element, 0.0, $volts);
    }

    /**
     * The same element landed elsewhere.
     *
     * @param array{string|null, string|null} $loose joints that it lands on instead while they are lifted
     */
    public static function moved(string $element, ?string $a, ?string $b, array $loose = [null, null]): self
    {
        return new self($a, $b, 0.0, $element, loose: $loose);
    }

    /** The same of a joint instead of its core: it is counted from the conductor to the terminal, so that whichever end of the core is landed elsewhere, its second end is. */
    public function ofItsJoint(): self
    {
        return new self(null, $this->a ?? $this->b, $this->ohms, $this->standsFor, $this->farads, $this->volts, $this->likewise);
    }
}
