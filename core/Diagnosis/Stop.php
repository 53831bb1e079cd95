<?php

declare(strict_types=1);

namespace YellowProbe\Diagnosis;

use YellowProbe\Fault\Remedy;
use YellowProbe\Installation\Place;
use YellowProbe\Words\Message;

/** When to stop testing, and what to do then: the expected loss of acting now against what a test would take away from it. */
final readonly class Stop
{
    private const EVEN = 0.5;

    /** From here a swap is a try that is worth it when no test tells more. */
    private const LEADS = 0.3;

    /** Down to this expected loss it is worth asking on by what a test tells: less than a hundredth of a wrong repair. */
    private const OPEN_MINUTES = 4.0;

    /**
     * What a minute has to tell then. Low, since what is dear to get ready (a board isolated, neutrals lifted) is paid by the
     * first of a row of tests and used by all of them, of which no more than two are looked at; and who has found nothing in an hour
     * makes the residual devices trip before leaving, whatever was complained of.
     */
    private const TELLS_BITS_PER_MINUTE = 0.001;

    /** Down from this expected loss, a twenty-fourth of a wrong repair, it has to tell more: all that is open within so many times the loss. */
    private const LITTLE_MINUTES = 20.0;
    private const SETTLES = 4.0;

    /** Nothing is there just now: it is time to restore, leave a logger and come back. */
    private const QUIET = 0.6;

    /** Up to this expected loss a repair is no guess: a sixth of a wrong one. */
    private const KNOWN_MINUTES = 80.0;

    /** Up to this one the places are tried in turn, where no test parts them: two thirds of coming back another day. */
    private const TRIED_MINUTES = 320.0;

    /** Readings that are named where to look again. */
    private const MOST_ODD = 5;

    /**
     * @param float $lossMinutes expected loss of repairing now
     * @param float $savesMinutes of it, by the best of the tests, its price and that of what follows taken off; negative when none pays
     * @param list<string> $unexplained where the advice is to look again: what nothing on the list explains, in words, the oddest first
     * @param Trying|null $trying       where the advice is to try that
     */
    private function __construct(public StopAdvice $advice, public float $lossMinutes, public float $savesMinutes, public array $unexplained, public ?Trying $trying = null)
    {
    }

    /**
     * @param list<Candidate> $candidates all that were weighed, best first
     * @param Trying|null     $trying     what may be done instead of another test
     */
    public static function advised(Ranking $ranking, array $candidates, ?Trying $trying = null): self
    {
        // What has no name cannot be repaired: the best of those that have one is weighed.
        $named = array_values(array_filter($ranking->suspects(), static fn (Suspect $suspect): bool => Hypothesis::ELSE !== $suspect->lead()->hypothesis->id));
        $lead = $named[0];
        $beliefs = Beliefs::of($ranking->standings);
        $loss = Loss::of($beliefs)->minutes($beliefs->weights);
        $saves = array_map(static fn (Candidate $candidate): float => $candidate->saves, $candidates);
        $quiet = array_sum(array_map(static fn (Standing $standing): float => Hypothesis::SOUND === $standing->hypothesis->repair ? $standing->probability : $standing->probability * $standing->quiet(), $ranking->standings));
        $pays = self::pays($loss, $saves, array_map(static fn (Candidate $candidate): float => $candidate->minutes, $candidates), array_map(static fn (Candidate $candidate): float => $candidate->bits, $candidates), $beliefs->openBits());
        $remedy = $lead->lead()->hypothesis->isMended() || $lead->probability < self::EVEN ? null : $lead->lead()->hypothesis->kind?->remedy();

        $advice = match (true) {
            Remedy::Distributor === $remedy => StopAdvice::Distributor,
            $pays && null !== $trying && !$trying->isBeaten($candidates, $beliefs->openBits()) => $trying->advice,
            $pays => StopAdvice::Test,
            $lead->lead()->hypothesis->isMended() && $lead->probability >= self::QUIET => StopAdvice::Done,
            $quiet >= $lead->probability || Hypothesis::SOUND === $lead->lead()->hypothesis->repair => $quiet >= self::QUIET ? StopAdvice::Leave : StopAdvice::LookAgain,
            // What has no name leads only where all that have one fail: a swap would be a guess.
            $ranking->probability(Hypothesis::ELSE) > $lead->probability => StopAdvice::LookAgain,
            Remedy::Explain === $remedy && $loss <= self::TRIED_MINUTES => StopAdvice::Explain,
            $loss <= self::KNOWN_MINUTES => StopAdvice::Repair,
            $lead->atOnePlace() >= self::LEADS || $loss <= self::TRIED_MINUTES => StopAdvice::Swap,
            default => StopAdvice::LookAgain,
        };
        $odd = StopAdvice::LookAgain === $advice ? \array_slice($ranking->unexplained(), 0, self::MOST_ODD) : [];

        return new self($advice, $loss, max([-\INF, ...$saves]), array_map(static fn (Evidence $piece): string => $piece->words(), $odd), $advice === $trying?->advice ? $trying : null);
    }

    /** What to do, to be said. */
    public function message(): Message
    {
        $opening = $this->trying?->opening;

        // While it is tried nobody has said that it is known.
        return new Message('advice.'.(StopAdvice::Explain === $this->advice && null !== $this->trying ? 'use-otherwise' : $this->advice->value), [
            ...(null === $opening ? [] : ['places' => implode(', ', array_map(static fn (Place $place): string => $place->name, $opening->places))]),
            ...(null === $this->trying?->appliance ? [] : ['appliance' => $this->trying->appliance->name]),
        ]);
    }

    /**
     * Whether one more test is worth it: when it takes away more loss than it costs, a second one in view. While much can be lost,
     * one or two tests seldom take away much, and a repair or going home would be a guess: then whatever costs less than being wrong
     * and tells something for its price: the more, the less can be lost.
     *
     * @param list<float> $saves   minutes, of each test that can be done
     * @param list<float> $minutes
     * @param list<float> $bits
     * @param float       $open    bits that a test would tell which settled everything
     */
    public static function pays(float $loss, array $saves, array $minutes, array $bits, float $open): bool
    {
        $asks = $loss > self::LITTLE_MINUTES ? self::TELLS_BITS_PER_MINUTE : $open / (self::SETTLES * max($loss, self::OPEN_MINUTES));
        foreach ($saves as $at => $saved) {
            if ($saved > 0.0 || ($loss > self::OPEN_MINUTES && $minutes[$at] < $loss && $bits[$at] > $asks * $minutes[$at])) {
                return true;
            }
        }

        return false;
    }
}
