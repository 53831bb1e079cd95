<?php

declare(strict_types=1);

namespace YellowProbe\Diagnosis;

use YellowProbe\Fault\Condition;

/** What a test is worth, by how much of the uncertainty over what to repair is expected to be left after it. */
enum Worth: string
{
    case Settles = 'settles';
    case Well = 'well';
    case Little = 'little';
    case Nothing = 'nothing';

    /** Shares of the uncertainty that may be left for each word, at most. */
    private const SETTLES = 0.10;
    private const WELL = 0.60;
    private const LITTLE = 0.95;

    /**
     * @param float           $bits expected information about what has to be repaired
     * @param list<Condition> $by   what is done meanwhile to bring out what comes and goes
     */
    public static function of(float $bits, Ranking $ranking, array $by = []): self
    {
        return self::among($bits, self::openBits($ranking, $by));
    }

    /**
     * @param list<Condition> $by
     *
     * @return float bits that a test would tell which settled what is to be repaired; 0 where nothing is open
     */
    public static function openBits(Ranking $ranking, array $by = []): float
    {
        $standings = Mattering::of($ranking);

        return [] === $standings ? 0.0 : Beliefs::of($standings, $by)->openBits();
    }

    /** @param float $openBits as {@see openBits} */
    public static function among(float $bits, float $openBits): self
    {
        $left = $openBits <= 0.0 ? 1.0 : 1.0 - $bits / $openBits;

        return match (true) {
            $left <= self::SETTLES => self::Settles,
            $left <= self::WELL => self::Well,
            $left <= self::LITTLE => self::Little,
            default => self::Nothing,
        };
    }
}
