<?php

declare(strict_types=1);

namespace App\Command;

use YellowProbe\Diagnosis\HypothesisSpace;
use YellowProbe\Diagnosis\Rates;
use YellowProbe\Diagnosis\Story;
use YellowProbe\Evaluation\Dice;
use YellowProbe\Evaluation\Groups;
use YellowProbe\Evaluation\PairedWorld;
use YellowProbe\Evaluation\Score;
use YellowProbe\Evaluation\Tables;
use YellowProbe\Evaluation\Visit;
use YellowProbe\Evaluation\World;
use YellowProbe\Installation\House;

/** A house that visits are made to, with what is worked out once for all of them. */
final readonly class EvaluatedHouse
{
    private const SYMPTOMS = ['residual-trip', 'overcurrent-trip', 'part-dead', 'tingle', 'flicker', Story::INSPECTION];

    private Tables $tables;
    private Groups $groups;

    public function __construct(public House $house, private Rates $rates)
    {
        $hypotheses = HypothesisSpace::of($house, $rates);
        $this->tables = new Tables($house, $hypotheses);
        $this->groups = Groups::of($house, $hypotheses, $this->tables);
    }

    /** One visit; each has dice of its own, so that one more visit changes no other. */
    public function visit(int $at, int $seed, World $world, ?\Closure $choice): Score
    {
        $dice = new Dice(crc32("{$this->house->name}|$seed|$at"));
        $story = new Story([$dice->one(self::SYMPTOMS)]);
        $hypotheses = HypothesisSpace::of($this->house, $this->rates, $story);
        $visit = new Visit($this->house, $hypotheses, $this->tables, $world, $choice, $world instanceof PairedWorld, !$story->isInspection());

        return Score::of($visit->run($world->truth($this->house, $hypotheses, $dice), $dice), $this->groups);
    }

    /** @return array{groups: int, largest: int, rules: string} causes that no test can tell apart */
    public function sizes(): array
    {
        return ['groups' => \count($this->groups->sizes()), 'largest' => $this->groups->sizes()[0], 'rules' => $this->house->ruleSet];
    }
}
