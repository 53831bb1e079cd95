<?php

declare(strict_types=1);

namespace YellowProbe\Procedure;

use YellowProbe\Installation\House;
use YellowProbe\Installation\Labels;
use YellowProbe\Installation\Part\Outlets;
use YellowProbe\Installation\Role;
use YellowProbe\Instrument\Connection;

/**
 * Volts across one joint that a load draws its current through: across the contact of an outlet, or from a conductor to the
 * terminal that it lands on, at a point or in a board.
 */
final readonly class JointDrop extends EnteredTest
{
    private const CARRYING = [Role::Line, Role::Leg1, Role::Leg2, Role::SwitchedLine, Role::Neutral];

    public function __construct()
    {
        parent::__construct('joint-drop');
    }

    public function plans(House $house): array
    {
        $drawing = array_values(array_filter(TestPoint::all($house), static fn (TestPoint $point): bool => null !== $point->drawing()));
        $plans = [];
        foreach ($drawing as $point) {
            if (null === $point->outlet) {
                continue;
            }
            foreach (['L' => 'line', 'N' => 'neutral'] as $pole => $name) {
                $plans[] = $this->across($point, "$point->id:$pole", "the $name contact at {$point->part->name}", Outlets::behind($point->part, $point->outlet, $pole), $point->contacts[$pole]);
            }
        }
        foreach ($house->cables as $cable) {
            foreach ($cable->cores as $core) {
                $point = \in_array($core->role, self::CARRYING, true) ? Drawn::through($house, $core, $drawing) : null;
                foreach ([1, 2] as $end) {
                    $terminal = $core->ends[$end - 1];
                    // The supply head is sealed, and the distributor's.
                    if (null !== $point && null !== $terminal && 'service' !== $house->partOf($terminal)->kind) {
                        $joint = $core->joint($end);
                        $plans[] = $this->across($point, "$cable->id/{$cable->roleOf($core)}@$end", 'the joint of '.Labels::joint($house, $joint), $joint, $terminal);
                    }
                }
            }
        }

        return $plans;
    }

    private function across(TestPoint $point, string $which, string $what, string $from, string $to): TestPlan
    {
        return $this->plan($which, "Volts across $what with {$point->loadWords()}", $point->drawing() ?? $point->live, 'voltmeter-high-z', Connection::leads($from, $to));
    }
}
