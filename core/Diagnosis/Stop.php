<?php

declare(strict_types=1);

namespace YellowProbe\Diagnosis;

/** When to stop testing: the expected loss of acting now against the cheapest test that would tell something. */
final readonly class Stop
{
    private const LEADS = 0.3;
    private const REPAIR = 0.5;
    private const NOTHING_WRONG = 0.8;

    /** Nothing is there just now: it is time to restore, leave a logger and come back. */
    private const QUIET = 0.6;
    private const UPSTREAM = ['lost-pen', 'head-crossed', 'lost-supply-neutral', 'supply-neutral-open', 'network-current'];
    private const UPSTREAM_FROM = 0.5;

    /**
     * @param float $lossMinutes expected loss of repairing now
     * @param float $savesMinutes of it, by the best of the tests, its price and that of what follows taken off; negative when none pays
     */
    private function __construct(public StopAdvice $advice, public float $lossMinutes, public float $savesMinutes)
    {
    }

    /** @param list<Candidate> $candidates all that were weighed, best first */
    public static function advised(Ranking $ranking, array $candidates): self
    {
        // What has no name cannot be repaired: the best of those that have one is weighed.
        $named = array_values(array_filter($ranking->suspects(), static fn (Suspect $suspect): bool => Hypothesis::ELSE !== $suspect->lead()->hypothesis->id));
        $lead = $named[0];
        $beliefs = Beliefs::of($ranking->standings);
        $loss = Loss::of($beliefs)->minutes($beliefs->weights);
        $saves = max([-\INF, ...array_map(static fn (Candidate $candidate): float => $candidate->saves, $candidates)]);
        $pays = $saves > 0.0;
        $kind = $lead->lead()->hypothesis->kind?->slug();

        $quiet = array_sum(array_map(static fn (Standing $standing): float => Hypothesis::SOUND === $standing->hypothesis->id ? $standing->probability : $standing->probability * $standing->quiet(), $ranking->standings));

        return new self(match (true) {
            \in_array($kind, self::UPSTREAM, true) && $lead->probability >= self::UPSTREAM_FROM => StopAdvice::Distributor,
            Hypothesis::SOUND === $lead->lead()->hypothesis->id => $pays || $lead->probability < self::NOTHING_WRONG ? ($pays ? StopAdvice::Test : StopAdvice::LookAgain) : StopAdvice::Leave,
            $pays => StopAdvice::Test,
            $quiet >= self::QUIET => StopAdvice::Leave,
            [] !== $candidates && $lead->probability >= self::REPAIR => StopAdvice::Repair,
            $lead->probability >= 1.0 - self::LEADS => StopAdvice::Repair,
            $lead->probability >= self::LEADS => StopAdvice::Swap,
            default => StopAdvice::LookAgain,
        }, $loss, $saves);
    }
}
