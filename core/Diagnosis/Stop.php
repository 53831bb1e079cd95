<?php

declare(strict_types=1);

namespace YellowProbe\Diagnosis;

/** When to stop testing: the expected loss of acting now against the cheapest test that would tell something. */
final readonly class Stop
{
    /** What a repair of the wrong cause costs: the repair, its proof that fails, and finding back. */
    public const WRONG_REPAIR_MINUTES = 60.0;

    /** Of one more place opened, proved, looked at and closed, where a suspect has several. */
    private const WRONG_PLACE_MINUTES = 12.0;
    private const TELLS_BITS = 0.05;
    private const LEADS = 0.3;
    private const EVEN = 0.5;
    private const NOTHING_WRONG = 0.8;
    private const UPSTREAM = ['lost-pen', 'head-crossed', 'lost-supply-neutral', 'supply-neutral-open', 'network-current'];
    private const UPSTREAM_FROM = 0.5;

    /**
     * @param float      $lossMinutes expected loss of repairing the leading suspect now
     * @param float|null $testMinutes price of the cheapest test that would tell something; null when none would
     */
    private function __construct(public StopAdvice $advice, public float $lossMinutes, public ?float $testMinutes)
    {
    }

    /** @param list<Candidate> $candidates all that were weighed, best first */
    public static function advised(Ranking $ranking, array $candidates): self
    {
        // What has no name cannot be repaired: the best of those that have one is weighed.
        $named = array_values(array_filter($ranking->suspects(), static fn (Suspect $suspect): bool => Hypothesis::ELSE !== $suspect->lead()->hypothesis->id));
        $lead = $named[0];
        $loss = (1.0 - $lead->probability) * self::WRONG_REPAIR_MINUTES + $lead->probability * self::wrongPlaces($lead) * self::WRONG_PLACE_MINUTES;
        $telling = array_map(static fn (Candidate $candidate): float => $candidate->minutes, array_filter($candidates, static fn (Candidate $candidate): bool => $candidate->bits >= self::TELLS_BITS));
        $test = [] === $telling ? null : min($telling);
        // Below an even chance a repair is a guess, whatever a test costs.
        $pays = null !== $test && ($test < $loss || ($lead->probability < self::EVEN && Hypothesis::SOUND !== $lead->lead()->hypothesis->id));
        $kind = $lead->lead()->hypothesis->kind?->slug();

        return new self(match (true) {
            \in_array($kind, self::UPSTREAM, true) && $lead->probability >= self::UPSTREAM_FROM => StopAdvice::Distributor,
            Hypothesis::SOUND === $lead->lead()->hypothesis->id => $pays || $lead->probability < self::NOTHING_WRONG ? ($pays ? StopAdvice::Test : StopAdvice::LookAgain) : StopAdvice::Leave,
            $pays => StopAdvice::Test,
            null !== $test => StopAdvice::Repair,
            $lead->probability >= 1.0 - self::LEADS => StopAdvice::Repair,
            $lead->probability >= self::LEADS => StopAdvice::Swap,
            default => StopAdvice::LookAgain,
        }, $loss, $test);
    }

    /** Places of a suspect that are opened for nothing when the likeliest are opened first, as expected. */
    private static function wrongPlaces(Suspect $suspect): float
    {
        $shares = [];
        foreach ($suspect->standings as $standing) {
            $place = implode(' ', $standing->hypothesis->site->places ?? []);
            $shares[$place] = ($shares[$place] ?? 0.0) + $standing->probability / max(1e-12, $suspect->probability);
        }
        rsort($shares);
        $wrong = 0.0;
        foreach ($shares as $before => $share) {
            $wrong += $before * $share;
        }

        return $wrong;
    }
}
