<?php

declare(strict_types=1);

namespace YellowProbe\Fault;

/** Whose a fault is, and what is done about it. */
enum Remedy: string
{
    /** The installation's, or an appliance's: it is repaired. */
    case Mend = 'mend';

    /** Nobody's: nothing of the house is broken. What it is is said, and what to use otherwise. */
    case Explain = 'explain';

    /** Upstream of the house: nobody here may mend it. */
    case Distributor = 'distributor';

    private const BY_FAULT = [
        'overload' => self::Explain,
        'capacitive-glow' => self::Explain,
        'lamp-mismatch' => self::Explain,
        'lost-pen' => self::Distributor,
        'head-crossed' => self::Distributor,
        'lost-supply-neutral' => self::Distributor,
        'supply-neutral-open' => self::Distributor,
        'network-current' => self::Distributor,
    ];

    public static function of(string $fault): self
    {
        return self::BY_FAULT[$fault] ?? self::Mend;
    }
}
