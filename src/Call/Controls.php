<?php

declare(strict_types=1);

namespace App\Call;

use App\Api\View\ConductorView;
use App\Api\View\ControlView;
use App\Api\View\LegView;
use App\Api\View\LinkView;
use App\Api\View\OptionView;
use YellowProbe\Installation\BoardEnds;
use YellowProbe\Installation\House;
use YellowProbe\Installation\Labels;
use YellowProbe\Installation\Part;
use YellowProbe\Installation\Part\LightSwitch;
use YellowProbe\Installation\Part\Outlets;
use YellowProbe\Installation\Role;
use YellowProbe\Installation\State;
use YellowProbe\Installation\StateChange;
use YellowProbe\Safety\ClampFirst;

/** What can be switched, plugged in and lifted at a way or a point, as it stands. */
final readonly class Controls
{
    private const SWITCHES = ['on' => 'on', 'off' => 'off'];
    private const TWO_WAY = ['1' => '1', '2' => '2'];
    private const LOADS = ['on' => 'on', 'off' => 'off', 'out' => 'out'];
    private const HEATER = [State::HEATER => 'plugged in', 'on' => 'not there'];

    public function __construct(private House $house, private State $state)
    {
    }

    /** @return list<ControlView> */
    public function ofWay(string $circuit): array
    {
        return array_map(fn (string $joint): ControlView => $this->joint($joint, ucfirst(Labels::joint($this->house, $joint))), $this->atBoard($circuit));
    }

    /** @return list<string> joints of a circuit's conductors at the board: lines, neutrals, earths */
    public function atBoard(string $circuit): array
    {
        $earth = BoardEnds::earthAtBoard($this->house, $circuit);
        $lines = array_merge(...array_map(fn (Role $role): array => BoardEnds::joints($this->house, $circuit, $role->value), [Role::Line, Role::Leg1, Role::Leg2]));

        return array_values(array_unique([...$lines, ...BoardEnds::neutralsAtBoard($this->house, $circuit), ...(null === $earth ? [] : $this->landed($earth, $circuit))]));
    }

    /** @return list<string> joints of the cores that end at a point */
    public function landedAt(Part $part): array
    {
        $joints = [];
        foreach ($this->house->terminals as $terminal) {
            foreach ($terminal->part === $part->id ? $this->house->wiring->landedOn($terminal->id) : [] as [$core, $end]) {
                $joints[] = $core->joint($end);
            }
        }

        return $joints;
    }

    /**
     * Conductors by the cable that they are of.
     *
     * @param list<string> $joints
     *
     * @return list<LegView>
     */
    public function legs(array $joints): array
    {
        $words = $conductors = [];
        foreach ($joints as $joint) {
            [$core, $end] = $this->house->joint($joint) ?? throw new \LogicException("$joint is no joint.");
            $words[$core->cable] ??= 'to '.Labels::beyond($this->house, $core, $end);
            $conductors[$core->cable][] = new ConductorView($core->role->value, ucfirst(Labels::role($core->role)), $joint);
        }

        return array_map(static fn (string $cable): LegView => new LegView($words[$cable], $conductors[$cable]), array_map(strval(...), array_keys($conductors)));
    }

    /** @return list<ControlView> */
    public function ofPoint(Part $part): array
    {
        $controls = [];
        if ('switch' === $part->kind) {
            $controls[] = $this->switch($part);
        }
        foreach ($this->house->partsOfKind('appliance', 'light') as $load) {
            if ($load->id === $part->id || str_starts_with($load->attributes->string('pluggedInto', ''), "$part->id.")) {
                $controls[] = new ControlView('load', $load->id, 'light' === $load->kind ? 'Lamp' : $load->name, $this->state->load($load->id), self::options(self::LOADS), null);
            }
        }
        foreach (Outlets::of($part) as $at => $outlet) {
            $subject = $part->terminal($outlet);
            $controls[] = new ControlView('load', $subject, 'Heater of 2 kW'.(\count(Outlets::of($part)) > 1 ? ', outlet '.($at + 1) : ''), $this->state->load($subject), self::options(self::HEATER), null);
        }
        foreach ($this->landedAt($part) as $joint) {
            [$core, $end] = $this->house->joint($joint) ?? throw new \LogicException("$joint is no joint.");
            $controls[] = $this->joint($joint, ucfirst(Labels::role($core->role)).' to '.Labels::beyond($this->house, $core, $end));
        }

        return $controls;
    }

    public function switch(Part $switch): ControlView
    {
        $position = $this->state->position($switch->id, 'on');

        return LightSwitch::isTwoWay($switch)
            ? new ControlView('set', $switch->id, $switch->name, 'on' === $position ? '1' : $position, self::options(self::TWO_WAY), null)
            : new ControlView('set', $switch->id, $switch->name, $position, self::options(self::SWITCHES), null);
    }

    /** @return list<LinkView> */
    public function links(): array
    {
        return array_map(fn (array $pair): LinkView => new LinkView($pair[0], $pair[1], \sprintf('%s to %s', Labels::end($this->house, $pair[0]), Labels::end($this->house, $pair[1]))), $this->state->links);
    }

    private function joint(string $joint, string $name): ControlView
    {
        $clampFirst = ClampFirst::of($this->house, [new StateChange('lift', $joint)])[$joint] ?? null;

        return new ControlView('joint', $joint, $name, $this->state->isLifted($joint) ? 'lift' : 'refit', self::options(['refit' => 'landed', 'lift' => 'lifted']), $clampFirst);
    }

    /** @return list<string> joints of cores of a circuit that land on a terminal */
    private function landed(string $terminal, string $circuit): array
    {
        $joints = [];
        foreach ($this->house->wiring->landedOn($terminal) as [$core, $end]) {
            if ($this->house->cables[$core->cable]->circuit === $circuit) {
                $joints[] = $core->joint($end);
            }
        }

        return $joints;
    }

    /**
     * @param array<array-key, string> $words by value
     *
     * @return list<OptionView>
     */
    private static function options(array $words): array
    {
        return array_map(static fn (int|string $value, string $own): OptionView => new OptionView((string) $value, $own), array_keys($words), array_values($words));
    }
}
