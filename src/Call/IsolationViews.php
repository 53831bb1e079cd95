<?php

declare(strict_types=1);

namespace App\Call;

use App\Api\View\DeviceView;
use App\Api\View\IsolationStepView;
use App\Api\View\IsolationView;
use App\Api\View\LeverView;
use App\Api\View\LockView;
use App\Api\View\PairView;
use App\Api\View\ProofView;
use App\Api\View\ScopeView;
use App\Observation\IsolationStep;
use App\Words\Say;
use YellowProbe\Installation\House;
use YellowProbe\Installation\Part;
use YellowProbe\Procedure\Isolation;
use YellowProbe\Procedure\States;
use YellowProbe\Safety\IsolationScope;
use YellowProbe\Safety\Levers;
use YellowProbe\Safety\Pair;
use YellowProbe\Words\Message;

/** Safe isolation, locks, levers and proofs as the page sees them. */
final readonly class IsolationViews
{
    private const TRIPS = ['residual-trip', 'overcurrent-trip'];

    public function __construct(private Say $say)
    {
    }

    public function isolation(Journal $journal): IsolationView
    {
        $isolations = $journal->isolations();
        $scope = $isolations->scope();
        $locks = [];
        foreach ($isolations->locks() as $device => [$lock, $entry]) {
            $locks[] = new LockView((string) $device, $journal->house->parts[$device]->name ?? '', $lock->keeper, $lock->number, $lock->sign, CallViews::time($entry->source->clientAt));
        }

        return new IsolationView(
            $this->steps($journal),
            $scope['place'],
            $scope['level'],
            $locks,
            null === $journal->house ? [] : self::devices(array_map(static fn (string $device): Part => $journal->house->parts[$device], array_values(array_filter($isolations->points(), static fn (string $device): bool => isset($journal->house->parts[$device]))))),
            $isolations->stopped()?->place,
        );
    }

    /** @return list<IsolationStepView> */
    private function steps(Journal $journal): array
    {
        $rules = $journal->house->ruleSet ?? Say::USUAL_RULES;
        $done = $journal->isolations()->steps();
        $views = [];
        $next = true;
        foreach (Isolation::cases() as $step) {
            $entry = $done[$step->value] ?? null;
            $skipped = $entry?->payload instanceof IsolationStep ? $entry->payload->skipped : null;
            $views[] = new IsolationStepView($step->value, $this->say->of(new Message("isolation.$step->value"), $rules), $this->say->of(new Message("caution.$step->value"), $rules), null === $entry ? null : CallViews::time($entry->source->clientAt), $entry?->source->author->name, $skipped, null === $entry && $next);
            $next = $next && null !== $entry;
        }

        return $views;
    }

    /** @return list<ProofView> */
    public function proofs(Journal $journal): array
    {
        $rules = $journal->house->ruleSet ?? Say::USUAL_RULES;

        return array_map(function (Proof $proof) use ($journal, $rules): ProofView {
            $lapsed = $proof->lapsedWords();

            return new ProofView($proof->entry->id(), $proof->place, $journal->house->places[$proof->place]->name ?? '', CallViews::time($proof->entry->source->clientAt), $proof->complete, $proof->live, $proof->stands(), $this->say->inside($proof->words(), $rules), null === $lapsed ? null : $this->say->of($lapsed, $rules));
        }, $journal->isolations()->proofs());
    }

    public function scope(House $house, IsolationScope $scope): ScopeView
    {
        return new ScopeView(
            self::devices($scope->off),
            self::devices($scope->before),
            self::devices($scope->loads),
            $this->say->each($scope->stays, $house->ruleSet),
            $this->say->each($scope->warns, $house->ruleSet),
            array_map(fn (Pair $pair): PairView => new PairView($pair->id, $this->say->of($pair->words, $house->ruleSet), 'pair.poles' === $pair->words->key), $scope->pairs),
        );
    }

    /** @return list<LeverView> */
    public function levers(House $house, Journal $journal): array
    {
        $mains = array_map(static fn (Part $main): string => $main->id, States::mains($house));
        $locks = $journal->isolations()->locks();

        return array_map(static fn (Part $lever): LeverView => new LeverView(
            $lever->id,
            $lever->name,
            $lever->kind,
            'off' !== $journal->state()->position($lever->id, 'on'),
            \in_array($lever->id, $mains, true),
            Levers::trips($lever),
            ($locks[$lever->id][0] ?? null)?->keeper,
            Levers::behind($house, $lever->id),
            array_values(array_filter(self::TRIPS, static fn (string $symptom): bool => Levers::canShow($lever, $symptom))),
            MapViews::watch($lever),
        ), Levers::all($house));
    }

    /**
     * @param list<Part> $parts
     *
     * @return list<DeviceView>
     */
    public static function devices(array $parts): array
    {
        return array_map(static fn (Part $part): DeviceView => new DeviceView($part->id, $part->name), $parts);
    }
}
