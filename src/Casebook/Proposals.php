<?php

declare(strict_types=1);

namespace App\Casebook;

use YellowProbe\Diagnosis\Advised;
use YellowProbe\Diagnosis\Candidate;
use YellowProbe\Diagnosis\Forcing;
use YellowProbe\Diagnosis\Ranking;
use YellowProbe\Diagnosis\Standing;
use YellowProbe\Diagnosis\StopAdvice;
use YellowProbe\Diagnosis\Suspect;
use YellowProbe\Diagnosis\Trying;
use YellowProbe\Fault\FaultSite;
use YellowProbe\Installation\House;
use YellowProbe\Installation\Part;
use YellowProbe\Installation\Place;
use YellowProbe\Installation\State;
use YellowProbe\Procedure\Opened;
use YellowProbe\Procedure\Practice;
use YellowProbe\Safety\ImmediateDanger;

/** What a page would propose after some readings: the tests that it shows, best first, and its advice. */
final readonly class Proposals
{
    /** Tests that a page shows beside each other. */
    private const SHOWN = 3;

    /** What an advice is, in the verbs that cases are written in. */
    private const VERBS = [
        'repair' => ['repair', 'open', 'swap'],
        'open' => ['open', 'repair', 'look'],
        'swap' => ['repair', 'open', 'swap'],
        'look-again' => ['ask', 'look', 'advise'],
        'leave' => ['leave', 'log'],
        // It is the house's repair of it: the rest is its own service's.
        'out-of-use' => ['unplug', 'repair'],
        'explain' => ['advise', 'done', 'leave'],
        'distributor' => ['distributor'],
        'done' => ['done'],
        'test' => [],
    ];

    /**
     * @param list<string>    $tests   ids of those shown, best first
     * @param list<FaultSite>       $places  of the cause that the advice is about
     * @param list<ImmediateDanger> $dangers said above all of it, with what takes them away
     * @param list<string>          $asks    what is asked before anything is read
     */
    private function __construct(private House $house, public StopAdvice $advice, public array $tests, private array $places, private ?Trying $trying, private array $dangers, private array $asks)
    {
    }

    /**
     * @param list<ImmediateDanger> $dangers
     * @param list<string>          $asks
     */
    public static function of(House $house, Ranking $ranking, State $now, array $dangers, array $asks): self
    {
        $advised = Advised::of($house, $ranking, $now, Opened::none(), Practice::any());
        [$stop, $candidates, $forcings] = [$advised->stop, $advised->candidates, $advised->forcings];
        $tests = [...array_map(static fn (Candidate $candidate): string => $candidate->plan->id, \array_slice($candidates, 0, self::SHOWN)), ...array_map(static fn (Forcing $forcing): string => $forcing->plan->id, $forcings)];
        $named = array_values(array_filter($ranking->suspects(), static fn (Suspect $suspect): bool => null !== $suspect->lead()->hypothesis->site));
        $sites = array_map(static fn (Standing $standing): ?FaultSite => $standing->hypothesis->site, $named[0]->standings ?? []);

        return new self($house, $stop->advice, $tests, array_values(array_filter($sites)), $stop->trying, $dangers, $asks);
    }

    /** Whether some danger is said with this act to take it away. */
    public function makesSafe(Act $act): bool
    {
        foreach ($this->dangers as $danger) {
            $is = match ($act->verb) {
                'off' => [] !== array_filter($danger->devices, static fn (Part $device): bool => $device->id === $act->what),
                'mainoff' => [] !== array_filter($danger->devices, static fn (Part $device): bool => 'main-switch' === $device->kind),
                'distributor' => $danger->isDistributor,
                // Said in words beside the device, or where no device takes it away.
                default => ImmediateDanger::UNPROTECTED === $danger->kind,
            };
            if ($is) {
                return true;
            }
        }

        return false;
    }

    /** Whether what is proposed begins with this act: with what makes safe, where there is a danger, and with the first test or the advice. */
    public function begins(Act $act): bool
    {
        return (\in_array($act->verb, ['off', 'mainoff', 'distributor'], true) && $this->makesSafe($act)) || ('ask' === $act->verb && [] !== $this->asks) || $this->isFirst($act);
    }

    private function isFirst(Act $act): bool
    {
        return StopAdvice::Test === $this->advice ? 'test' === $act->verb && isset($this->tests[0]) && str_starts_with($this->tests[0], $act->what) : $this->advises($act);
    }

    /** Whether any of what is proposed is this act. */
    public function holds(Act $act): bool
    {
        if ('test' === $act->verb) {
            // Where no more testing is wanted any test is one too many; where the advice is to stop, none is shown first.
            return StopAdvice::Test === $this->advice && ('another' === $act->what || [] !== array_filter($this->tests, static fn (string $test): bool => str_starts_with($test, $act->what)));
        }

        return $this->advises($act);
    }

    /** Whether an act is named by ids of the house or of tests, so that it can be compared at all. */
    public function isNamed(Act $act): bool
    {
        $first = explode(':', $act->what)[0];

        return match ($act->verb) {
            'test' => 'another' === $act->what || 1 === preg_match('/^[a-z0-9-]+$/', $first),
            'mainoff', 'ask', 'done', 'leave', 'log', 'distributor', 'advise', 'look' => true,
            default => isset($this->house->parts[$act->what]) || isset($this->house->places[$act->what]) || isset($this->house->cables[$act->what]),
        };
    }

    public function words(): string
    {
        return trim($this->advice->value.' '.implode(' ', array_map(static fn (Place $place): string => $place->id, $this->trying->opening->places ?? [])).(null === $this->trying?->appliance ? '' : ' '.$this->trying->appliance->id)).': '.implode(', ', $this->tests);
    }

    private function advises(Act $act): bool
    {
        if (!\in_array($act->verb, self::VERBS[$this->advice->value], true)) {
            return false;
        }
        if (!\in_array($act->verb, ['repair', 'open', 'swap', 'unplug'], true) && StopAdvice::Open !== $this->advice) {
            return true;
        }
        if (null !== $this->trying?->appliance) {
            return \in_array($act->what, [$this->trying->appliance->id, $this->trying->appliance->place, $this->house->circuitOfPart($this->trying->appliance->id)], true);
        }
        $opened = $this->trying->opening->places ?? [];
        if ([] !== $opened && ('repair' !== $act->verb || !isset($this->house->cables[$act->what]))) {
            return [] !== array_filter($opened, fn (Place $place): bool => $place->id === $act->what || $place->id === ($this->house->parts[$act->what]->place ?? ''));
        }
        $touching = new Touching($this->house);
        foreach ($this->places as $site) {
            if ($touching->isAt($site, [$act->what]) || \in_array($act->what, $site->places, true) || \in_array($this->house->parts[$act->what]->place ?? '', $site->places, true)) {
                return true;
            }
        }

        return false;
    }
}
