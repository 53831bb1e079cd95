<?php

declare(strict_types=1);

namespace YellowProbe\Procedure;

use YellowProbe\Installation\House;
use YellowProbe\Installation\LineMap;
use YellowProbe\Installation\Role;
use YellowProbe\Words\Message;

/** One test done at every point of a circuit, at every way of a board, or in all its shots at one device: a run of readings. */
final readonly class Series
{
    /** Tests of two circuits or two ends at a time: no run of one thing. */
    private const PAIRWISE = ['neutral-to-neutral', 'line-to-other-neutral', 'residual-pair', 'capacitance-ends', 'loop-ratio', 'insulation-halves'];

    /** Tests of which the shots at one device make the run. */
    private const SHOTS = ['rcd-times', 'rcd-ramp', 'ring-ends', 'supply-polarity'];

    private const LEAST = 2;

    /**
     * @param Message                  $words what is done where
     * @param non-empty-list<TestPlan> $plans in the order one walks them
     */
    private function __construct(public string $id, public Message $words, public array $plans)
    {
    }

    /** One reading in two states. */
    public static function pair(string $id, Message $words, TestPlan $first, TestPlan $second): self
    {
        return new self($id, $words, [$first, $second]);
    }

    public function isPair(): bool
    {
        return str_starts_with($this->id, TwoStates::PREFIX);
    }

    /** @return array<string, self> runs from place to place, by id; {@see TwoStates} has the pairs */
    public static function all(House $house): array
    {
        $groups = $scopes = [];
        $walk = self::walk($house);
        foreach (TestCatalogue::plans($house) as $plan) {
            [$slug, $subject, $rest] = explode(':', $plan->id, 3) + ['', '', ''];
            if (\in_array($slug, self::PAIRWISE, true)) {
                continue;
            }
            $part = explode('.', $subject)[0];
            $circuit = isset($house->parts[$part]) ? $house->circuitOfPart($part) : null;
            [$scope, $where] = match (true) {
                \in_array($slug, self::SHOTS, true) => [$subject, new Message("run.$slug", ['at' => $house->parts[$part]->name ?? $house->circuits[$subject]->name ?? ''])],
                isset($house->circuits[$subject], $house->parts[explode('.', $rest)[0]]) => ["$subject:loads", new Message('run.loads', ['circuit' => $house->circuits[$subject]->name])],
                null !== $circuit => ["$circuit:$rest", new Message('run.points', ['circuit' => $house->circuits[$circuit]->name])],
                isset($house->circuits[$subject]) => ["ways:$rest", new Message('run.ways')],
                default => ['', null],
            };
            if (null !== $where) {
                $groups["$slug:$scope"][] = $plan;
                $scopes["$slug:$scope"] = $where;
            }
        }
        $series = [];
        foreach ($groups as $id => $plans) {
            if (\count($plans) >= self::LEAST) {
                usort($plans, static fn (TestPlan $a, TestPlan $b): int => self::stop($walk, $a) <=> self::stop($walk, $b));
                $series[$id] = new self($id, self::isShots($id) ? $scopes[$id] : self::title($plans[0], $scopes[$id]), $plans);
            }
        }
        ksort($series);

        return $series;
    }

    /**
     * @param array<string, int> $walk
     *
     * @return int where one stands for it: at the point that is loaded, else at the point or way that is read
     */
    private static function stop(array $walk, TestPlan $plan): int
    {
        [, $subject, $rest] = explode(':', $plan->id, 3) + ['', '', ''];

        return $walk[explode('.', $rest)[0]] ?? $walk[explode('.', $subject)[0]] ?? 0;
    }

    /** What is read, at which poles or in which position, and where it goes from one to the next. */
    private static function title(TestPlan $plan, Message $scope): Message
    {
        [, , $rest] = explode(':', $plan->id, 3) + ['', '', ''];
        $with = ['procedure' => $plan->procedure->words(), 'scope' => $scope];
        $roles = array_filter(array_map(Role::tryFrom(...), preg_split('/[-–]/u', $rest) ?: []));

        return match (true) {
            'run.loads' === $scope->key || '' === $rest => new Message('run.title', $with),
            \in_array($rest, ['on', 'off'], true) => new Message("run.title.$rest", $with),
            default => new Message('run.title.poles', $with + ['poles' => array_values(array_map(static fn (Role $role): Message => new Message("role.$role->value"), $roles))]),
        };
    }

    private static function isShots(string $id): bool
    {
        return \in_array(explode(':', $id)[0], self::SHOTS, true);
    }

    /** @return array<string, int> part or circuit => its place in a walk along the board and along each line */
    private static function walk(House $house): array
    {
        $walk = [];
        foreach (States::circuits($house) as $circuit) {
            $walk[$circuit] = \count($walk);
            foreach (LineMap::of($house, $circuit)['stops'] as $stop) {
                $walk[$stop['part']] = \count($walk);
            }
        }

        return $walk;
    }
}
