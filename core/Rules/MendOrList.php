<?php

declare(strict_types=1);

namespace YellowProbe\Rules;

/**
 * Mend it on the spot, or make safe, list it and come back (handbook, section 13): both options with their minutes and
 * money, and which one the rule of thumb leans to. The person decides, with the customer's consent.
 */
final readonly class MendOrList
{
    /** Few points: up to two, or a tenth of those tested. */
    private const FEW = 2;
    private const FEW_SHARE = 0.1;

    /** Make safe, label, report; a second visit with its way and its isolation. */
    private const MAKE_SAFE_MINUTES = 15.0;
    private const RETURN_MINUTES = 60.0;

    /**
     * @param float         $mendMinutes  now, all points
     * @param float         $listMinutes  now and at the return, the work included
     * @param list<string>  $because      in words
     */
    private function __construct(public float $mendMinutes, public float $mendMoney, public float $listMinutes, public float $listMoney, public bool $leansToMend, public array $because)
    {
    }

    /**
     * @param bool  $isDangerous     danger now or likely, where people live
     * @param int   $affected        points that have it
     * @param int   $tested          points looked at for it, at least those affected
     * @param float $minutesEach     to mend one
     * @param float $minutesLeft     of the visit
     * @param bool  $hasParts        on the van
     * @param bool  $isRepairVisit   an inspection mends only by extra order
     * @param float $materials       money for all points
     * @param float $ratePerHour     money
     */
    public static function of(bool $isDangerous, int $affected, int $tested, float $minutesEach, float $minutesLeft, bool $hasParts, bool $isRepairVisit, float $materials, float $ratePerHour): self
    {
        $mend = $affected * $minutesEach;
        $list = self::MAKE_SAFE_MINUTES + self::RETURN_MINUTES + $mend;
        $isFew = $affected <= self::FEW || $affected <= self::FEW_SHARE * $tested;
        $fits = $mend <= $minutesLeft;
        $because = [
            $isDangerous ? 'Dangerous: leaving it as it is cannot be defended.' : 'No danger now: it can wait for an appointment.',
            \sprintf('%d of %d points tested have it: %s.', $affected, $tested, $isFew ? 'few' : 'many, so that more are likely where nobody has looked'),
            $fits ? \sprintf('%.0f minutes of work fit into the %.0f that are left.', $mend, $minutesLeft) : \sprintf('%.0f minutes of work do not fit into the %.0f that are left.', $mend, $minutesLeft),
            $hasParts ? 'The parts are on the van.' : 'The parts are not on the van.',
        ];
        if (!$isRepairVisit) {
            $because[] = 'This visit is an inspection: mending is an extra that has to be ordered.';
        }

        return new self($mend, $mend / 60.0 * $ratePerHour + $materials, $list, $list / 60.0 * $ratePerHour + $materials, $isFew && $fits && $hasParts && ($isDangerous || $isRepairVisit), $because);
    }
}
