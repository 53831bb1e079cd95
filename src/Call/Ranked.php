<?php

declare(strict_types=1);

namespace App\Call;

use App\Api\View\RankingView;
use App\Entity\Call;
use App\Job\Jobs;
use App\Job\NextTests;
use App\Job\NotYet;
use App\Job\Ranking as RankingJob;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use YellowProbe\Diagnosis\Candidate;
use YellowProbe\Diagnosis\Forcing;
use YellowProbe\Diagnosis\Ranking;
use YellowProbe\Diagnosis\Stop;
use YellowProbe\Diagnosis\Trying;
use YellowProbe\Fault\FaultCatalogue;
use YellowProbe\Installation\House;
use YellowProbe\Procedure\Practice;

/** Rankings and next tests for whoever waits at a page: at once where what they need is kept, else worked out by a worker. */
final readonly class Ranked
{
    /** @param bool $atOnce whether everything is worked out by whoever asks; for tests of what is computed, not of who computes it */
    public function __construct(private Rankings $rankings, private Diagnosis $diagnosis, private Jobs $jobs, #[Autowire('%app.at_once%')] private bool $atOnce)
    {
    }

    /** What tells one state of a call from another, as far as a computation for it goes. */
    public static function state(Call $call, Journal $journal): string
    {
        return implode('.', [$journal->position(), $call->house->version ?? 0, FaultCatalogue::VERSION]);
    }

    /** @throws NotYet when it has to be worked out first */
    public function ranking(Call $call, Journal $journal): Ranking
    {
        $this->settle($call, $journal);

        return $this->rankings->rank($journal);
    }

    /** @throws NotYet when it has to be worked out first */
    public function view(Call $call, Journal $journal): RankingView
    {
        $this->settle($call, $journal);

        return $this->rankings->view($journal);
    }

    /**
     * @return array{Ranking, Stop, list<Candidate>, list<Forcing>} whether to go on, and with which test or with what meanwhile
     *
     * @throws NotYet when it has to be worked out first
     */
    public function next(Call $call, Journal $journal, House $house, Practice $practice): array
    {
        $now = $journal->state();
        $opened = $journal->opened();
        $job = new NextTests($call->id->toRfc4122(), self::state($call, $journal), $practice);
        if (!$this->atOnce && [] !== $this->rankings->missing($journal)) {
            $this->later($call, $job);
        }
        $ranking = $this->rankings->rank($journal);
        if (!$this->atOnce && !$this->diagnosis->hasNextTests($house, $ranking, $now, $opened, $practice)) {
            $this->later($call, $job);
        }
        $candidates = $this->diagnosis->nextTests($house, $ranking, $now, $opened, $practice);
        $stop = Stop::advised($ranking, $candidates, Trying::of($house, $ranking));
        if (!Forcing::isAsked($stop->advice)) {
            return [$ranking, $stop, $candidates, []];
        }
        if (!$this->atOnce && !$this->diagnosis->hasForcings($house, $ranking, $now, $opened, $practice)) {
            $this->later($call, $job);
        }

        return [$ranking, $stop, $candidates, Forcing::worthwhile($this->diagnosis->forcings($house, $ranking, $now, $opened, $practice), $stop->advice, $candidates)];
    }

    private function settle(Call $call, Journal $journal): void
    {
        if (!$this->atOnce && [] !== $this->rankings->missing($journal)) {
            $this->later($call, new RankingJob($call->id->toRfc4122(), self::state($call, $journal)));
        }
    }

    private function later(Call $call, NextTests|RankingJob $job): never
    {
        $this->jobs->ask($call, $job);
        throw new NotYet($job->callId(), $job->what());
    }
}
