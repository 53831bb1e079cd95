<?php

declare(strict_types=1);

namespace YellowProbe\Device;

use YellowProbe\Installation\Part;
use YellowProbe\Installation\Ratings;

/**
 * When a breaker opens: a thermal part that holds 1.13 and opens at 1.45 times its rating within the hour, and a
 * magnetic part in the zone of its curve (B 3–5, C 5–10, D 10–20 times). Good enough to say which of two opens first.
 */
final readonly class BreakerLaw
{
    private const ZONES = ['B' => [3.0, 5.0], 'C' => [5.0, 10.0], 'D' => [10.0, 20.0]];

    /** Between "holds" and "opens". */
    private const THERMAL = 1.28;
    private const SECONDS = 70.0;
    private const MAGNETIC_SECONDS = 0.01;

    private function __construct(public float $ratedAmperes, public float $magneticFrom, public float $magneticTo)
    {
    }

    public static function of(Part $device): self
    {
        [$from, $to] = self::ZONES[Ratings::curve($device)] ?? self::ZONES['B'];
        $rated = Ratings::amperes($device);

        return new self($rated, $from * $rated, $to * $rated);
    }

    /** Seconds until it opens from cold at a steady current, or null when it holds: τ·ln(I²/(I² − I_p²)). */
    public function seconds(float $amperes): ?float
    {
        if ($amperes >= $this->atOnceAmperes()) {
            return self::MAGNETIC_SECONDS;
        }
        $square = ($amperes / $this->ratedAmperes) ** 2;

        return $square <= self::THERMAL ** 2 ? null : self::SECONDS * log($square / ($square - self::THERMAL ** 2));
    }

    /** It holds this current for hours and opens a little above it. */
    public function holdsAmperes(): float
    {
        return self::THERMAL * $this->ratedAmperes;
    }

    /** In the middle of the zone of its magnetic part. */
    public function atOnceAmperes(): float
    {
        return sqrt($this->magneticFrom * $this->magneticTo);
    }

    /** Whether the magnetic part may open at once (lower end of its zone) and must (upper end). */
    public function mayOpenAtOnce(float $amperes): bool
    {
        return $amperes >= $this->magneticFrom;
    }

    public function mustOpenAtOnce(float $amperes): bool
    {
        return $amperes >= $this->magneticTo;
    }
}
